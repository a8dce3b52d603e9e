import { and, inArray } from 'drizzle-orm'
import { under, type Problem } from '#core/problem'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  pathsTo,
  type Bodies,
  type Collection,
} from '#shared/records/collections'
import type { Context } from '#shared/reckoning/context'
import { batchRecordProblems } from '#shared/reckoning/batch-request'
import type { EntryRecord } from '#shared/records/entry'
import { feedingProblems } from '#shared/reckoning/dose-request'
import { programmeRecordProblems } from '#shared/reckoning/programme-request'
import { sowingRecordProblems } from '#shared/reckoning/sowing-request'
import { stockProblems } from '#shared/reckoning/shelves'
import { trayProblems } from '#shared/reckoning/tray-problems'
import { hasSeason } from '#shared/reckoning/season'
import type { Transaction } from '../db/door'
import { hasPhotoFile } from './photo-files'
import { contextFor, SEASON_LISTS } from './read-records'
import { invalid, type User } from './refusal'
import { current, holding, tableOf } from './rows'

/** Rules that need to know what else the household keeps, and which of it. */
interface Check<Body> {
  readonly needs: Parameters<typeof contextFor>[1]
  readonly problems: (body: Body, context: Context) => readonly Problem[]
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
    problems: ({ cropId }, { crops }) =>
      crops.has(cropId) ? [] : [{ path: ['cropId'], message: 'This crop is not in the book.' }],
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

/** Kinds that have no built-in rows: an id that is not a row in sight points at nothing. */
const ROWS_ONLY = ['batches', 'packets', 'tools'] as const

/**
 * Inside the household's lock: nothing it points at can be removed until it is written.
 *
 * @throws Refusal 422 naming the fields that point at what is not there, or break a rule with it
 */
export async function checkReferences<C extends Collection>(
  tx: Transaction,
  collection: C,
  householdId: string,
  body: Bodies[C],
): Promise<void> {
  const check = CHECKS[collection] as Check<Bodies[C]> | undefined
  const problems = [
    ...(await missingRows(tx, collection, householdId, body)),
    ...(check ? check.problems(body, await contextFor(householdId, check.needs, tx)) : []),
  ]
  if (problems.length) throw invalid(under('body', problems))
}

async function missingRows(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  body: object,
): Promise<Problem[]> {
  if (collection === 'entries' || collection === 'guidedJobs')
    return aboutNothing(tx, householdId, body as Pick<EntryRecord, 'subjects'>)
  if (collection === 'photos') return photoOfNothing(tx, householdId, body as Bodies['photos'])
  if (collection === 'trials') return trialOfNothing(tx, householdId, body as Bodies['trials'])
  const problems: Problem[] = []
  for (const target of ROWS_ONLY)
    for (const path of pathsTo(collection, target)) {
      const id = (body as Record<string, unknown>)[path]
      // The other paths of these kinds lead to built-in rows too, which the rules of the kind know.
      if (typeof id !== 'string') continue
      if (!(await areThere(tx, target, householdId, [id])))
        problems.push({ path: [path], message: `This ${COLLECTIONS[target].one} is not known.` })
    }
  return problems
}

async function photoOfNothing(tx: Transaction, householdId: string, body: Bodies['photos']) {
  if (!(await hasPhotoFile(householdId, body.fileId, tx)))
    return [{ path: ['fileId'], message: 'This picture is not here: send it first.' }]
  return aboutNothing(tx, householdId, body)
}

async function trialOfNothing(tx: Transaction, householdId: string, { arms }: Bodies['trials']) {
  const problems: Problem[] = []
  for (const [i, { groups, packetId }] of arms.entries()) {
    if (
      groups.length &&
      !(await areThere(
        tx,
        'trays',
        householdId,
        groups.map(({ trayId }) => trayId),
      ))
    )
      problems.push({ path: ['arms', i, 'groups'], message: 'This tray is not known.' })
    if (packetId !== null && !(await areThere(tx, 'packets', householdId, [packetId])))
      problems.push({ path: ['arms', i, 'packetId'], message: 'This packet is not known.' })
  }
  return problems
}

async function aboutNothing(
  tx: Transaction,
  householdId: string,
  { subjects }: { readonly subjects: readonly { readonly what: Collection; readonly id: string }[] },
): Promise<Problem[]> {
  for (const what of new Set(subjects.map((one) => one.what))) {
    const ids = subjects.filter((one) => one.what === what).map(({ id }) => id)
    if (!(await areThere(tx, what, householdId, ids)))
      return [{ path: ['subjects'], message: `This ${COLLECTIONS[what].one} is not known.` }]
  }
  return []
}

async function areThere(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  ids: readonly string[],
) {
  const wanted = [...new Set(ids)]
  // What is no id of a row is none of them.
  if (!wanted.every((id) => /^[0-9a-f-]{36}$/i.test(id))) return false
  const table = tableOf(collection)
  const rows = await tx
    .select({ id: table.id })
    .from(table)
    .where(and(current(collection, householdId), inArray(table.id, wanted)))
  return rows.length === wanted.length
}

/** What points at a record, in every collection that can. */
export async function usersOf(
  tx: Transaction,
  collection: Collection,
  householdId: string,
  id: string,
): Promise<User[]> {
  const users: User[] = []
  for (const from of COLLECTION_NAMES) {
    const paths = pathsTo(from, collection)
    if (paths.length === 0) continue
    const table = tableOf(from)
    const rows = await tx
      .select({ id: table.id, name: table.name })
      .from(table)
      .where(and(current(from, householdId), holding(from, paths, id)))
    users.push(...rows.map((row) => ({ collection: from, ...row })))
  }
  return users
}
