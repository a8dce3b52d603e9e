import { resolve } from 'node:path'
import { Cluster } from './cluster.mjs'
import { installPackages, checkNode } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

const HELP = `./backup [file]

  Writes everything into one file, with a manifest beside it, while Blastomix runs or stands still.

  DATABASE_URL        back up this PostgreSQL instead of the own one
  BLASTOMIX_DATA_DIR  the folder of the own PostgreSQL (default .data)`

await orSayWhy(async () => {
  const [named = `blastomix-${new Date().toISOString().slice(0, 16).replace(/[T:]/g, '-')}.backup`, ...more] =
    process.argv.slice(2)
  if (/^(-h|--help)$/.test(named)) return console.log(HELP)
  if (more.length || named.startsWith('-')) throw new Trouble('./backup takes the name of one file, or none.')
  const file = resolve(process.env.BLASTOMIX_CALLED_FROM ?? '.', named)
  checkNode()
  await ensurePackages(['postgresql'])
  await installPackages()
  const { writeBackup } = await import('./backup-file.mjs')
  const tell = ({ rows, bytes }) =>
    console.log(`${file}: ${rows} rows, ${Math.ceil(bytes / 1024)} kB. Keep its manifest beside it.`)
  if (process.env.DATABASE_URL) return tell(await writeBackup(process.env.DATABASE_URL, file))
  const cluster = new Cluster(process.env.BLASTOMIX_DATA_DIR || '.data')
  if (!cluster.isThere) throw new Trouble(`There is nothing to back up in ${cluster.folder}.`)
  const wasRunning = cluster.isRunning
  try {
    tell(await writeBackup(await cluster.start(), file))
  } finally {
    if (!wasRunning) await cluster.stop()
  }
})
