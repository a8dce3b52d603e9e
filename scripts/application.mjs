import { spawn } from 'node:child_process'
import { hostname, networkInterfaces } from 'node:os'
import { createInterface } from 'node:readline'
import { fileURLToPath } from 'node:url'
import { Trouble } from './trouble.mjs'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/**
 * The application as a child process, answering when this resolves.
 *
 * @param {{ host: string, port: number, databaseUrl: string, housekeepingUrl: string, names?: string[], demo: boolean, dev?: boolean,
 *   env?: Record<string, string>, backups?: { folder: string }, book?: { take(line: string): void } }} options
 */
export async function startApplication({
  host,
  port,
  databaseUrl,
  housekeepingUrl,
  names = [],
  demo,
  dev = false,
  backups,
  book,
  env = {},
}) {
  const args = dev
    ? ['node_modules/nuxt/bin/nuxt.mjs', 'dev', '--host', host, '--port', String(port)]
    : [
        // A browser with a jar full of cookies is answered, not cut off.
        '--max-http-header-size=131072',
        '--import',
        './scripts/leave-with-parent.mjs',
        '.output/server/index.mjs',
      ]
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    env: {
      ...process.env,
      ...env,
      NODE_ENV: dev ? 'development' : 'production',
      HOST: host,
      PORT: String(port),
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      DATABASE_URL: databaseUrl,
      DATABASE_HOUSEKEEPING_URL: housekeepingUrl,
      DATABASE_OWNER_URL: '',
      BLASTOMIX_DEMO: demo ? '1' : '0',
      BLASTOMIX_HOSTS: hostNames(host, names).join(','),
      BLASTOMIX_BACKUPS: backups?.folder ?? '',
    },
  })
  for (const stream of [child.stdout, child.stderr])
    createInterface({ input: stream }).on('line', (line) => {
      book?.take(line)
      if (line.trim() && (dev || !/^Listening on|^\{"level"/.test(line))) console.log(line)
    })
  const address = `http://${host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host}:${port}`
  await answering(child, address, dev ? 120_000 : 30_000)
  return { child, address }
}

/** Names this machine answers to: those of itself, those of the address it listens on, and those it was given. */
function hostNames(host, given) {
  const own = ['localhost', '127.0.0.1', '[::1]', ...given]
  if (host !== '0.0.0.0' && host !== '::') return [...own, host]
  const addresses = Object.values(networkInterfaces()).flatMap((list) =>
    list.map(({ address, family }) => (family === 'IPv6' ? `[${address.replace(/%.*/, '')}]` : address)),
  )
  return [...own, ...addresses, hostname(), `${hostname()}.local`]
}

async function answering(child, address, patienceMs) {
  const until = Date.now() + patienceMs
  while (Date.now() < until) {
    if (child.exitCode !== null)
      throw new Trouble('The application stopped while starting; its reason stands above.')
    try {
      if ((await fetch(`${address}/api/ready`)).ok) return
    } catch {
      // not listening yet
    }
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  child.kill()
  throw new Trouble(`The application did not answer at ${address} within ${patienceMs / 1000} seconds.`)
}

/** Ask it to stop, and wait until it has. */
export function stopApplication(child) {
  if (child.exitCode !== null || child.signalCode) return Promise.resolve()
  return new Promise((resolve) => {
    const impatient = setTimeout(() => child.kill('SIGKILL'), 5000)
    child.once('exit', () => {
      clearTimeout(impatient)
      resolve()
    })
    child.kill('SIGTERM')
  })
}
