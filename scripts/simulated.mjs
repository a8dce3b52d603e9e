import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { freePort } from './port.mjs'

const ROOT = fileURLToPath(new URL('..', import.meta.url))
const BUNDLE = '.output/simulated.mjs'

/** The simulated bench as one file, made of simulated/ and core. */
export async function buildSimulated() {
  const { build } = await import('esbuild')
  await build({
    absWorkingDir: ROOT,
    entryPoints: ['simulated/main.ts'],
    outfile: BUNDLE,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    tsconfig: 'tsconfig.tools.json',
    logLevel: 'error',
  })
}

/**
 * Where its services will listen, as the application is told before it starts.
 * @returns {Promise<{ forecastPort: number, printerPort: number, env: Record<string, string> }>}
 */
export async function placeForSimulated() {
  const forecastPort = await freePort()
  let printerPort = await freePort()
  while (printerPort === forecastPort) printerPort = await freePort()
  return {
    forecastPort,
    printerPort,
    env: {
      BLASTOMIX_FORECAST: process.env.BLASTOMIX_FORECAST || `http://127.0.0.1:${forecastPort}/`,
      BLASTOMIX_LABEL_PRINTER: process.env.BLASTOMIX_LABEL_PRINTER || `http://127.0.0.1:${printerPort}/`,
    },
  }
}

/**
 * The simulated bench beside a running application; it leaves with the process that started it.
 * @param {{ address: string, forecastPort: number, printerPort: number, say?: boolean }} options
 */
export async function startSimulated({ address, forecastPort, printerPort, say = false }) {
  if (!existsSync(`${ROOT}/${BUNDLE}`)) await buildSimulated()
  return spawn(process.execPath, [BUNDLE, address, String(forecastPort), String(printerPort)], {
    cwd: ROOT,
    stdio: ['ignore', say ? 'inherit' : 'ignore', say ? 'inherit' : 'ignore', 'ipc'],
  })
}

/** By itself, beside an application that runs already: `npm run bench-devices`. */
if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { readFileSync } = await import('node:fs')
  const folder = process.env.BLASTOMIX_DATA_DIR || '.data'
  const running = existsSync(`${folder}/running.json`)
    ? JSON.parse(readFileSync(`${folder}/running.json`, 'utf8')).port
    : 3000
  const address = process.argv[2] ?? process.env.BLASTOMIX_URL ?? `http://127.0.0.1:${running}`
  await buildSimulated()
  const { forecastPort, printerPort } = await placeForSimulated()
  await startSimulated({ address, forecastPort, printerPort, say: true })
}
