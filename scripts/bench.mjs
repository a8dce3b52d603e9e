import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join, resolve } from 'node:path'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { buildApplication, checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { freePort } from './port.mjs'
import { run } from './run.mjs'
import { orSayWhy } from './trouble.mjs'

/** Bundle one benchmark with its aliases, and run it. */
async function runInNode(file) {
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
  await run(process.execPath, [outfile], { inherit: true })
}

/* Runs everything in bench/ and prints it. Nothing here passes or fails: it is for reading, before and after. */
await orSayWhy(async () => {
  checkNode()
  await ensurePackages(['postgresql', 'chromium'])
  await installPackages()
  await runInNode('bench/recalculation.bench.ts')
  await buildApplication()
  const folder = mkdtempSync(join(tmpdir(), 'blastomix-bench-'))
  chmodSync(folder, 0o755)
  const cluster = new Cluster(folder, { throwAway: true })
  let child
  try {
    const { migrateDatabase } = await import('./migrate.mjs')
    const databaseUrl = await cluster.start()
    await migrateDatabase(databaseUrl)
    const started = await startApplication({
      host: '127.0.0.1',
      port: await freePort(),
      databaseUrl,
      demo: true,
    })
    child = started.child
    await run(process.execPath, ['bench/browser.mjs', started.address], { inherit: true })
  } finally {
    if (child) await stopApplication(child)
    await cluster.destroy()
    rmSync(folder, { recursive: true, force: true })
  }
})
