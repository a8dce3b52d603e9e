import { present } from '#core/present'
import { COVER_IS_THE_MIX } from '#core/media/batch-request'
import { batchOf } from '#core/season/demand/batch-of'
import type { FeedDemand, MixDemand } from '#core/season/demand/demand'
import type { Bench } from '../derived/bench'
import { makingOf } from '../derived/bench'
import type { BatchRecord } from '../records/batch'
import type { FeedingRecord } from '../records/feeding'

/** What a mix of the season fills, as a batch keeps it. */
export const fillsOf = (demand: MixDemand) =>
  demand.fills.map(({ container, count, cells, coverMm, coverMaterialId, plants, ballContainerId }) => ({
    containerId: container.id,
    count,
    cells,
    coverMm,
    coverMaterialId: coverMm > 0 ? coverMaterialId : COVER_IS_THE_MIX,
    plants,
    ballContainerId,
  }))
/** The stages a mix of the season is for, as a batch keeps them. */
export const forSowings = ({ of }: MixDemand) => of.map(({ sowingId, stage }) => ({ id: sowingId, stage }))

export const namesOf = (bench: Pick<Bench, 'row'>, of: MixDemand['of']) =>
  [...new Set(of.map(({ sowingId }) => bench.row(sowingId)?.name ?? ''))].join(', ')

/** A batch that is planned for these sowings already, and not made. */
export const batchPlannedFor = (bench: Bench, demand: MixDemand) =>
  bench.kept.batches.find(
    (one) =>
      !makingOf(bench, one.id) &&
      demand.of.every(({ sowingId, stage }) =>
        one.body.sowings.some((target) => target.id === sowingId && target.stage === stage),
      ),
  )

/** The batch a mix of the season asks for; null where its recipe is no longer here. */
export function batchFor(bench: Bench, demand: MixDemand): BatchRecord | null {
  const { recipes, tools, frame } = bench.context
  const recipe = recipes.get(demand.recipeId)
  if (!recipe || !frame) return null
  const scoop = tools.find(({ kind }) => kind === 'scoop')
  return {
    ...batchOf(recipe),
    name: namesOf(bench, demand.of).slice(0, 120) || recipe.name,
    recipeId: demand.recipeId,
    lowerRecipeId: null,
    fills: fillsOf(demand),
    sowings: forSowings(demand),
    scoop: scoop
      ? { name: scoop.name, volumeL: present(scoop.capacityMl) / 1000 }
      : { name: 'Litre', volumeL: 1 },
    tubL: frame.tubL,
    onDate: demand.on,
  }
}

/** The feed the season asks for on a day. @param on the day, in the reader’s words */
export function feedingFor(bench: Bench, demand: FeedDemand, on: string): FeedingRecord {
  const [first] = demand.of
  const stage = first && bench.row(first.sowingId)?.planned.stages[first.stage]
  const { frame } = bench.context
  return {
    name: `${namesOf(bench, demand.of)}, ${on}`.slice(0, 120),
    feedId: present(frame).feedId,
    growthStageId: stage?.care.growthStageId ?? 'growing-on',
    targetNMgPerL: demand.nMgPerL,
    vessel: { name: 'Can', volumeL: present(frame).canL },
    batchId: null,
    toolId: null,
  }
}
