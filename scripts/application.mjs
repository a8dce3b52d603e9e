import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { Trouble } from './trouble.mjs'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/**
 * The application as a child process, answering when this resolves.
 * @param {{ host: string, port: number, databaseUrl: string, demo: boolean, dev?: boolean }} options
 */
export async function startApplication({ host, port, databaseUrl, demo, dev = false }) {
  const args = dev
    ? ['node_modules/nuxt/bin/nuxt.mjs', 'dev', '--host', host, '--port', String(port)]
    : ['--import', './scripts/leave-with-parent.mjs', '.output/server/index.mjs']
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: dev ? 'development' : 'production',
      HOST: host,
      PORT: String(port),
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      DATABASE_URL: databaseUrl,
      BLASTOMIX_DEMO: demo ? '1' : '0',
    },
  })
  child.stdout.on('data', (chunk) => {
    for (const line of String(chunk).split('\n'))
      if (line.trim() && (dev || !/^Listening on/.test(line))) console.log(line)
  })
  const address = `http://${host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host}:${port}`
  await answering(child, address, dev ? 120_000 : 30_000)
  return { child, address }
}

async function answering(child, address, patienceMs) {
  const until = Date.now() + patienceMs
  while (Date.now() < until) {
    if (child.exitCode !== null)
      throw new Trouble('The application stopped while starting; its reason stands above.')
    try {
      if ((await fetch(`${address}/api/health`)).ok) return
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
