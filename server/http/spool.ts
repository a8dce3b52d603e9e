import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { getRequestHeader, type H3Event } from 'h3'
import { HttpProblem } from './problem-json'
import { giveUp } from './read-json'

const WITHIN_MS = 10 * 60_000

/**
 * Hands a body that may be large to `read` as a file, and takes the file away again: nothing of it is held in memory.
 *
 * @throws HttpProblem 413, 415, 408
 */
export async function spooled<Answer>(
  event: H3Event,
  { type, most, what }: { type: string; most: number; what: string },
  read: (file: string) => Promise<Answer>,
): Promise<Answer> {
  const { req } = event.node
  const tooLarge = new HttpProblem(413, `${what} has at most ${Math.round(most / 1024 / 1024)} MB.`)
  // A page of another site cannot send this type without asking first.
  if (!(getRequestHeader(event, 'content-type') ?? '').toLowerCase().startsWith(type))
    return giveUp(event, new HttpProblem(415, `Send it as ${type}.`))
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > most) return giveUp(event, tooLarge)
  const folder = await mkdtemp(join(tmpdir(), 'blastomix-sent-'))
  try {
    const file = join(folder, 'body')
    let bytes = 0
    const bounded = new Transform({
      transform(chunk: Buffer, _, next) {
        bytes += chunk.length
        next(bytes > most ? tooLarge : null, chunk)
      },
    })
    const signal = AbortSignal.timeout(WITHIN_MS)
    await pipeline(req, bounded, createWriteStream(file, { mode: 0o600 }), { signal }).catch(
      (error: unknown) => {
        throw error === tooLarge
          ? tooLarge
          : new HttpProblem(408, `${what} did not arrive whole. Send it again.`)
      },
    )
    return await read(file)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** A checksum of a file that may be large. */
export async function fileDigest(file: string): Promise<string> {
  const digest = createHash('sha256')
  await pipeline(createReadStream(file), digest)
  return digest.digest('base64')
}
