import { chmodSync, mkdirSync } from 'node:fs'
import { join } from 'node:path'
import pino from 'pino'
import roll from 'pino-roll'

/**
 * The log: one JSON object a line, in files of 5 MB of which the last five are kept. What people wrote never stands in it.
 * A disk that is full costs lines of the log and nothing else.
 */
export async function openLog(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  try {
    chmodSync(folder, 0o700)
  } catch {
    // A disk that only reads is told of where it is written to.
  }
  const stream = await roll({
    file: join(folder, 'blastomix'),
    extension: '.log',
    size: '5m',
    limit: { count: 5 },
    mkdir: true,
  })
  stream.on('error', () => {})
  const log = pino({ base: { part: 'keeper' } }, stream)
  return {
    log,
    /** A line the application printed: its own log lines go in as they are, of anything else only where it came from. */
    take(line) {
      if (/^\{"level":\d+,.*\}$/.test(line)) stream.write(`${line}\n`)
      else if (/^\s+at |^\w*(Error|Exception)\b/.test(line))
        log.error({
          part: 'application',
          trace: line.replace(/:.*$/, (rest) => (/^\s+at /.test(line) ? rest : '')).trim(),
        })
    },
    close: () => new Promise((resolve) => (stream.once('close', resolve), stream.end())),
  }
}
