import type { AnyProblem, SaidProblem } from '#shared/messages/refusals'
import { and, inArray, ne, type SQL } from 'drizzle-orm'
import { first } from '#core/numeric/at'
import { under, wrongAt } from '#core/problem'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import { COLLECTIONS, namesTo, pathsTo, type Bodies } from '#shared/records/collections'
import { COLLECTION_NAMES, type Collection } from '#shared/records/collection-names'
import type { Context } from '#shared/derived/context'
import { batchRecordProblems } from '#shared/derived/batch-request'
import { feedingProblems } from '#shared/derived/dose-request'
import { programmeRecordProblems } from '#shared/derived/programme-request'
import { sowingRecordProblems } from '#shared/derived/sowing-request'
import { stockProblems } from '#shared/derived/shelves'
import { trayProblems } from '#shared/derived/tray-problems'
import { hasSeason } from '#shared/derived/season'
import type { Transaction } from '../db/door'
import { entries } from '../db/schema'
import { isRowId, pointersOf, referred, type Target } from '#shared/records/references'
import { photoFilesAmong } from './photo-files'
import { contextFor, SEASON_LISTS } from './read-records'
import { invalid, type User } from './refusal'
import { current, holding, tableOf } from './rows'

/** Rules that need to know what else the household keeps, and which of it. */
interface Check<Body> {
  readonly needs: Parameters<typeof contextFor>[1]
  readonly problems: (body: Body, context: Context) => readonly AnyProblem[]
}
const CHECKS: { [C in Collection]?: Check<Bodies[C]> } = {
  recipes: {
    needs: ['materials'],
    problems: ({ parts, extras }, { materials }) => [
      ...under('parts', recipeProblems(parts, materials)),
      ...under('extras', extraProblems(extras, materials)),
    ],
  },
  batches: { needs: ['containers', 'materials'], problems: batchRecordProblems },
  feedings: { needs: ['feeds', 'tools'], problems: feedingProblems },
  programmes: {
    needs: ['containers', 'materials', 'feeds', 'recipes', 'batches'],
    problems: programmeRecordProblems,
  },
  stocks: { needs: ['materials', 'feeds'], problems: stockProblems },
  packets: {
    needs: ['crops'],
    problems: ({ cropId }, { crops }) => (crops.has(cropId) ? [] : [wrongAt(['cropId'], 'unknownCrop')]),
  },
  trays: { needs: ['containers', 'crops'], problems: trayProblems },
  sowings: {
    needs: SEASON_LISTS,
    problems: (body, context) =>
      hasSeason(context)
        ? sowingRecordProblems(body, context)
        : [{ path: ['season'], message: 'Set the frosts of your season first.' }],
  },
}

/** Kinds that have built-in rows: an id that is no row's is one of theirs, which the rules of a kind know. */
const WITH_BUILT_IN: readonly Target[] = ['materials', 'containers', 'feeds', 'recipes', 'crops']

/**
 * Inside the household's lock: nothing it points at can be removed until it is written.
 *
 * @param stood what stood before: what it pointed at already is not asked again
 * @throws Refusal 422 naming the fields that point at what is not there, or break a rule with it
 */
export async function checkReferences<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  body: Bodies[C],
  stood: Bodies[C] | null = null,
): Promise<void> {
  const check = CHECKS[collection] as Check<Bodies[C]> | undefined
  const missing = await missingRows(tx, collection, householdId, body, stood)
  // A packet that lies too far back to be in sight is there all the same.
  const rows = new Set(
    referred(collection, body)
      .filter(({ among }) => among.includes('packets'))
      .map(({ path }) => path.join('.')),
  )
  const ruled = (check ? check.problems(body, await contextFor(householdId, check.needs, tx)) : []).filter(
    (problem) => !(rows.has(problem.path.join('.')) && 'kind' in problem && problem.kind === 'unknown'),
  )
  const problems: AnyProblem[] = [...missing, ...ruled]
  if (problems.length) throw invalid(under('body', problems))
}

async function missingRows<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  body: Bodies[C],
  stood: Bodies[C] | null,
): Promise<SaidProblem[]> {
  const known = new Set(stood ? pointersOf(collection, stood).map(({ id }) => id) : [])
  const pointers = pointersOf(collection, body).filter(
    ({ id, among }) =>
      !known.has(id) && (isRowId(id) || !among.some((target) => WITH_BUILT_IN.includes(target))),
  )
  const there = new Map<Target, ReadonlySet<string>>()
  for (const target of new Set(pointers.flatMap(({ among }) => among))) {
    const ids = pointers.filter(({ id, among }) => isRowId(id) && among.includes(target)).map(({ id }) => id)
    there.set(target, await rowsThere(tx, target, householdId, ids))
  }
  return pointers
    .filter(({ id, among }) => !among.some((target) => there.get(target)?.has(id)))
    .map(({ path, among }) => ({ path, message: notThere(first(among)) }))
}

const notThere = (target: Target) =>
  target === 'photo-files'
    ? 'This picture is not here: send it first.'
    : `This ${COLLECTIONS[target].one} is not known.`

async function rowsThere(
  tx: Transaction,
  target: Target,
  householdId: string,
  ids: readonly string[],
): Promise<ReadonlySet<string>> {
  if (ids.length === 0) return new Set()
  if (target === 'photo-files') return photoFilesAmong(householdId, ids, tx)
  const table = tableOf(target)
  const rows = await tx
    .select({ id: table.id })
    .from(table)
    .where(and(current(target, householdId), inArray(table.id, [...new Set(ids)])))
  return new Set(rows.map(({ id }) => id))
}

/** What uses a record, in every collection that can: it cannot go while something does. */
export const usersOf = (tx: Transaction, collection: Collection, householdId: string, id: string) =>
  holdersOf(tx, householdId, id, (from) => pathsTo(from, collection))

/** What is about a record and may outlive it. Counting a level makes an entry of itself, which nobody misses. */
export const namersOf = (tx: Transaction, collection: Collection, householdId: string, id: string) =>
  holdersOf(
    tx,
    householdId,
    id,
    (from) => namesTo(from, collection),
    (from) => (from === 'entries' ? ne(entries.kind, 'counted') : undefined),
  )

async function holdersOf(
  tx: Transaction,
  householdId: string,
  id: string,
  pathsOf: (from: Collection) => readonly string[],
  only: (from: Collection) => SQL | undefined = () => undefined,
): Promise<User[]> {
  const users: User[] = []
  for (const from of COLLECTION_NAMES) {
    const paths = pathsOf(from)
    if (paths.length === 0) continue
    const table = tableOf(from)
    const rows = await tx
      .select({ id: table.id, name: table.name })
      .from(table)
      .where(and(current(from, householdId), holding(from, paths, id), only(from)))
    users.push(...rows.map((row) => ({ collection: from, ...row })))
  }
  return users
}
