import { eq } from 'drizzle-orm'
import { dequal } from 'dequal'
import { first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { todayOf } from '#core/calendar/clock'
import { bodyOf, COLLECTIONS, type Bodies } from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import { newEntry } from '#shared/records/new-entry'
import { isRowId, pointersOf, type Pointer, type Target } from '#shared/records/references'
import { asHousekeeping, type Transaction } from '../db/door'
import { photoFiles, unchecked } from '../db/schema'
import { log, traceOf } from '../log'
import { WHOEVER } from '../principal'
import { once } from './idempotency'
import { findHousehold } from './read-records'
import { asStored, current, tableOf, type Row } from './rows'
import { mendIn, writeNew } from './write-records'

/*
 * References were not always looked up in every list. Households of that time are looked through once: what points at nothing is
 * let go of where a record can be without it, its row left out where it is one of a list, and what was done is written down in the
 * household's log. What cannot be mended is told as well.
 */

const AT_A_TIME = 20

export async function mendReferences(): Promise<void> {
  const rows = await asHousekeeping('find unchecked households', (tx) =>
    tx.select().from(unchecked).limit(AT_A_TIME),
  )
  for (const { householdId } of rows)
    await once(WHOEVER, householdId, null, { commands: ['mend references'] }, async (tx, household) => {
      const told = household && !household.isRemoved ? await mendHousehold(tx, householdId) : []
      await tx.delete(unchecked).where(eq(unchecked.householdId, householdId))
      return { told }
    }).catch((error: unknown) => log.error(traceOf(error), 'mend references'))
  if (rows.length === AT_A_TIME) return mendReferences()
}

/** @returns what was found, a line each */
async function mendHousehold(tx: Transaction, householdId: string): Promise<string[]> {
  const there = new Map<Target, ReadonlySet<string>>()
  const isThere = async ({ id, among }: Pointer) => {
    if (!isRowId(id)) return true
    for (const target of among) {
      if (!there.has(target)) there.set(target, await idsOf(tx, householdId, target))
      if (there.get(target)?.has(id)) return true
    }
    return false
  }
  const told: string[] = []
  for (const collection of COLLECTION_NAMES) {
    const rows = await tx.select().from(tableOf(collection)).where(current(collection, householdId))
    for (const { id, body } of (rows as unknown as Row[]).map(asStored<typeof collection>)) {
      const lost: Pointer[] = []
      for (const pointer of pointersOf(collection, body)) if (!(await isThere(pointer))) lost.push(pointer)
      if (lost.length === 0) continue
      const mended = without(collection, body, lost)
      if (mended) await mendIn(tx, collection, householdId, id, mended)
      const what = COLLECTIONS[first(first(lost).among) as Collection]?.one ?? 'picture'
      told.push(
        `${COLLECTIONS[collection].one} “${body.name}” pointed at a ${what} that is not here${mended ? ' and no longer does' : ': open it and choose another'}.`,
      )
    }
  }
  if (told.length === 0) return told
  log.warn({ records: told.length }, 'references that led nowhere')
  const { body } = await findHousehold(householdId, tx)
  await writeNew(
    tx,
    'entries',
    householdId,
    crypto.randomUUID(),
    newEntry({
      name: `Blastomix mended ${counted(told.length, 'record')}`,
      kind: 'thought',
      on: todayOf(body, new Date()),
      subjects: [],
      note: told.join('\n').slice(0, 600),
    }),
  )
  return told
}

/** Ids of a kind, those that were removed as well: they can be brought back. */
async function idsOf(tx: Transaction, householdId: string, target: Target): Promise<ReadonlySet<string>> {
  const table = target === 'photo-files' ? photoFiles : tableOf(target)
  const rows = await tx.select({ id: table.id }).from(table).where(eq(table.householdId, householdId))
  return new Set(rows.map(({ id }) => id))
}

/** A body without what leads nowhere: empty where it may be, else without the row it stands in. Null where neither will do. */
function without<C extends Collection>(
  collection: C,
  body: Bodies[C],
  lost: readonly Pointer[],
): Bodies[C] | null {
  const paths = lost.map(({ path }) => path)
  const emptied = paths.reduce<unknown>((value, path) => withAt(value, path, null), body)
  const shorter = () => [...paths].reverse().reduce<unknown>((value, path) => withoutRow(value, path), body)
  for (const candidate of [emptied, shorter()]) {
    const read = bodyOf(collection).safeParse(candidate)
    if (read.success && !dequal(read.data, body)) return read.data
  }
  return null
}

type Path = readonly (string | number)[]
function withAt(value: unknown, [key, ...rest]: Path, next: unknown): unknown {
  if (key === undefined) return next
  if (Array.isArray(value)) return value.map((one, i) => (i === key ? withAt(one, rest, next) : one))
  return { ...(value as object), [key]: withAt((value as Record<string, unknown>)[key], rest, next) }
}
/** Without the row of the innermost list on the way. */
function withoutRow(value: unknown, path: Path): unknown {
  const at = path.findLastIndex((key) => typeof key === 'number')
  if (at < 0) return value
  const list = path.slice(0, at).reduce<unknown>((one, key) => (one as Record<string, unknown>)[key], value)
  return withAt(
    value,
    path.slice(0, at),
    (list as unknown[]).filter((_, i) => i !== path[at]),
  )
}
