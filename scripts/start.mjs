import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { bornAt, isStill } from './alive.mjs'
import { startApplication, stopApplication } from './application.mjs'
import { Cluster } from './cluster.mjs'
import { buildApplication, checkNode, installPackages } from './install.mjs'
import { ensurePackages } from './packages.mjs'
import { isFree } from './port.mjs'
import { Restarts } from './restarts.mjs'
import { endCommands } from './run.mjs'
import { placeForSimulated, startSimulated } from './simulated.mjs'
import { buildThreads, PICTURES, THREAD } from './threads.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

const HELP = `./start [options]

  --port N    listen on this port (default 3000, or the next free one)
  --host H    listen on this address (default 127.0.0.1, this machine only)
  --trust-network   with --host: everybody who reaches that address may read and change everything
  --name N    another name this machine is called by in the network (may be given again)
  --empty     begin without the demo household
  --dev       reload as sources change, for those who work on Blastomix

  DATABASE_URL        use this PostgreSQL instead of an own one: a superuser, which sets up the roles that are needed; or the
                      role of the application, which sees the household that is set, with these two beside it
  DATABASE_OWNER_URL         owns the tables and runs migrations (bypassrls)
  DATABASE_HOUSEKEEPING_URL  reads and writes the rows of every household (bypassrls)
  BLASTOMIX_COPIES=1   several copies share this database: how often something is asked is counted there
  BLASTOMIX_SIMULATED=off  start the demo without its simulated devices
  BLASTOMIX_DATA_DIR  keep the own PostgreSQL in this folder (default .data)`

const DEFAULT_PORT = 3000
const WATCH_MS = 1000
const LOOPBACK = /^(127\.\d+\.\d+\.\d+|::1|localhost)$/

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        port: { type: 'string' },
        host: { type: 'string', default: '127.0.0.1' },
        empty: { type: 'boolean', default: false },
        'trust-network': { type: 'boolean', default: false },
        name: { type: 'string', multiple: true, default: [] },
        dev: { type: 'boolean', default: false },
        help: { type: 'boolean', short: 'h', default: false },
      },
    })
    const port = values.port === undefined ? undefined : Number(values.port)
    if (port !== undefined && !(Number.isInteger(port) && port > 0 && port < 65536))
      throw new Trouble(`--port takes a number from 1 to 65535, not '${values.port}'.`)
    if (!LOOPBACK.test(values.host) && !values['trust-network'])
      throw new Trouble(
        `--host ${values.host} lets everybody who can reach this machine there read and change everything: there is no sign-in. If that is what you want, say so with --trust-network.`,
      )
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
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const file = join(folder, 'running.json')
  const other = readJson(file)
  if (isStill(other.pid, other.born))
    throw new Trouble(
      `Blastomix already runs from this folder, on port ${other.port} (process ${other.pid}).`,
    )
  writeFileSync(file, JSON.stringify({ pid: process.pid, born: bornAt(process.pid), port }))
  return () => rmSync(file, { force: true })
}

/** What a file says; nothing where it is missing or torn. */
function readJson(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8')) ?? {}
  } catch {
    return {}
  }
}

await orSayWhy(async () => {
  const options = readOptions()
  if (options.help) return console.log(HELP)
  checkNode()
  const { host } = options
  const port = await choosePort(options.port, host)
  const ownDatabase = !process.env.DATABASE_URL
  const folder = process.env.BLASTOMIX_DATA_DIR || '.data'

  let leaveFolder = () => {}
  let cluster, application, bench, backups, book, watch, stopping
  const stop = () =>
    (stopping ??= (async () => {
      clearInterval(watch)
      if (!cluster) endCommands()
      bench?.kill()
      if (application) await stopApplication(application)
      await backups?.end()
      await cluster?.stop()
      await book?.close()
      leaveFolder()
    })())
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => stop().then(() => process.exit(0)))

  if (ownDatabase) await ensurePackages(['postgresql'])
  await installPackages()
  if (!options.dev) await buildApplication()
  else await buildThreads()

  /** Too often is too often: what still stands is stopped, and the reason is in the log. */
  const restarts = new Restarts(Number(process.env.BLASTOMIX_RESTARTS || 5))
  async function again(what, how) {
    if (stopping) return
    console.error(`${what} stopped unexpectedly and is started again.`)
    if (await restarts.next()) {
      try {
        if (!stopping) await how()
        return
      } catch (error) {
        book.log.error({ code: error.code }, `${what} did not start again`)
        return again(what, how)
      }
    }
    console.error(`${what} keeps stopping. Look into ${join(folder, 'log')}.`)
    await stop()
    process.exit(1)
  }

  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
    if (ownDatabase) leaveFolder = takeFolder(folder, port)
    const { openLog } = await import('./log.mjs')
    book = await openLog(join(folder, 'log'))
    let superuserUrl
    if (ownDatabase) {
      cluster = new Cluster(folder)
      superuserUrl = await cluster.start()
    }
    const { setUpRoles, rolesOf } = await import('./roles.mjs')
    const { ownerUrl, applicationUrl, housekeepingUrl } = superuserUrl
      ? await setUpRoles(superuserUrl)
      : await rolesOf(process.env)
    if (ownDatabase) {
      const { DailyBackup } = await import('./daily-backup.mjs')
      backups = new DailyBackup(join(folder, 'backups'), ownerUrl, book.log)
    }
    const { migrateDatabase } = await import('./migrate.mjs')
    await migrateDatabase(ownerUrl)

    // With the demo comes the simulated bench: its forecast, its label printer, its devices.
    const alone = options.empty || options.dev || process.env.BLASTOMIX_SIMULATED === 'off'
    const place = alone ? null : await placeForSimulated()
    const startOne = async () => {
      const started = await startApplication({
        host,
        port,
        databaseUrl: applicationUrl,
        housekeepingUrl,
        names: options.name,
        demo: !options.empty,
        dev: options.dev,
        backups,
        book,
        env: {
          ...place?.env,
          ...(options.dev && { BLASTOMIX_THREADS: THREAD, BLASTOMIX_PICTURES: PICTURES }),
        },
      })
      application = started.child
      application.once('exit', (code, signal) => {
        if (stopping) return
        book.log.error({ code, signal }, 'the application ended')
        void again('The application', startOne)
      })
      return started.address
    }
    const address = await startOne()
    if (place) bench = await startSimulated({ address, ...place })
    book.log.info({ port }, 'ready')
    await backups?.begin().catch((error) => book.log.warn({ code: error.code }, 'the schedule of backups'))
    if (cluster) watch = watchDatabase(cluster, book.log, again)
    console.log(`Blastomix is ready at ${address} (Ctrl-C stops it)`)
    if (!LOOPBACK.test(host))
      console.log(
        'Everybody who reaches this address may read and change everything: there is no sign-in yet.',
      )
  } catch (error) {
    await stop()
    throw error
  }
})

/** PostgreSQL is looked at now and then; where it is gone it is started again at the port the application knows. */
function watchDatabase(cluster, log, again) {
  let busy = false
  return setInterval(async () => {
    if (busy || cluster.isRunning) return
    busy = true
    log.error('the database ended')
    await again('The database', () => cluster.start(cluster.port))
    busy = false
  }, WATCH_MS)
}
