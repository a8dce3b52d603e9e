import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { lastLine } from './packages.mjs'
import { run } from './run.mjs'
import { buildSimulated } from './simulated.mjs'
import { buildThreads } from './threads.mjs'
import { Trouble } from './trouble.mjs'

const INSTALLED = 'node_modules/.blastomix-installed'
const BUILT = '.output/.blastomix-built'
const SOURCES = [
  'app',
  'core',
  'public',
  'server',
  'shared',
  'simulated',
  'nuxt.config.ts',
  'package-lock.json',
]

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Trouble(`Blastomix needs Node 20.19 or newer; this is ${process.versions.node}.`)
}

/** `npm ci` when the lock file changed since the last one. */
export async function installPackages() {
  const wanted = fingerprint(['package-lock.json'])
  if (read(INSTALLED) === wanted) return
  console.log('Installing npm packages …')
  const { code, output } = await run('npm', ['ci', '--no-audit', '--no-fund'])
  if (code !== 0) throw new Trouble(`npm could not install the packages: ${npmReason(output)}`)
  const prepared = await run('npx', ['nuxt', 'prepare'])
  if (prepared.code !== 0) throw new Trouble(`nuxt could not prepare its types: ${lastLine(prepared.output)}`)
  writeFileSync(INSTALLED, wanted)
}

/** The production build, when a source changed since the last one. */
export async function buildApplication() {
  const wanted = fingerprint(SOURCES)
  if (read(BUILT) === wanted) return
  console.log('Building …')
  const { code, output } = await run('npx', ['nuxt', 'build'], {
    env: { ...process.env, NODE_ENV: 'production' },
  })
  if (code !== 0) throw new Trouble(`The build failed.\n${output.trim().split('\n').slice(-25).join('\n')}`)
  await buildSimulated()
  await buildThreads()
  writeFileSync(BUILT, wanted)
}

const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : undefined)

function fingerprint(paths) {
  const hash = createHash('sha256')
  for (const file of paths.flatMap(filesUnder))
    hash.update(file).update('\0').update(readFileSync(file)).update('\0')
  return hash.digest('hex')
}

function filesUnder(path) {
  if (!existsSync(path)) return []
  if (!statSync(path).isDirectory()) return [path]
  return readdirSync(path)
    .sort()
    .flatMap((name) => filesUnder(join(path, name)))
    .filter((file) => !file.endsWith('.test.ts'))
}

/** npm's own reason, rather than its pointer to a log file. */
function npmReason(output) {
  const reasons = output.split('\n').filter((line) => /^npm error/.test(line) && !/complete log/.test(line))
  return reasons.at(-1)?.replace(/^npm error\s*/, '') ?? lastLine(output)
}
