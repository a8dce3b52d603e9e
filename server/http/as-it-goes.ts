import { getRequestHeader, type H3Event } from 'h3'
import { problemOf } from './problem-json'

/** JSON Lines, one for each step of the way. */
const LINES_TYPE = 'application/x-ndjson'
const SAID_EVERY_MS = 200

/** Who waits for long work: told how far it is, and free to leave. */
export interface Going {
  /** @param done of all of it, 0 to 1 */
  readonly went: (done: number) => void
  /** Aborted once nobody waits any more. */
  readonly signal: AbortSignal
}

/** Nobody waits, and nobody leaves. */
export const UNTOLD: Going = { went: () => undefined, signal: new AbortController().signal }

/**
 * Answers long work as it goes to who accepts `application/x-ndjson`: `{"done":0.4}` now and then, at the end `{"answer":…}`
 * or `{"problem":…}`. To everybody else it is answered like any other.
 */
export async function asItGoes<Answer>(
  event: H3Event,
  work: (going: Going) => Promise<Answer>,
): Promise<Answer | undefined> {
  const { res } = event.node
  const left = new AbortController()
  if (res.destroyed) left.abort()
  res.once('close', () => {
    if (!res.writableFinished) left.abort()
  })
  if (!(getRequestHeader(event, 'accept') ?? '').includes(LINES_TYPE))
    return work({ went: () => undefined, signal: left.signal })
  res.writeHead(200, { 'content-type': LINES_TYPE, 'cache-control': 'no-store' })
  const say = (line: object) => res.write(`${JSON.stringify(line)}\n`)
  let said = 0
  const went = (done: number) => {
    if (Date.now() - said < SAID_EVERY_MS) return
    said = Date.now()
    say({ done: Math.round(done * 1000) / 1000 })
  }
  try {
    went(0)
    say({ answer: await work({ went, signal: left.signal }) })
  } catch (error) {
    say({ problem: problemOf(error) })
  }
  res.end()
}
