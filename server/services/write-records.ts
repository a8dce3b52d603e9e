import { present } from '#core/present'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { dequal } from 'dequal'
import {
  bodyOf,
  COLLECTIONS,
  pathsTo,
  repointed,
  type Bodies,
  type Stored,
} from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { MOST_RECORDS } from '#shared/records/bounds'
import { todayOf } from '#core/calendar/clock'
import { under } from '#core/problem'
import type { HouseholdRecord } from '#shared/records/household'
import { problemsFrom } from '#shared/records/rules'
import type { Transaction } from '../db/door'
import { households, revisions } from '../db/schema'
import { countedEntry, levelOf, markOver, moveAgain, moveBack, movedSum, workOut } from './ledger'
import { isNumbered, nextNumber } from './numbers'
import { asStoredHousehold, find, findHousehold } from './read-records'
import { measuredBy } from './measured'
import { checkReferences, namersOf, usersOf } from './references'
import { checkNothingHappened, checkTrays, traysOf } from './trays'
import { checkWater } from './water'
import { inUse, invalid, namedBy, stale, unknown, type User } from './refusal'
import { asStored, tableOf, type Row } from './rows'
import { noteChanged, noteHousehold, noteWritten, onlyLooks } from './transaction-changes'

/*
 * How a household keeps its things: the same calls for every collection. Writes hold an
 * optimistic lock: each names the version it was made from; when the row has moved on, the writer is told and shown what
 * is there now. What a change replaces is kept.
 */

/** Create at version 0, else update when the version still stands. @throws Refusal 409 */
export async function saveHouseholdIn(
  tx: Transaction,
  householdId: string,
  version: number,
  body: HouseholdRecord,
): Promise<Stored<HouseholdRecord>> {
  const before = version === 0 ? null : await findHousehold(householdId, tx).catch(() => null)
  const [row] =
    version === 0
      ? await tx
          .insert(households)
          .values({ householdId, ...body })
          .onConflictDoNothing()
          .returning()
      : await tx
          .update(households)
          .set({ ...body, version: version + 1, updatedAt: sql`now()` })
          .where(
            and(
              eq(households.householdId, householdId),
              eq(households.version, version),
              isNull(households.deletedAt),
            ),
          )
          .returning()
  if (row) {
    const stored = asStoredHousehold(row)
    noteSaved(tx, stored, before)
    return stored
  }
  const stood = await findHousehold(householdId, tx)
  if (!dequal(stood.body, body)) throw stale(stood)
  // What stands already is the answer, though nothing was written.
  noteHousehold(tx, stood)
  return stood
}

/** A household's own record keeps what it was with the act. */
function noteSaved(tx: Transaction, stored: Stored<HouseholdRecord>, before: Stored<HouseholdRecord> | null) {
  noteHousehold(tx, stored)
  noteWritten(tx, {
    collection: 'household',
    id: stored.id,
    before: before?.version ?? 0,
    after: stored.version,
    stood: before !== null,
    stands: true,
    ...(before && { was: before.body }),
  })
}

/**
 * Write a record under the id the writer chose: version 0 creates it, any other must be the version that stands.
 * Writing over a removed record of that version brings it back, which is how removing is undone. The same new record
 * sent again is answered as it stands: a lost answer costs nothing.
 *
 * The caller holds the household’s lock.
 *
 * @throws Refusal 404 for an unknown household or record, 409 when the version moved on, 422 when it points at
 *   things that are not there
 */
export async function saveIn<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  version: number,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  const before = await rowOf(tx, collection, householdId, id)
  if (version === 0 && !before) return writeNew(tx, collection, householdId, id, body)
  if (!before) throw unknown(COLLECTIONS[collection].one)
  const stood = asStored<C>(before)
  if (!before.deletedAt && isSentAgain(collection, version, stood, body)) return stood
  if (before.version !== version) throw stale(before.deletedAt ? null : stood)
  return write(tx, collection, householdId, before, body)
}

/** An entry is written once under its id; another record that says the same as what stands has nothing to write. */
const isSentAgain = (collection: Collection, version: number, stood: Stored<object>, body: object) =>
  collection === 'entries' ? version === 0 : version !== stood.version && dequal(stood.body, body)

async function write<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  before: Row,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  // Of what happened only the note is put right: what it was about may be gone since.
  const stood = asStored<C>(before).body
  if (collection !== 'entries' || before.deletedAt)
    await checkReferences(tx, collection, householdId, body, before.deletedAt ? null : stood)
  if (collection === 'guidedJobs') keepMarks(stood as Bodies['guidedJobs'], body as Bodies['guidedJobs'])
  if (collection === 'devices') keepWhatMadeIt(stood as Bodies['devices'], body as Bodies['devices'])
  const next =
    collection === 'entries' ? await rewritten(tx, householdId, before, body as Bodies['entries']) : body
  await keepRevision(tx, collection, householdId, before)
  const table = tableOf(collection)
  const [updated] = await tx
    .update(table)
    .set({ ...next, version: before.version + 1, updatedAt: sql`now()`, deletedAt: null })
    .where(and(eq(table.householdId, householdId), eq(table.id, before.id)))
    .returning()
  const stored = asStored<C>(updated as unknown as Row)
  noteChanged(tx, collection, stored.id, stored)
  noteWritten(tx, {
    collection,
    id: stored.id,
    before: before.version,
    after: stored.version,
    stood: !before.deletedAt,
    stands: true,
    ...(collection === 'guidedJobs' && { was: ofTheWholeJob(asStored<'guidedJobs'>(before).body) }),
  })
  await settle(tx, collection, householdId, stored)
  await writeCount(tx, collection, householdId, stored, asStored<C>(before))
  return stored
}

/** @throws Refusal 422 where a mark that stood is left out or changed */
function keepMarks(stood: Bodies['guidedJobs'], next: Bodies['guidedJobs']) {
  const marks = new Map(next.marks.map((mark) => [mark.id, mark]))
  if (!stood.marks.every((mark) => dequal(marks.get(mark.id), mark)))
    throw invalid([
      { path: ['body', 'marks'], message: 'What was marked stays as it was: marks are only added.' },
    ])
}

/**
 * A simulated device came with an example; what somebody adds is real, and neither becomes the other.
 *
 * @throws Refusal 422
 */
function keepWhatMadeIt(stood: Bodies['devices'] | null, next: Bodies['devices']) {
  if ((stood?.simulated ?? false) !== next.simulated)
    throw invalid([
      {
        path: ['body', 'simulated'],
        message: stood
          ? 'A device is simulated or real from its beginning.'
          : 'Simulated devices come with an example: add a real one.',
      },
    ])
}

/** The marks of a guided job are only ever added to: what can be put back is what was said of the whole of it. */
const ofTheWholeJob = ({ status, by, hands }: Bodies['guidedJobs']) => ({ status, by, hands })

/**
 * A record that stands becomes what `make` makes of it; the same again is not written.
 *
 * @throws Refusal 404; 422, 409 as for any write, or where `make` refuses
 */
export async function updateIn<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  make: (stood: Stored<Bodies[C]>) => Bodies[C],
): Promise<Stored<Bodies[C]>> {
  const before = await rowOf(tx, collection, householdId, id)
  if (!before || before.deletedAt) throw unknown(COLLECTIONS[collection].one)
  const stood = asStored<C>(before)
  const read = bodyOf(collection).safeParse(make(stood))
  if (!read.success) throw invalid(under('body', problemsFrom(read.error)))
  return dequal(read.data, stood.body) ? stood : write(tx, collection, householdId, before, read.data)
}

/** A record that pointed at nothing, without that: its history keeps what it was. The rules of its kind are not asked again. */
export async function mendIn<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  body: Bodies[C],
): Promise<void> {
  const before = present(await rowOf(tx, collection, householdId, id))
  await keepRevision(tx, collection, householdId, before)
  const table = tableOf(collection)
  const [row] = await tx
    .update(table)
    .set({ ...body, version: before.version + 1, updatedAt: sql`now()` })
    .where(and(eq(table.householdId, householdId), eq(table.id, id)))
    .returning()
  const stored = asStored<C>(row as unknown as Row)
  noteChanged(tx, collection, id, stored)
  noteWritten(tx, {
    collection,
    id,
    before: before.version,
    after: stored.version,
    stood: true,
    stands: true,
  })
}

/** What happened stays as it was; who, when and the note may be put right, and one taken back can stand again. */
async function rewritten(tx: Transaction, householdId: string, before: Row, body: Bodies['entries']) {
  const stood = asStored<'entries'>(before).body
  const moves = before.deletedAt ? await moveAgain(tx, householdId, stood) : stood.moves
  const { name, by, to, note, on, at, remindOn } = body
  const right = { name, by, to, note, on, at, remindOn, moves }
  // What it measured hangs on the day alone.
  const measured =
    on === stood.on ? stood.measured : await measuredBy(tx, householdId, { ...stood, ...right }, before.id)
  return { ...right, measured }
}

/** A record that is new. @throws Refusal 422 */
export async function writeNew<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  await checkRoom(tx, collection, householdId)
  await checkReferences(tx, collection, householdId, body)
  if (collection === 'devices') keepWhatMadeIt(null, body as Bodies['devices'])
  let whole: object = body
  if (collection === 'entries') {
    const worked = await workOut(tx, householdId, body as Bodies['entries'])
    if ('standing' in worked) {
      const { kind } = worked.standing.body
      if (kind === 'batch made')
        throw invalid([{ path: ['body', 'subjects'], message: 'This batch is already made.' }])
      return worked.standing as Stored<Bodies[C]>
    }
    whole = worked.entry
  }
  const stored = await insert(tx, collection, householdId, id, whole as Bodies[C])
  noteWritten(tx, { collection, id, before: 0, after: stored.version, stood: false, stands: true })
  await writeCount(tx, collection, householdId, stored, null)
  return stored
}

/** @throws Refusal 422 where a household keeps as many of a kind as it may */
export async function checkRoom(tx: Transaction, collection: Collection, householdId: string, more = 1) {
  const most = MOST_RECORDS[collection]
  const table = tableOf(collection)
  // Entries are numbered without gaps: the last number says how many there are.
  const there =
    collection === 'entries' && !onlyLooks(tx)
      ? (await nextNumber(tx, 'entries', householdId)) - 1
      : await tx.$count(table, eq(table.householdId, householdId))
  if (there + more > most)
    throw invalid([
      {
        path: ['body'],
        message: `A household keeps at most ${most} of its kind (${COLLECTIONS[collection].one}); there are ${there}.`,
      },
    ])
}

async function insert<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  body: Bodies[C],
): Promise<Stored<Bodies[C]>> {
  const number = isNumbered(collection) ? { number: await nextNumber(tx, collection, householdId) } : {}
  const table = tableOf(collection)
  const values = { householdId, id, ...body, ...number } as unknown as typeof table.$inferInsert
  const [created] = await tx.insert(table).values(values).returning()
  const stored = asStored<C>(created as unknown as Row)
  noteChanged(tx, collection, id, stored)
  await settle(tx, collection, householdId, stored)
  return stored
}

/** What follows from a record that was written: sowings that are over, trays that have to be possible. */
async function settle<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  stored: Stored<Bodies[C]>,
) {
  if (collection === 'trays') await checkTrays(tx, householdId, [stored.id], null)
  if (collection !== 'entries') return
  const entry = stored.body as Bodies['entries']
  await markOver(tx, householdId, entry)
  await checkTrays(tx, householdId, traysOf(entry), stored.id)
  await checkWater(tx, householdId, entry)
}

/** A level that was written, rather than moved, is an entry of its own. */
async function writeCount<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  stored: Stored<Bodies[C]>,
  stood: Stored<Bodies[C]> | null,
) {
  if (collection !== 'stocks' && collection !== 'packets') return
  const counted = stored as Stored<Bodies['stocks'] | Bodies['packets']>
  if ('seeds' in counted.body && counted.body.seeds === null) return
  const body = stood?.body as Bodies['stocks'] | Bodies['packets'] | undefined
  // A packet nobody had counted holds what its entries say before it is counted.
  const uncounted = body && 'seeds' in body && body.seeds === null
  const before = uncounted ? await movedSum(tx, householdId, collection, stored.id) : body ? levelOf(body) : 0
  const { body: whole } = await findHousehold(householdId, tx)
  const entry = countedEntry(collection, counted, before, todayOf(whole, new Date()))
  if (entry) await insert(tx, 'entries', householdId, crypto.randomUUID(), entry)
}

/**
 * Take a record out of sight. Nothing is lost: bringing it back from the version this returns undoes it. A correction
 * gives way to the built-in row it stood for, so nothing misses it.
 *
 * @param anyway somebody was asked: the log, guided jobs and photos that are about it go on naming it
 * @throws Refusal 422 with what uses it, while something does; and with what is about it, where nobody was asked
 */
export async function removeIn(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  id: string,
  version: number,
  anyway = false,
): Promise<{ version: number }> {
  const before = await standing(tx, collection, householdId, id, version)
  const users = before.basedOn ? [] : await usersOf(tx, collection, householdId, id)
  if (users.length) throw inUse(users)
  if (collection === 'trays') await checkNothingHappened(tx, householdId, id)
  if (!anyway) {
    const about = await namersOf(tx, collection, householdId, id)
    if (about.length) throw namedBy(about)
  }
  return takeAway(tx, collection, householdId, before)
}

/**
 * Put another in the place of a record wherever it is used, and remove it: all of it or nothing.
 *
 * @throws Refusal 422 where one of them will not have it
 */
export async function replaceIn(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  id: string,
  version: number,
  other: string,
): Promise<void> {
  const before = await standing(tx, collection, householdId, id, version)
  for (const user of await usersOf(tx, collection, householdId, id)) {
    const row = present(await rowOf(tx, user.collection, householdId, user.id))
    const body = pathsTo(user.collection, collection).reduce<object>(
      (one, path) => repointed(one, path, id, other),
      asStored(row).body,
    )
    await write(tx, user.collection, householdId, row, body as never).catch((error) => {
      throw namedFor(user, error)
    })
  }
  await takeAway(tx, collection, householdId, before)
}

function namedFor(user: User, error: unknown): unknown {
  const message = error instanceof Error ? error.message : ''
  return message ? invalid([{ path: ['with'], message: `${user.name}: ${message}` }]) : error
}

async function standing(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  id: string,
  version: number,
): Promise<Row> {
  const before = await rowOf(tx, collection, householdId, id)
  if (!before) throw unknown(COLLECTIONS[collection].one)
  if (before.version !== version || before.deletedAt) throw stale(before.deletedAt ? null : asStored(before))
  return before
}

async function takeAway(tx: Transaction, collection: Collection, householdId: string, before: Row) {
  if (collection === 'entries') await moveBack(tx, householdId, asStored<'entries'>(before).body)
  await keepRevision(tx, collection, householdId, before)
  const table = tableOf(collection)
  const [removed] = await tx
    .update(table)
    .set({ version: before.version + 1, updatedAt: sql`now()`, deletedAt: sql`now()` })
    .where(and(eq(table.householdId, householdId), eq(table.id, before.id)))
    .returning({ version: table.version })
  noteChanged(tx, collection, before.id, null)
  noteWritten(tx, {
    collection,
    id: before.id,
    before: before.version,
    after: present(removed).version,
    stood: true,
    stands: false,
  })
  if (collection === 'entries') {
    const entry = asStored<'entries'>(before).body
    await markOver(tx, householdId, entry)
    await checkTrays(tx, householdId, traysOf(entry), before.id)
  }
  return present(removed)
}

/** A record that was removed, as it was. @throws Refusal 404, 409 when it is back already or changed, 422 */
export async function bringBackIn<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  id: string,
  version: number,
): Promise<Stored<Bodies[C]>> {
  const before = await rowOf(tx, collection, householdId, id)
  if (!before?.deletedAt) throw stale(await find(collection, householdId, id, tx))
  if (before.version !== version) throw stale(null)
  return write(tx, collection, householdId, before, bodyOf(collection).parse(asStored<C>(before).body))
}

async function rowOf(tx: Transaction, collection: Collection, householdId: string, id: string) {
  const table = tableOf(collection)
  const [row] = await tx
    .select()
    .from(table)
    .where(and(eq(table.householdId, householdId), eq(table.id, id)))
    .for('update')
  return row as unknown as Row | undefined
}

async function keepRevision(tx: Transaction, collection: Collection, householdId: string, before: Row) {
  const { version, updatedAt, body } = asStored(before)
  await tx
    .insert(revisions)
    .values({ householdId, collection, id: before.id, version, body, writtenAt: updatedAt })
}
