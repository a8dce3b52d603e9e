import { getRequestHeader, type H3Event } from 'h3'
import { HttpProblem } from './problem-json'

export const MAX_BODY_BYTES = 256 * 1024

/** The request's JSON body. @throws HttpProblem 413, 415 or 400 */
export async function readJson(event: H3Event): Promise<unknown> {
  // A page of another site cannot send this type without asking first.
  if (!/^application\/json\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
    throw new HttpProblem(415, 'Send the body as application/json.')
  const tooLarge = new HttpProblem(413, `A body has at most ${MAX_BODY_BYTES / 1024} kB.`)
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > MAX_BODY_BYTES) throw tooLarge
  const chunks: Buffer[] = []
  let bytes = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    bytes += chunk.length
    if (bytes > MAX_BODY_BYTES) throw tooLarge
    chunks.push(chunk)
  }
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    throw new HttpProblem(400, 'The body is not valid JSON.')
  }
}
