import { fileURLToPath } from 'node:url'

const ROOT = fileURLToPath(new URL('..', import.meta.url))

/** What leaves the thread of the requests, each as one file: computations and papers, and pictures (server/threads, server/pictures). */
export const THREAD = '.output/server/thread.mjs'
export const PICTURES = '.output/server/pictures.mjs'

export async function buildThreads() {
  const { build } = await import('esbuild')
  for (const [entry, outfile] of [
    ['server/threads/thread.ts', THREAD],
    ['server/pictures/process.ts', PICTURES],
  ])
    await build({
      absWorkingDir: ROOT,
      entryPoints: [entry],
      outfile,
      bundle: true,
      packages: 'external',
      platform: 'node',
      format: 'esm',
      target: 'node20',
      tsconfig: 'tsconfig.tools.json',
      logLevel: 'error',
    })
}
