import { first } from '#core/numeric/at'
import { and, eq, inArray, sql } from 'drizzle-orm'
import { dequal } from 'dequal'
import {
  oneOf,
  type ArchiveKind,
  type HouseholdLine,
  type PhotoFileLine,
  type ReadingLine,
  type RecordLine,
  type RevisionLine,
  type WeatherLine,
} from '#shared/archive/format'
import { COLLECTIONS, type Bodies } from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import { fromArchive, isSameInArchive } from '#shared/commands/bring-in'
import { referred } from '#shared/records/references'
import { headOf, type Transaction } from '../../db/door'
import { batches, households, photoFiles, revisions, trays, readings, weatherDays } from '../../db/schema'
import type { Principal } from '../../principal'
import { levelOf, markOver } from '../ledger'
import type { Act } from '../idempotency'
import { makeClean } from '../../pictures/pictures'
import { keepArchive } from '../kept-archives'
import { lookOrTake, type Looked } from '../dry-run'
import { aside, nextNumber } from '../numbers'
import { findHousehold } from '../read-records'
import { invalid, Refusal } from '../refusal'
import { asStored, tableOf, type Row } from '../rows'
import { checkRoom } from '../write-records'
import { checkTrays } from '../trays'
import { joinLevels } from './levels'
import type { ReadArchive } from './unpack'

/*
 * An archive is taken into a household in one transaction: looked at first, which does all of it and writes nothing, and then
 * written, all or nothing. Records are the same where their ids are. What happened is joined: levels are then what the entries
 * of both say.
 */

const CHUNK = 500
const SHOWN = 100

/** Which of two records of one id is to stand. */
export type Differing = 'here' | 'archive' | 'newer'

export interface TakenIn {
  readonly written: boolean
  /** The household’s count of writes when it was looked at: what is written has to name it. */
  readonly changes: number
  /** Whether there was none of this id, so that it is made. */
  readonly made: boolean
  readonly kinds: { kind: ArchiveKind; fresh: number; same: number; differing: number }[]
  /** The first of those that differ. */
  readonly differing: { kind: ArchiveKind; id: string; name: string; newer: 'here' | 'archive' }[]
  /** What does not go together, and what is done about it. */
  readonly contradictions: string[]
}

interface Order {
  readonly differing: Differing
  /** Null only looks; else the `changes` that were looked at. */
  readonly seen: number | null
}

/** @throws Refusal 409 where something was written since it was looked at, 422 where it cannot be taken in */
export async function takeIn(
  principal: Principal,
  householdId: string,
  archive: ReadArchive,
  order: Order,
  act: Act | null,
): Promise<TakenIn> {
  if (order.seen !== null && (await headOf(principal, householdId))?.changes === order.seen)
    await keepArchive(principal, householdId, 'before-archive')
  return lookOrTake(
    principal,
    householdId,
    { seen: order.seen, act, name: 'bring in archive' },
    (tx, looked) => new Taking(tx, householdId, archive, order, looked).run(),
  )
}

/** A household that is not there yet, made of an archive in a transaction that is under way. @throws Refusal 422 */
export const fillFrom = (tx: Transaction, householdId: string, archive: ReadArchive): Promise<TakenIn> =>
  new Taking(tx, householdId, archive, { differing: 'here', seen: 0 }, { isNew: true, changes: 0 }).run()

class Taking {
  private readonly kinds: TakenIn['kinds'] = []
  private readonly differing: TakenIn['differing'] = []
  private readonly contradictions: string[] = []
  /** Rows something points at, by the collections they may be in, each with who points first. */
  private readonly wanted = new Map<string, Map<string, string>>()
  private readonly freshLevels = new Map<string, number>()
  private readonly touchedTrays = new Set<string>()
  private readonly freshSowings: string[] = []
  private readonly numbers = new Map<Collection, Set<number>>()
  /** What is only looked at takes no number from who writes meanwhile. */
  private readonly aside: number

  constructor(
    private readonly tx: Transaction,
    private readonly householdId: string,
    private readonly archive: ReadArchive,
    private readonly order: Order,
    private readonly looked: Looked,
  ) {
    this.aside = order.seen === null ? aside() : 0
  }

  async run(): Promise<TakenIn> {
    const { isNew: made, changes } = this.looked
    await this.household(made)
    await this.photoFiles()
    for (const collection of COLLECTION_NAMES) await this.records(collection)
    await this.revisions()
    await this.weather()
    await this.readings()
    await this.checkPointed()
    this.contradictions.push(...(await joinLevels(this.tx, this.householdId, this.freshLevels)))
    await this.settle()
    this.archive.stillWanted()
    return {
      written: this.order.seen !== null,
      changes,
      made,
      kinds: this.kinds,
      differing: this.differing,
      contradictions: this.contradictions,
    }
  }

  private tally(kind: ArchiveKind) {
    const found = { kind, fresh: 0, same: 0, differing: 0 }
    this.kinds.push(found)
    return found
  }
  private takes(newer: 'here' | 'archive') {
    const { differing } = this.order
    return differing === 'archive' || (differing === 'newer' && newer === 'archive')
  }

  private async household(made: boolean) {
    const tally = this.tally('household')
    const { tx, householdId } = this
    let any = false
    for await (const line of this.archive.lines('household') as AsyncGenerator<HouseholdLine>) {
      if (any) throw invalid([{ path: ['archive'], message: 'This archive holds two households.' }])
      any = true
      const { version, updatedAt, body } = line
      if (made) {
        tally.fresh++
        // It is made here and now: the household a browser begins with stays the oldest.
        await tx.insert(households).values({ householdId, version, updatedAt, changes: 1, ...body })
        continue
      }
      const here = await findHousehold(householdId, tx)
      if (dequal(bodyOfHousehold(here.body), bodyOfHousehold(body))) {
        tally.same++
        continue
      }
      tally.differing++
      const newer = updatedAt > here.updatedAt ? 'archive' : 'here'
      this.differing.push({ kind: 'household', id: householdId, name: here.body.name, newer })
      if (this.takes(newer))
        await tx
          .update(households)
          .set({ ...body, version: here.version + 1, updatedAt: sql`now()` })
          .where(eq(households.householdId, householdId))
    }
    if (made && !any)
      throw invalid([
        {
          path: ['archive'],
          message:
            'The household’s own line is missing: this archive can only be taken into a household that is there.',
        },
      ])
  }

  private async photoFiles() {
    const tally = this.tally('photo-files')
    const { tx, householdId } = this
    for await (const lines of chunks(this.archive.lines('photo-files') as AsyncGenerator<PhotoFileLine>)) {
      const known = await tx
        .select({ id: photoFiles.id, digest: photoFiles.digest })
        .from(photoFiles)
        .where(eq(photoFiles.householdId, householdId))
      const ids = new Set(known.map(({ id }) => id))
      const digests = new Set(known.map(({ digest }) => digest))
      for (const line of lines) {
        if (ids.has(line.id)) {
          tally.same++
          continue
        }
        tally.fresh++
        const sent = await this.archive.photo(line.id)
        const { image, thumbnail } = await this.picture(sent, line.id)
        // The same picture under another id stays a file of its own: its photo points at it.
        const digest = digests.has(line.digest) ? `${line.digest} ${line.id}` : line.digest
        await tx.insert(photoFiles).values({ householdId, ...line, digest, image, thumbnail })
      }
    }
  }
  /** As it is in the archive, where it is clean. @throws Refusal where it is no picture */
  private async picture(sent: Buffer, id: string) {
    const { image, thumbnail } = await makeClean(sent).catch((error: unknown) => {
      throw error instanceof Refusal && error.status === 422
        ? invalid([{ path: ['archive'], message: `photos/${id}.webp: ${error.message}` }])
        : error
    })
    return { image: Buffer.from(image), thumbnail: Buffer.from(thumbnail) }
  }

  private async records<C extends Collection>(collection: C) {
    const tally = this.tally(collection)
    const table = tableOf(collection)
    const lines = this.archive.lines(collection) as AsyncGenerator<RecordLine<C>>
    for await (const page of chunks(lines)) {
      const ids = page.map(({ id }) => id)
      if (new Set(ids).size < ids.length)
        throw invalid([{ path: ['archive'], message: `${collection}.jsonl holds one id twice.` }])
      const rows = (await this.tx
        .select()
        .from(table)
        .where(and(eq(table.householdId, this.householdId), inArray(table.id, ids)))) as unknown as Row[]
      const here = new Map(rows.map((row) => [row.id, row]))
      const fresh: RecordLine<C>[] = []
      for (const line of page) {
        const row = here.get(line.id)
        if (!row) fresh.push(line)
        else if (isSameInArchive(collection, asStored<C>(row), row.deletedAt !== null, line)) tally.same++
        else {
          tally.differing++
          await this.differs(collection, row, line)
        }
      }
      tally.fresh += fresh.length
      await this.insert(collection, fresh)
    }
  }

  private async differs<C extends Collection>(collection: C, row: Row, line: RecordLine<C>) {
    const stood = asStored<C>(row)
    const { name } = stood.body as { name: string }
    const newer = line.updatedAt > new Date(row.updatedAt).toISOString() ? 'archive' : 'here'
    if (this.differing.length < SHOWN) this.differing.push({ kind: collection, id: row.id, name, newer })
    if (!this.takes(newer)) return
    const { body, contradiction } = fromArchive(collection, stood.body, line.body as Bodies[C])
    if (contradiction) this.contradictions.push(contradiction)
    this.note(collection, line.id, body as Bodies[C])
    const table = tableOf(collection)
    await this.tx
      .insert(revisions)
      .values({
        householdId: this.householdId,
        collection,
        id: row.id,
        version: stood.version,
        body: stood.body,
        writtenAt: row.updatedAt,
      })
      .onConflictDoNothing()
    await this.tx
      .update(table)
      .set({
        ...body,
        version: Math.max(stood.version, line.version) + 1,
        updatedAt: sql`now()`,
        deletedAt: line.removedAt,
      })
      .where(and(eq(table.householdId, this.householdId), eq(table.id, row.id)))
  }

  private async insert<C extends Collection>(collection: C, lines: readonly RecordLine<C>[]) {
    if (lines.length === 0) return
    await checkRoom(this.tx, collection, this.householdId, lines.length)
    const values = []
    // Entries come in the order they were written, and go on counting here.
    let next = collection === 'entries' ? await nextNumber(this.tx, collection, this.householdId) : 0
    for (const { id, version, number, createdAt, updatedAt, removedAt, body } of lines) {
      this.note(collection, id, body as Bodies[C])
      if ((collection === 'stocks' || collection === 'packets') && removedAt === null)
        this.freshLevels.set(id, levelOf(body as Bodies['stocks'] | Bodies['packets']))
      if (collection === 'sowings') this.freshSowings.push(id)
      const own = { householdId: this.householdId, id, version, createdAt, updatedAt, deletedAt: removedAt }
      const numbered =
        collection === 'batches' || collection === 'trays'
          ? {
              number:
                (await this.numberFor(collection, number, (body as { name: string }).name)) + this.aside,
            }
          : collection === 'entries'
            ? { number: next++ }
            : {}
      values.push({ ...own, ...numbered, ...(body as object) })
    }
    const table = tableOf(collection)
    await this.tx.insert(table).values(values as unknown as (typeof table.$inferInsert)[])
  }

  /** The number it had, where no other has it here; else the next. */
  private async numberFor(collection: 'batches' | 'trays', number: number | undefined, name: string) {
    let taken = this.numbers.get(collection)
    if (!taken) {
      const table = collection === 'batches' ? batches : trays
      const rows = await this.tx
        .select({ number: table.number })
        .from(table)
        .where(eq(table.householdId, this.householdId))
      this.numbers.set(collection, (taken = new Set(rows.map((row) => row.number))))
    }
    let own = number ?? 0
    if (own === 0 || taken.has(own)) {
      own = Math.max(0, ...taken) + 1
      const { one } = COLLECTIONS[collection]
      if (number)
        this.contradictions.push(
          `${first(one).toUpperCase()}${one.slice(1)} ${number} of the archive, “${name}”, becomes ${one} ${own}: there is another ${number} here.`,
        )
    }
    taken.add(own)
    return own
  }

  /** What a record points at, and what follows from it. */
  private note<C extends Collection>(collection: C, id: string, body: Bodies[C]) {
    const name = (body as { name?: string }).name ?? id
    for (const { id: one, among } of referred(collection, body)) {
      const key = among.join()
      const known = this.wanted.get(key) ?? new Map<string, string>()
      if (!known.has(one)) known.set(one, `${oneOf(collection)} “${name}”`)
      this.wanted.set(key, known)
    }
    if (collection === 'trays') this.touchedTrays.add(id)
    if (collection === 'entries')
      for (const { trayId } of (body as Bodies['entries']).cells ?? []) this.touchedTrays.add(trayId)
  }

  private async revisions() {
    const tally = this.tally('revisions')
    for await (const lines of chunks(this.archive.lines('revisions') as AsyncGenerator<RevisionLine>)) {
      const written = await this.tx
        .insert(revisions)
        .values(lines.map((line) => ({ householdId: this.householdId, ...line })))
        .onConflictDoNothing()
        .returning({ id: revisions.id })
      tally.fresh += written.length
      tally.same += lines.length - written.length
    }
  }

  private async weather() {
    const tally = this.tally('weather')
    for await (const lines of chunks(this.archive.lines('weather') as AsyncGenerator<WeatherLine>)) {
      const written = await this.tx
        .insert(weatherDays)
        .values(lines.map((line) => ({ householdId: this.householdId, ...line })))
        .onConflictDoNothing()
        .returning({ on: weatherDays.on })
      tally.fresh += written.length
      tally.same += lines.length - written.length
    }
  }

  private async readings() {
    const tally = this.tally('readings')
    for await (const lines of chunks(this.archive.lines('readings') as AsyncGenerator<ReadingLine>)) {
      const written = await this.tx
        .insert(readings)
        .values(lines.map((line) => ({ householdId: this.householdId, ...line })))
        .onConflictDoNothing()
        .returning({ at: readings.at })
      tally.fresh += written.length
      tally.same += lines.length - written.length
      const devices = (this.wanted.get('devices') ?? new Map<string, string>()) as Map<string, string>
      for (const { deviceId } of lines) devices.set(deviceId, 'reading')
      this.wanted.set('devices', devices)
    }
  }

  /** @throws Refusal 422 where a record points at what is neither here nor in the archive */
  private async checkPointed() {
    for (const [key, wanted] of this.wanted) {
      const missing = new Map(wanted)
      for (const collection of key.split(',') as (Collection | 'photo-files')[])
        for (const ids of pagesOf([...missing.keys()])) {
          const table = collection === 'photo-files' ? photoFiles : tableOf(collection)
          const rows = await this.tx
            .select({ id: table.id })
            .from(table)
            .where(and(eq(table.householdId, this.householdId), inArray(table.id, ids)))
          for (const { id } of rows) missing.delete(id)
        }
      for (const [, by] of missing)
        throw invalid([
          {
            path: ['archive'],
            message: `The ${by} points at a ${oneOf(key.split(',')[0] as ArchiveKind)} that is neither here nor in the archive. Nothing was taken in.`,
          },
        ])
    }
  }

  /** What follows: sowings that are over, trays that have to be possible. @throws Refusal 422 */
  private async settle() {
    for (const ids of pagesOf(this.freshSowings))
      await markOver(this.tx, this.householdId, {
        kind: 'out',
        subjects: ids.map((id) => ({ what: 'sowings', id, stage: null })),
      } as Bodies['entries'])
    for (const ids of pagesOf([...this.touchedTrays], 20))
      await checkTrays(this.tx, this.householdId, ids, null)
  }
}

const bodyOfHousehold = (body: object) => JSON.parse(JSON.stringify(body))

async function* chunks<Line>(lines: AsyncGenerator<Line>): AsyncGenerator<Line[]> {
  let page: Line[] = []
  for await (const line of lines) {
    page.push(line)
    if (page.length < CHUNK) continue
    yield page
    page = []
  }
  if (page.length) yield page
}
function* pagesOf<One>(all: readonly One[], size = CHUNK): Generator<One[]> {
  for (let from = 0; from < all.length; from += size) yield all.slice(from, from + size)
}
