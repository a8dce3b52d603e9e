import { rmSync } from 'node:fs'
import { relative, resolve } from 'node:path'
import { Cluster } from './cluster.mjs'
import { checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

const HELP = `./restore file

  Puts a backup where there is nothing yet, else into a folder beside what is there, never over it, and counts again.

  BLASTOMIX_DATA_DIR  the folder to restore into (default .data)`

await orSayWhy(async () => {
  const [named, ...more] = process.argv.slice(2)
  if (/^(-h|--help)$/.test(named ?? '')) return console.log(HELP)
  if (!named || more.length) throw new Trouble('./restore takes the name of one backup.')
  const file = resolve(process.env.BLASTOMIX_CALLED_FROM ?? '.', named)
  checkNode()
  await ensurePackages(['postgresql'])
  await installPackages()
  const { loadBackup, readManifest } = await import('./backup-file.mjs')
  const { dataVersion, migrateDatabase } = await import('./migrate.mjs')
  const manifest = await readManifest(file)
  if (manifest.version > dataVersion())
    throw new Trouble('This backup was written by a newer Blastomix. Restore it with that one.')

  const wanted = new Cluster(process.env.BLASTOMIX_DATA_DIR || '.data')
  const stamp = new Date().toISOString().slice(0, 19).replace(/[T:]/g, '-')
  const cluster = wanted.isUsed ? new Cluster(`${wanted.folder}-restored-${stamp}`) : wanted
  if (cluster.isUsed) throw new Trouble(`${cluster.folder} is in use already.`)
  try {
    const url = await cluster.start()
    await loadBackup(url, file, manifest)
    const { setUpRoles } = await import('./roles.mjs')
    await migrateDatabase((await setUpRoles(url)).ownerUrl)
    await cluster.stop()
  } catch (error) {
    await cluster.stop()
    // Made a moment ago, by this very call.
    for (const made of [cluster.home, cluster.passwordFile]) rmSync(made, { recursive: true, force: true })
    throw error
  }
  console.log(
    `Restored ${manifest.rows} rows of ${manifest.at.slice(0, 16).replace('T', ' ')} into ${cluster.folder}.`,
  )
  if (cluster !== wanted)
    console.log(
      `What was there is untouched. To use the restored one: BLASTOMIX_DATA_DIR=${shortest(cluster.folder)} ./start`,
    )
})

/** A folder as a person would type it here. */
function shortest(folder) {
  const path = relative('.', folder)
  return path.startsWith('..') ? folder : path
}
