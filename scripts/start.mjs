import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { isAlive } from './alive.mjs'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { buildApplication, checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { isFree } from './port.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

const HELP = `./start [options]

  --port N    listen on this port (default 3000, or the next free one)
  --host H    listen on this address (default 127.0.0.1, this machine only)
  --empty     begin without the demo household
  --dev       reload as sources change, for those who work on Blastomix

  DATABASE_URL        use this PostgreSQL instead of an own one
  BLASTOMIX_DATA_DIR  keep the own PostgreSQL in this folder (default .data)`

const DEFAULT_PORT = 3000

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string' },
        host: { type: 'string', default: '127.0.0.1' },
        empty: { type: 'boolean', default: false },
        dev: { type: 'boolean', default: false },
        help: { type: 'boolean', short: 'h', default: false },
      },
    })
    const port = values.port === undefined ? undefined : Number(values.port)
    if (port !== undefined && !(Number.isInteger(port) && port > 0 && port < 65536))
      throw new Trouble(`--port takes a number from 1 to 65535, not '${values.port}'.`)
    return { ...values, port }
  } catch (error) {
    throw error instanceof Trouble
      ? error
      : new Trouble(`${error.message.split('. ')[0]}. ./start --help lists the options.`)
  }
}

async function choosePort(wanted, host) {
  if (wanted !== undefined) {
    if (!(await isFree(wanted, host)))
      throw new Trouble(`Port ${wanted} is in use. Choose another with --port.`)
    return wanted
  }
  for (let port = DEFAULT_PORT; port < DEFAULT_PORT + 50; port++) if (await isFree(port, host)) return port
  throw new Trouble(`No port from ${DEFAULT_PORT} on is free. Choose one with --port.`)
}

/** One running application a data folder. */
function takeFolder(folder, port) {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'running.json')
  if (existsSync(file)) {
    const { pid, port: taken } = JSON.parse(readFileSync(file, 'utf8') || '{}')
    if (isAlive(pid, 'start.mjs'))
      throw new Trouble(`Blastomix already runs from this folder, on port ${taken} (process ${pid}).`)
  }
  writeFileSync(file, JSON.stringify({ pid: process.pid, port }))
  return () => rmSync(file, { force: true })
}

await orSayWhy(async () => {
  const options = readOptions()
  if (options.help) return console.log(HELP)
  checkNode()
  const { host } = options
  const port = await choosePort(options.port, host)
  const ownDatabase = !process.env.DATABASE_URL
  const folder = process.env.BLASTOMIX_DATA_DIR || '.data'
  if (ownDatabase) await ensurePackages(['postgresql'])
  await installPackages()
  if (!options.dev) await buildApplication()

  let leaveFolder = () => {}
  let cluster
  let application
  let stopping
  const stop = () =>
    (stopping ??= (async () => {
      if (application) await stopApplication(application)
      await cluster?.stop()
      leaveFolder()
    })())
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => stop().then(() => process.exit(0)))

  try {
    let databaseUrl = process.env.DATABASE_URL
    if (ownDatabase) {
      leaveFolder = takeFolder(folder, port)
      cluster = new Cluster(folder)
      databaseUrl = await cluster.start()
    }
    const { migrateDatabase } = await import('./migrate.mjs')
    await migrateDatabase(databaseUrl)
    const started = await startApplication({
      host,
      port,
      databaseUrl,
      demo: !options.empty,
      dev: options.dev,
    })
    application = started.child
    application.once('exit', async (code) => {
      if (stopping) return
      console.error('The application stopped unexpectedly.')
      await stop()
      process.exit(code || 1)
    })
    console.log(`Blastomix is ready at ${started.address} (Ctrl-C stops it)`)
  } catch (error) {
    await stop()
    throw error
  }
})
