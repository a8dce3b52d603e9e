import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { PassThrough, type Readable } from 'node:stream'
import * as yauzl from 'yauzl'
import {
  ARCHIVE_VERSION,
  lineOf,
  manifest,
  MAX_LINE_BYTES,
  MAX_PHOTO_BYTES,
  oneOf,
  type ArchiveKind,
  type Manifest,
} from '#shared/archive/format'
import { fileIn, upgraded, upgradedManifest } from '#shared/archive/upgrade'
import { problemsFrom } from '#shared/records/rules'
import { UNTOLD, type Going } from '../../http/as-it-goes'
import { cleaned } from '../../http/clean'
import { invalid } from '../refusal'

/** What an archive of ours never is: more files, or text that unfolds to more, than twenty years of a household. */
const MAX_FILES = 20_000
const MAX_TEXT_BYTES = 1024 ** 3
/** JSON Lines of records fold to a tenth or so, never to a thousandth. */
const MAX_UNFOLDING = 400
const NAMES = /^(manifest\.json|README\.md|[a-zA-Z-]+\.jsonl|photos\/(?:[0-9a-f-]{36}\.webp)?)$/

const refused = (message: string) => invalid([{ path: ['archive'], message }])

/** Pictures are made small and looked at: one takes as long as so many lines. */
const LINES_A_PHOTO = 50

export interface ReadArchive {
  readonly manifest: Manifest
  /** The lines of a kind, each checked, as the present version has them; none where the file is left out. @throws Refusal */
  readonly lines: (kind: ArchiveKind) => AsyncGenerator<unknown>
  /** @throws Refusal where it is missing or too large */
  readonly photo: (fileId: string) => Promise<Buffer>
  /** @throws Refusal where nobody waits for it any more */
  readonly stillWanted: () => void
  readonly close: () => void
}

/** Work nobody is told of. */

/**
 * An archive in a file, or in memory where it is a small one of ours, looked at without unfolding more than a line of it.
 *
 * @throws Refusal 422 in words of what is wrong
 */
export async function readArchive(file: string | Buffer, going: Going = UNTOLD): Promise<ReadArchive> {
  const zip = await opened(file)
  try {
    const members = await membersOf(zip)
    const text = members.get('manifest.json')
    if (!text)
      throw refused(
        'This zip is no archive of Blastomix: it has no manifest.json. Choose a file that was written under Settings, In and out.',
      )
    const found = manifestFrom(await whole(zip, text, MAX_LINE_BYTES))
    const all = Object.values(found.lines).reduce((sum, n) => sum + n, found.photos * LINES_A_PHOTO)
    let read = 0
    const stillWanted = () => {
      if (going.signal.aborted) throw refused('It was stopped. Nothing was imported.')
    }
    const readOn = (lines: number) => {
      stillWanted()
      read += lines
      going.went(Math.min(1, read / Math.max(1, all)))
    }
    return {
      manifest: found,
      lines: async function* (kind) {
        for await (const line of linesOf(
          zip,
          members.get(fileIn(found.version, kind)),
          kind,
          found.version,
        )) {
          readOn(1)
          yield line
        }
      },
      photo: async (fileId) => {
        const member = members.get(`photos/${fileId}.webp`)
        if (!member) throw refused(`The picture ${fileId} is missing from the archive.`)
        readOn(LINES_A_PHOTO)
        return whole(zip, member, MAX_PHOTO_BYTES)
      },
      stillWanted,
      close: () => zip.close(),
    }
  } catch (error) {
    zip.close()
    throw error
  }
}

const opened = (file: string | Buffer): Promise<yauzl.ZipFile> =>
  new Promise((resolve, reject) => {
    const how = { lazyEntries: true, autoClose: false, validateEntrySizes: true, strictFileNames: true }
    const done = (error: Error | null, zip: yauzl.ZipFile) =>
      error ? reject(refused('This is no zip file, or it was cut off on its way.')) : resolve(zip)
    if (typeof file === 'string') yauzl.open(file, how, done)
    else yauzl.fromBuffer(file, how, done)
  })

/** The table of contents, refused where it names what no archive has. */
function membersOf(zip: yauzl.ZipFile): Promise<Map<string, yauzl.Entry>> {
  const members = new Map<string, yauzl.Entry>()
  let textBytes = 0
  return new Promise((resolve, reject) => {
    const no = (message: string) => reject(refused(message))
    // Names with a drive, a backslash or a way upwards are refused by the library itself.
    zip.on('error', () =>
      no('A file in this zip has a name that leads out of it, or the zip is damaged. Nothing was read.'),
    )
    zip.on('end', () => resolve(members))
    zip.on('entry', (entry: yauzl.Entry) => {
      const { fileName, compressedSize, uncompressedSize } = entry
      if (!NAMES.test(fileName))
        return no(
          `This zip holds “${fileName.slice(0, 60)}”, which no archive of Blastomix has. Nothing was read.`,
        )
      if (members.has(fileName)) return no(`This zip holds ${fileName} twice. Nothing was read.`)
      if (members.size >= MAX_FILES)
        return no(`This zip holds more than ${MAX_FILES} files. Nothing was read.`)
      if (!fileName.startsWith('photos/')) textBytes += uncompressedSize
      if (
        textBytes > MAX_TEXT_BYTES ||
        (uncompressedSize > MAX_LINE_BYTES && uncompressedSize > compressedSize * MAX_UNFOLDING)
      )
        return no(`${fileName} would unfold to far more than a household keeps. Nothing was read.`)
      if (entry.isEncrypted()) return no(`${fileName} is locked with a password. Nothing was read.`)
      members.set(fileName, entry)
      zip.readEntry()
    })
    zip.readEntry()
  })
}

function manifestFrom(text: Buffer): Manifest {
  let said: unknown
  try {
    said = JSON.parse(text.toString('utf8'))
  } catch {
    throw refused('manifest.json of this archive is not JSON.')
  }
  const read = manifest.safeParse(upgradedManifest(said))
  if (!read.success)
    throw refused(`manifest.json of this archive: ${first(problemsFrom(read.error)).message}`)
  if (read.data.version > ARCHIVE_VERSION)
    throw refused(
      `This archive is of version ${read.data.version} of the format; this Blastomix reads up to ${ARCHIVE_VERSION}. Bring Blastomix up to date first.`,
    )
  return read.data
}

/** A member as it unfolds; what the library hands out is let through a stream that ends and fails as Node’s own do. */
const streamOf = (zip: yauzl.ZipFile, entry: yauzl.Entry): Promise<Readable> =>
  new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => {
      if (error) return reject(damaged(entry.fileName))
      const through = new PassThrough()
      stream.once('error', () => through.destroy(damaged(entry.fileName)))
      resolve(stream.pipe(through))
    }),
  )
const damaged = (fileName: string) => refused(`${fileName} is damaged. Nothing was taken in.`)

async function whole(zip: yauzl.ZipFile, entry: yauzl.Entry, most: number): Promise<Buffer> {
  if (entry.uncompressedSize > most) throw refused(`${entry.fileName} is too large.`)
  const chunks: Buffer[] = []
  for await (const chunk of await streamOf(zip, entry)) chunks.push(chunk as Buffer)
  return Buffer.concat(chunks)
}

async function* linesOf(
  zip: yauzl.ZipFile,
  entry: yauzl.Entry | undefined,
  kind: ArchiveKind,
  version: number,
): AsyncGenerator<unknown> {
  if (!entry) return
  const shape = lineOf(kind)
  let at = 0
  for await (const text of textLines(zip, entry)) {
    at++
    if (text.trim() === '') continue
    const where = `${entry.fileName}, line ${at}`
    let said: unknown
    try {
      said = JSON.parse(text, cleaned)
    } catch {
      throw refused(`${where} is not JSON.`)
    }
    if (typeof said !== 'object' || said === null || Array.isArray(said))
      throw refused(`${where} is no ${oneOf(kind)}.`)
    const read = shape.safeParse(upgraded(version, kind, said as Record<string, unknown>))
    if (!read.success) {
      const [problem] = problemsFrom(read.error)
      throw refused(`${where}: ${present(problem).path.join('.')}: ${present(problem).message}`)
    }
    yield read.data
  }
}

async function* textLines(zip: yauzl.ZipFile, entry: yauzl.Entry): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true })
  let rest = ''
  const decoded = (chunk?: Buffer) => {
    try {
      return chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode()
    } catch {
      throw refused(`${entry.fileName} is not UTF-8.`)
    }
  }
  for await (const chunk of await streamOf(zip, entry)) {
    const parts = (rest + decoded(chunk as Buffer)).split('\n')
    rest = present(parts.pop())
    if (rest.length > MAX_LINE_BYTES) throw refused(`A line of ${entry.fileName} is longer than any record.`)
    yield* parts
  }
  rest += decoded()
  if (rest) yield rest
}
