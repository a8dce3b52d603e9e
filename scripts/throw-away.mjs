import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { freePort } from './port.mjs'
import { placeForSimulated, startSimulated } from './simulated.mjs'

/** A folder for throw-away things. PostgreSQL may run as another user and must be able to get in. */
export function throwAwayFolder() {
  const folder = mkdtempSync(join(tmpdir(), 'blastomix-'))
  chmodSync(folder, 0o755)
  return folder
}

/**
 * The built application with the demo household on a cluster of its own, gone afterwards.
 * @param {(where: { address: string, pid: number | undefined, databaseUrl: string, applicationUrl: string, housekeepingUrl: string }) => Promise<unknown>} use
 */
export async function withThrowAwayApplication(use) {
  const folder = throwAwayFolder()
  const cluster = new Cluster(folder, { throwAway: true })
  let child, bench
  try {
    const databaseUrl = await cluster.start()
    const { setUpRoles } = await import('./roles.mjs')
    const { migrateDatabase } = await import('./migrate.mjs')
    const { ownerUrl, applicationUrl, housekeepingUrl } = await setUpRoles(databaseUrl)
    await migrateDatabase(ownerUrl)
    const place = await placeForSimulated()
    const started = await startApplication({
      host: '127.0.0.1',
      port: await freePort(),
      databaseUrl: applicationUrl,
      housekeepingUrl,
      demo: true,
      // Tests make one each.
      env: { ...place.env, BLASTOMIX_EXAMPLES_AT_ONCE: '1000' },
    })
    child = started.child
    bench = await startSimulated({ address: started.address, ...place })
    await use({ address: started.address, pid: child.pid, databaseUrl, applicationUrl, housekeepingUrl })
  } finally {
    bench?.kill()
    if (child) await stopApplication(child)
    await cluster.destroy()
    rmSync(folder, { recursive: true, force: true })
  }
}
