import { first } from '#core/numeric/at'
import type { IncomingMessage } from 'node:http'
import { getRequestHeader, setResponseHeader, type H3Event } from 'h3'
import { cleaned, NotReadable } from './clean'
import { HttpProblem } from './problem-json'

export const MAX_BODY_BYTES = 256 * 1024
const BODY_WITHIN_MS = 30_000

/** The request's JSON body. @throws HttpProblem 413, 415 or 400 */
export async function readJson(
  event: H3Event,
  type = 'application/json',
  most = MAX_BODY_BYTES,
): Promise<unknown> {
  const body = await readJsonBytes(event, type, most)
  try {
    return JSON.parse(body.toString('utf8'), cleaned)
  } catch (error) {
    throw new HttpProblem(400, error instanceof NotReadable ? error.message : 'The body is not valid JSON.')
  }
}

/** The same, not read yet. @throws HttpProblem 413, 415, 408 */
export async function readJsonBytes(
  event: H3Event,
  type = 'application/json',
  most = MAX_BODY_BYTES,
): Promise<Buffer> {
  const { req } = event.node
  // A page of another site cannot send this type without asking first.
  const said = first((getRequestHeader(event, 'content-type') ?? '').toLowerCase().split(';')).trim()
  if (said !== type) return giveUp(event, new HttpProblem(415, `Send the body as ${type}.`))
  const tooLarge = new HttpProblem(413, `A body has at most ${most / 1024} kB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) return giveUp(event, tooLarge)
  const body = await readAtMost(req, most)
  if (body === 'too large') return giveUp(event, tooLarge)
  if (body === 'too slow') return giveUp(event, new HttpProblem(408, 'The body took too long to arrive.'))
  return body
}

/** A body that is a file. @throws HttpProblem 413, 408 */
export async function readFile(event: H3Event, most: number, what = 'A picture'): Promise<Buffer> {
  const tooLarge = new HttpProblem(413, `${what} has at most ${most / 1024 / 1024} MB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) return giveUp(event, tooLarge)
  const body = await readAtMost(event.node.req, most)
  if (body === 'too large') return giveUp(event, tooLarge)
  if (body === 'too slow') return giveUp(event, new HttpProblem(408, `${what} took too long to arrive.`))
  return body
}

/** The whole body, or why there is none. */
function readAtMost(request: IncomingMessage, most: number): Promise<Buffer | 'too large' | 'too slow'> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = []
    const patience = setTimeout(() => resolve('too slow'), BODY_WITHIN_MS)
    let bytes = 0
    const read = (chunk: Buffer) => {
      bytes += chunk.length
      if (bytes <= most) return chunks.push(chunk)
      request.off('data', read)
      clearTimeout(patience)
      return resolve('too large')
    }
    request.on('data', read)
    request.once('end', () => {
      clearTimeout(patience)
      resolve(Buffer.concat(chunks))
    })
    request.once('error', (error) => {
      clearTimeout(patience)
      reject(error)
    })
  })
}

/** A refused body that says it is no larger is let go by to its end: who still sends it reads the answer then. */
const LET_GO_BY_BYTES = 64 * 1024 * 1024

/**
 * Answer without the body: what still comes in is let go by. Of one that is larger, does not say, or came too slowly, the
 * connection is not used again.
 */
export function giveUp(event: H3Event, problem: HttpProblem): never {
  const said = Number(getRequestHeader(event, 'content-length') ?? Infinity)
  if (problem.status === 408 || !(said <= LET_GO_BY_BYTES)) setResponseHeader(event, 'connection', 'close')
  event.node.req.resume()
  throw problem
}
