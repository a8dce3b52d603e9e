import { under, type Problem } from '#core/problem'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import type { Bodies, Collection } from '#shared/collections'
import { batchRecordProblems } from '#shared/records/batch'
import { asCrop, cropsWith } from '#shared/records/crop'
import { feedingProblems } from '#shared/records/feeding'
import { programmeRecordProblems } from '#shared/records/programme'
import { sowingRecordProblems } from '#shared/records/sowing'
import { stockProblems } from '#shared/records/stock'
import { db } from '../db/client'
import { find, list } from './reading'
import { invalid } from './refusal'
import { knowsSowings, seasonKnownOf } from './season'
import { feedsOf, greenhouseOf, shedOf, toolsOf } from './shed'

type Check<C extends Collection> = (householdId: string, body: Bodies[C]) => Promise<readonly Problem[]>

/** Rules that need to know what else the household keeps. */
const CHECKS: { [C in Collection]?: Check<C> } = {
  async recipes(householdId, { parts, extras }) {
    const { materials } = await shedOf(householdId, db())
    return [
      ...under('parts', recipeProblems(parts, materials)),
      ...under('extras', extraProblems(extras, materials)),
    ]
  },
  async batches(householdId, body) {
    return batchRecordProblems(body, await shedOf(householdId, db()))
  },
  async feedings(householdId, body) {
    const problems = feedingProblems(body, await feedsOf(householdId, db()), await toolsOf(householdId, db()))
    if (!body.batchId) return problems
    const known = await find('batches', householdId, body.batchId).catch(() => null)
    return known ? problems : [...problems, { path: ['batchId'], message: 'This batch is not known.' }]
  },
  async programmes(householdId, body) {
    return programmeRecordProblems(body, await greenhouseOf(householdId, db()))
  },
  async stocks(householdId, body) {
    const { materials } = await shedOf(householdId, db())
    return stockProblems(body, { materials, feeds: await feedsOf(householdId, db()) })
  },
  async packets(householdId, { cropId }) {
    const known = await seasonCrops(householdId)
    return known.has(cropId) ? [] : [{ path: ['cropId'], message: 'This crop is not in the book.' }]
  },
  async sowings(householdId, body) {
    const known = await seasonKnownOf(householdId)
    return known
      ? sowingRecordProblems(body, known)
      : [{ path: ['season'], message: 'Set the frosts of your season first.' }]
  },
  async marks(householdId, { of }) {
    const known = await knowsSowings(
      householdId,
      of.map(({ sowingId }) => sowingId),
    )
    return known ? [] : [{ path: ['of'], message: 'This sowing is not known.' }]
  },
}

async function seasonCrops(householdId: string): Promise<Set<string>> {
  const own = await list('crops', householdId)
  return new Set(cropsWith(own.map(({ id, body }) => asCrop(id, body))).map(({ id }) => id))
}

/** @throws Refusal 422 naming the fields that point at what is not there, or break a rule with it */
export async function checkReferences<C extends Collection>(
  collection: C,
  householdId: string,
  body: Bodies[C],
): Promise<void> {
  const check = CHECKS[collection] as Check<C> | undefined
  const problems = check ? await check(householdId, body) : []
  if (problems.length) throw invalid(under('body', problems))
}
