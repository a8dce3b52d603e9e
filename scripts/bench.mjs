import { basename, join, resolve } from 'node:path'
import { buildApplication, checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { run } from './run.mjs'
import { withThrowAwayApplication } from './throw-away.mjs'
import { orSayWhy } from './trouble.mjs'

/** Bundle one benchmark with its aliases, and run it. */
async function runInNode(file, ...args) {
  const { build } = await import('esbuild')
  const outfile = join('node_modules/.cache/bench', basename(file).replace(/\.ts$/, '.mjs'))
  await build({
    entryPoints: [file],
    outfile,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    alias: { '#core': resolve('core'), '#shared': resolve('shared') },
  })
  await run(process.execPath, [outfile, ...args], { inherit: true })
}

// What is measured is not how soon it is told to come back.
process.env.BLASTOMIX_RATE_SCALE ||= '1000'

/* Runs everything in benchmarks/ and prints it. Nothing here passes or fails: it is for reading, before and after. */
await orSayWhy(async () => {
  checkNode()
  await ensurePackages(['postgresql', 'chromium'])
  await installPackages()
  for (const file of [
    'benchmarks/recalculation.bench.ts',
    'benchmarks/finder.bench.ts',
    'benchmarks/planner.bench.ts',
    'benchmarks/season.bench.ts',
    'benchmarks/packing.bench.ts',
    'benchmarks/reader.bench.ts',
    'benchmarks/water.bench.ts',
  ])
    await runInNode(file)
  await buildApplication()
  const { measureLoad } = await import('../benchmarks/load.mjs')
  const { measureGrowth } = await import('../benchmarks/growth.mjs')
  const { measureLog } = await import('../benchmarks/log.mjs')
  await withThrowAwayApplication(async (where) => {
    // Before anything else is added to the demo, which it grows from.
    await measureGrowth(where)
    await run(process.execPath, ['benchmarks/browser.mjs', where.address], { inherit: true })
    await run(process.execPath, ['benchmarks/acts.mjs', where.address], { inherit: true })
    await measureLog(where)
    await measureLoad(where)
    await runInNode('benchmarks/loop.bench.ts', where.address)
  })
})
