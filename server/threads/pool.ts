import { availableParallelism } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { useStorage } from 'nitropack/runtime'
import { Piscina } from 'piscina'
import { log, traceOf } from '../log'
import { fileOfFont, SUBSETS, WEIGHTS, type Weight } from '../paper/fonts'
import { Refusal } from '../services/refusal'
import type { Done, Task } from './thread'

/*
 * Long work leaves the thread that answers requests: computations and papers. So many wait, the next is told when to come back.
 */

const WAITING = 40
const PATIENCE_MS = 30_000
const IDLE_MS = 5 * 60_000
const MOST_MB = 768

let opened: Promise<Piscina> | null = null
export const openPool = () => (opened ??= open())

async function open(): Promise<Piscina> {
  const fonts = new Map<string, Uint8Array>()
  for (const subset of SUBSETS)
    for (const weight of Object.keys(WEIGHTS) as Weight[]) {
      const name = fileOfFont(subset, weight)
      const file = await useStorage('assets:fonts').getItemRaw<Uint8Array>(name)
      if (file) fonts.set(name, file)
    }
  const made = new Piscina({
    filename: resolve(process.env.BLASTOMIX_THREADS || join(dirname(process.argv[1] ?? ''), 'thread.mjs')),
    workerData: { fonts },
    // What keeps the application with who started it would end a thread.
    execArgv: [],
    minThreads: 1,
    maxThreads: Math.max(2, availableParallelism() - 1),
    maxQueue: WAITING,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  })
  made.on('error', (error) => log.warn(traceOf(error), 'a thread ended'))
  return made
}

export interface Made {
  readonly made: Done
  readonly tookMs: number
}

/** @throws Refusal 503 where too much waits already, or it takes too long */
export async function inThread(task: Task): Promise<Made> {
  const since = performance.now()
  const own = await openPool()
  try {
    const made = (await own.run(task, { signal: AbortSignal.timeout(PATIENCE_MS) })) as Done
    return { made, tookMs: performance.now() - since }
  } catch (error) {
    const { message, name } = error as Error
    if (/queue is at limit/i.test(message)) throw busy('Too much is being computed here just now.', 5)
    if (
      name === 'AbortError' ||
      name === 'TimeoutError' ||
      /OUT_OF_MEMORY/.test(String((error as { code?: string }).code))
    ) {
      log.warn(traceOf(error), 'a computation was given up')
      throw busy('This takes more than there is room for. Ask for less at once.', 30)
    }
    throw error
  }
}
const busy = (why: string, afterS: number) => new Refusal(503, `${why} Nothing was done.`, [], { afterS })

/** A paper that is set in a thread. */
export async function paperInThread(task: Exclude<Task, { do: 'compute' }>): Promise<Buffer> {
  const { made } = await inThread(task)
  if (!('bytes' in made)) throw new Error('A paper has no body.')
  return Buffer.from(made.bytes.buffer)
}

export async function closePool(): Promise<void> {
  const own = opened
  opened = null
  await (await own)?.destroy()
}
