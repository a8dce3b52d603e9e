import { run } from './run.mjs'

// A migration is found by its name: it says what it does, as `0026_standard_names`.
const [name] = process.argv.slice(2)
if (!/^[a-z][a-z0-9]*([_-][a-z0-9]+)+$/.test(name ?? '')) {
  console.error('Say in two words or more what it does: npm run db:generate -- packet_spacing')
  process.exit(1)
}
process.exitCode = (await run('npx', ['drizzle-kit', 'generate', '--name', name], { inherit: true })).code
