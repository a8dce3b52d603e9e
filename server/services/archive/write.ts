import { present } from '#core/present'
import { createWriteStream } from 'node:fs'
import { mkdtemp, rm, stat } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { once } from 'node:events'
import { crc32, createDeflateRaw } from 'node:zlib'
import { Zip, ZipPassThrough, type ZipInputFile } from 'fflate'
import { and, asc, eq, gt, or, sql } from 'drizzle-orm'
import {
  ARCHIVE_FORMAT,
  ARCHIVE_KINDS,
  ARCHIVE_VERSION,
  fileOfKind,
  photoName,
  type ArchiveKind,
  type Manifest,
} from '#shared/archive/format'
import { bodyOf } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { inHousehold, type Transaction } from '../../db/door'
import { entries, households, photoFiles, revisions, weatherDays, type readings } from '../../db/schema'
import type { Principal } from '../../principal'
import { findHousehold } from '../read-records'
import { asStored, tableOf, type Row } from '../rows'
import { archiveReadme } from './readme'

/** Rows that are in memory at a time, and pictures. */
const PAGE = 500
/** Readings are many and short. */
const READINGS_PAGE = 4000
const LEVEL = 6
/** Members carry no time of their own: the same records are the same bytes. */
const EPOCH = new Date(1980, 0, 1)

export interface WrittenArchive {
  readonly file: string
  readonly bytes: number
  readonly name: string
  /** Takes the file away again. */
  readonly done: () => Promise<void>
}

/**
 * Everything a household keeps, written into a file of its own, as it stood at one moment. However much it is, a page of it
 * is in memory at a time.
 *
 * @throws Refusal 404
 */
export async function writeArchive(principal: Principal, householdId: string): Promise<WrittenArchive> {
  const { body } = await inHousehold(principal, householdId, (tx) => findHousehold(householdId, tx))
  const folder = await mkdtemp(join(tmpdir(), 'blastomix-archive-'))
  const done = () => rm(folder, { recursive: true, force: true })
  const file = join(folder, 'archive.zip')
  try {
    await inHousehold(
      principal,
      householdId,
      async (tx) => {
        const zip = new ZipFile(file)
        await writeMembers(tx, householdId, zip)
        await zip.end()
      },
      { patient: true },
    )
    const { size } = await stat(file)
    return { file, bytes: size, name: archiveName(body.name), done }
  } catch (error) {
    await done()
    throw error
  }
}
const archiveName = (name: string) =>
  `blastomix-${
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'household'
  }-${new Date().toISOString().slice(0, 10)}.zip`

async function writeMembers(tx: Transaction, householdId: string, zip: ZipFile) {
  const counts: Manifest['lines'] = {}
  for (const kind of ARCHIVE_KINDS) {
    const member = zip.text(fileOfKind(kind))
    let written = 0
    for await (const page of pagesOf(tx, householdId, kind)) {
      written += page.length
      await member.write(page.map((line) => `${JSON.stringify(line)}\n`).join(''))
    }
    await member.end()
    counts[kind] = written
  }
  for await (const { id, image } of pictures(tx, householdId)) await zip.bytes(photoName(id), image)
  const { body } = await findHousehold(householdId, tx)
  const manifest: Manifest = {
    format: ARCHIVE_FORMAT,
    version: ARCHIVE_VERSION,
    writtenAt: new Date().toISOString(),
    household: { id: householdId, name: body.name },
    lines: counts,
    photos: counts['photo-files'] ?? 0,
  }
  await zip.whole('manifest.json', `${JSON.stringify(manifest, null, 2)}\n`)
  await zip.whole('README.md', archiveReadme(manifest))
}

function pagesOf(tx: Transaction, householdId: string, kind: ArchiveKind): AsyncIterable<object[]> {
  if (kind === 'household') return householdPage(tx, householdId)
  if (kind === 'photo-files') return photoFilePages(tx, householdId)
  if (kind === 'revisions') return revisionPages(tx, householdId)
  if (kind === 'weather') return weatherPage(tx, householdId)
  if (kind === 'readings') return readingPages(tx, householdId)
  return recordPages(tx, householdId, kind)
}

async function* householdPage(tx: Transaction, householdId: string) {
  const [row] = await tx.select().from(households).where(eq(households.householdId, householdId))
  const { version, createdAt, updatedAt, householdId: _h, deletedAt: _d, changes: _c, ...body } = present(row)
  yield [{ version, createdAt: iso(createdAt), updatedAt: iso(updatedAt), body }]
}

/** Entries in the order they were written, the rest by when and by id. */
async function* recordPages(tx: Transaction, householdId: string, collection: Collection) {
  const table = tableOf(collection)
  const byNumber = collection === 'entries'
  let last: (Row & { createdAt: string }) | undefined
  for (;;) {
    const after =
      last &&
      (byNumber
        ? gt(entries.number, present(last.number))
        : or(
            gt(table.createdAt, last.createdAt),
            and(eq(table.createdAt, last.createdAt), gt(table.id, last.id)),
          ))
    const rows = (await tx
      .select()
      .from(table)
      .where(and(eq(table.householdId, householdId), after))
      .orderBy(...(byNumber ? [asc(entries.number)] : [asc(table.createdAt), asc(table.id)]))
      .limit(PAGE)) as unknown as (Row & { createdAt: string })[]
    if (rows.length) yield rows.map((row) => recordLine(collection, row))
    if (rows.length < PAGE) return
    last = rows.at(-1)
  }
}

function recordLine(collection: Collection, row: Row & { createdAt: string }) {
  const { id, version, number, body: stood } = asStored(row)
  // As it would be read back: what an earlier release left out is filled in.
  const body = bodyOf(collection).safeParse(stood).data ?? stood
  const numbered = collection === 'batches' || collection === 'trays'
  return {
    id,
    version,
    ...(numbered ? { number } : {}),
    createdAt: iso(row.createdAt),
    updatedAt: iso(row.updatedAt),
    removedAt: row.deletedAt === null ? null : iso(row.deletedAt),
    body,
  }
}

async function* photoFilePages(tx: Transaction, householdId: string) {
  const { image: _i, thumbnail: _t, householdId: _h, ...columns } = photoColumns
  const rows = await tx
    .select(columns)
    .from(photoFiles)
    .where(eq(photoFiles.householdId, householdId))
    .orderBy(asc(photoFiles.id))
  if (rows.length) yield rows.map(({ createdAt, ...rest }) => ({ ...rest, createdAt: iso(createdAt) }))
}
const photoColumns = {
  householdId: photoFiles.householdId,
  id: photoFiles.id,
  digest: photoFiles.digest,
  takenOn: photoFiles.takenOn,
  width: photoFiles.width,
  height: photoFiles.height,
  createdAt: photoFiles.createdAt,
  image: photoFiles.image,
  thumbnail: photoFiles.thumbnail,
}

async function* pictures(tx: Transaction, householdId: string) {
  const ids = await tx
    .select({ id: photoFiles.id })
    .from(photoFiles)
    .where(eq(photoFiles.householdId, householdId))
    .orderBy(asc(photoFiles.id))
  for (const { id } of ids) {
    const [row] = await tx
      .select({ image: photoFiles.image })
      .from(photoFiles)
      .where(and(eq(photoFiles.householdId, householdId), eq(photoFiles.id, id)))
    yield { id, image: present(row).image }
  }
}

async function* revisionPages(tx: Transaction, householdId: string) {
  let last: { collection: string; id: string; version: number } | undefined
  for (;;) {
    const rows = await tx
      .select()
      .from(revisions)
      .where(
        and(
          eq(revisions.householdId, householdId),
          last &&
            sql`(${revisions.collection}, ${revisions.id}, ${revisions.version}) > (${last.collection}, ${last.id}::uuid, ${last.version})`,
        ),
      )
      .orderBy(asc(revisions.collection), asc(revisions.id), asc(revisions.version))
      .limit(PAGE)
    if (rows.length)
      yield rows.map(({ collection, id, version, writtenAt, body }) => ({
        collection,
        id,
        version,
        writtenAt: iso(writtenAt),
        body,
      }))
    if (rows.length < PAGE) return
    last = rows.at(-1)
  }
}

async function* weatherPage(tx: Transaction, householdId: string) {
  const rows = await tx
    .select()
    .from(weatherDays)
    .where(eq(weatherDays.householdId, householdId))
    .orderBy(asc(weatherDays.on), asc(weatherDays.source))
  if (rows.length) yield rows.map(({ householdId: _, ...line }) => line)
}

async function* readingPages(tx: Transaction, householdId: string) {
  type Line = Omit<typeof readings.$inferSelect, 'householdId'>
  let last: Line | undefined
  for (;;) {
    const after = last
      ? sql`and (device_id, quantity, name, at) > (${last.deviceId}::uuid, ${last.quantity}, ${last.name}, ${last.at}::timestamptz)`
      : sql``
    const { rows } = await tx.execute(sql`
      select device_id as "deviceId", quantity, name, at::text as at, value, count from reading
      where household_id = ${householdId} ${after}
      order by reading.device_id, reading.quantity, reading.name, reading.at limit ${READINGS_PAGE}`)
    const lines = rows as unknown as Line[]
    if (lines.length)
      yield lines.map(({ deviceId, quantity, name, at, value, count }) => ({
        ...{ deviceId, quantity, name, value, count, at: iso(at) },
      }))
    if (lines.length < READINGS_PAGE) return
    last = lines.at(-1)
  }
}

/** To the microsecond: what was written in one go keeps its order. */
const iso = (at: string) => at.replace(' ', 'T').replace(/\+00(:00)?$/, 'Z')

/** A zip that grows in a file, waiting for the disk. */
class ZipFile {
  private readonly out
  private failed: Error | null = null
  private readonly zip
  constructor(file: string) {
    this.out = createWriteStream(file, { mode: 0o600 })
    this.out.on('error', (error) => (this.failed = error))
    this.zip = new Zip((error, chunk) => {
      if (error) this.failed = error
      else this.out.write(chunk)
    })
  }

  /** A text that comes piece by piece. */
  text(name: string) {
    // Packed by zlib, beside the thread that answers requests.
    const deflate = createDeflateRaw({ level: LEVEL })
    const member: ZipInputFile = { filename: name, compression: 8, crc: 0, size: 0, mtime: EPOCH }
    this.zip.add(member)
    deflate.on('data', (chunk: Buffer) => member.ondata?.(null, new Uint8Array(chunk), false))
    return {
      write: async (text: string) => {
        const bytes = Buffer.from(text)
        member.crc = crc32(bytes, member.crc)
        member.size += bytes.length
        if (!deflate.write(bytes)) await once(deflate, 'drain')
        await this.drained()
      },
      end: async () => {
        deflate.end()
        await once(deflate, 'end')
        member.ondata?.(null, new Uint8Array(), true)
        await this.drained()
      },
    }
  }
  async whole(name: string, text: string) {
    const member = this.text(name)
    await member.write(text)
    await member.end()
  }
  /** What is packed already is only put in. */
  async bytes(name: string, bytes: Uint8Array) {
    const member = new ZipPassThrough(name)
    member.mtime = EPOCH
    this.zip.add(member)
    member.push(bytes, true)
    await this.drained()
  }
  async end() {
    this.zip.end()
    this.out.end()
    if (!this.out.closed) await once(this.out, 'close')
    if (this.failed) throw this.failed
  }
  private async drained() {
    if (this.failed) throw this.failed
    if (this.out.writableNeedDrain) await once(this.out, 'drain')
  }
}
