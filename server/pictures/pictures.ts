import { fork, type ChildProcess } from 'node:child_process'
import { dirname, join, resolve } from 'node:path'
import { invalid, Refusal } from '../services/refusal'
import type { SmallPicture } from './picture'
import type { Answered, Asked } from './process'

/* Pictures are unfolded one after the other by a process of its own. So many wait, the next is told when to come back. */

const WAITING = 24
const PATIENCE_MS = 20_000
const IDLE_MS = 60_000

interface Order {
  readonly make: Asked['make']
  readonly sent: Uint8Array
  readonly done: (answer: Answered) => void
  readonly failed: (error: unknown) => void
}

let child: ChildProcess | null = null
let idle: NodeJS.Timeout | undefined
let busy = false
let count = 0
const waiting: Order[] = []

/** @throws Refusal 422 for what is no picture, 503 where too many wait */
export const makeSmall = (sent: Uint8Array) => picture('small', sent) as Promise<SmallPicture>
/** A WebP of an archive, with its thumbnail. @throws Refusal 422, 503 */
export const makeClean = (sent: Uint8Array) =>
  picture('clean', sent) as Promise<Pick<SmallPicture, 'image' | 'thumbnail'>>

async function picture(make: Asked['make'], sent: Uint8Array) {
  if (waiting.length >= WAITING)
    throw new Refusal(
      503,
      `${WAITING} pictures wait to be made small already. Send it again in a moment.`,
      [],
      {
        afterS: 5,
      },
    )
  const answer = await new Promise<Answered>((done, failed) => {
    waiting.push({ make, sent, done, failed })
    void next()
  })
  if ('made' in answer) return answer.made
  if ('refused' in answer) throw refused(answer.refused)
  throw new Error(answer.fault)
}
const refused = (message: string) => invalid([{ path: ['picture'], message }])

async function next(): Promise<void> {
  const order = busy ? undefined : waiting.shift()
  if (!order) return
  busy = true
  clearTimeout(idle)
  try {
    order.done(await ask(order))
  } catch (error) {
    order.failed(error)
  }
  busy = false
  if (waiting.length) return next()
  idle = setTimeout(stop, IDLE_MS)
  idle.unref()
}

/** One that takes too long, or brings the process down, is refused: the next picture gets a fresh process. */
function ask({ make, sent }: Order): Promise<Answered> {
  const own = (child ??= begin())
  const id = ++count
  return new Promise((done, failed) => {
    const give = (what: () => void) => {
      clearTimeout(patience)
      own.off('message', heard).off('exit', ended)
      what()
    }
    const heard = (answer: Answered) => answer.id === id && give(() => done(answer))
    const ended = () => {
      child = null
      give(() => failed(refused('This picture cannot be read: it takes too long or too much memory.')))
    }
    const patience = setTimeout(() => own.kill('SIGKILL'), PATIENCE_MS)
    own.on('message', heard).once('exit', ended)
    own.send({ id, make, sent } satisfies Asked)
  })
}

function begin(): ChildProcess {
  const file = resolve(process.env.BLASTOMIX_PICTURES || join(dirname(process.argv[1] ?? ''), 'pictures.mjs'))
  const own = fork(file, [], {
    serialization: 'advanced',
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  own.once('exit', () => {
    if (child === own) child = null
  })
  own.unref()
  own.channel?.unref()
  return own
}

function stop() {
  child?.kill()
  child = null
}
export const closePictures = stop
