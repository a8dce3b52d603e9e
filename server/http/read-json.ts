import type { IncomingMessage } from 'node:http'
import { getRequestHeader, setResponseHeader, type H3Event } from 'h3'
import { HttpProblem } from './problem-json'

export const MAX_BODY_BYTES = 256 * 1024

/** The request's JSON body. @throws HttpProblem 413, 415 or 400 */
export async function readJson(event: H3Event): Promise<unknown> {
  const { req } = event.node
  // A page of another site cannot send this type without asking first.
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    return giveUp(event, new HttpProblem(415, 'Send the body as application/json.'))
  const tooLarge = new HttpProblem(413, `A body has at most ${MAX_BODY_BYTES / 1024} kB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > MAX_BODY_BYTES) return giveUp(event, tooLarge)
  const body = await readAtMost(req, MAX_BODY_BYTES)
  if (body === null) return giveUp(event, tooLarge)
  try {
    return JSON.parse(body.toString('utf8'))
  } catch {
    throw new HttpProblem(400, 'The body is not valid JSON.')
  }
}

/** The whole body, or null when it is larger. */
function readAtMost(request: IncomingMessage, most: number): Promise<Buffer | null> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = []
    let bytes = 0
    const read = (chunk: Buffer) => {
      bytes += chunk.length
      if (bytes <= most) return chunks.push(chunk)
      request.off('data', read)
      return resolve(null)
    }
    request.on('data', read)
    request.once('end', () => resolve(Buffer.concat(chunks)))
    request.once('error', reject)
  })
}

/** Answer without the body: what still comes in is let go by, and the connection is not used again. */
function giveUp(event: H3Event, problem: HttpProblem): never {
  setResponseHeader(event, 'connection', 'close')
  event.node.req.resume()
  throw problem
}
