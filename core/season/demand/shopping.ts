import { batchOf } from './batch-of'
import { planDose } from '../../feed/dose'
import type { Feed } from '../../feed/feed'
import { planBatch } from '../../media/batch'
import { batchProblems, type BatchRequest } from '../../media/batch-request'
import type { MaterialLibrary } from '../../media/material'
import type { Extra, Part, Preparation } from '../../media/recipe'
import { needsOfBatch, type Need } from '../../supplies/needs'
import { derive, given } from '../../working/figure'
import { practice } from '../../working/source'
import type { Day } from '../../calendar/day'
import type { FeedDemand, MixDemand } from './demand'
import type { CareVisit } from '../schedule/final-care'

/** What is wanted on a day. */
export interface DatedNeeds {
  readonly on: Day
  readonly needs: readonly Need[]
}

/** A recipe, as far as a batch is made from it. */
export interface MixRecipe {
  readonly parts: readonly Part[]
  readonly extras: readonly Extra[]
  readonly preparations: readonly Preparation[]
}

/** What a batch of the season takes from the supplies; nothing where its recipe cannot be made. */
export function needsOfMix(
  { on, fills }: MixDemand,
  recipe: MixRecipe,
  materials: MaterialLibrary,
): DatedNeeds {
  const scoop = { name: 'litre', volumeL: 1 }
  const request: BatchRequest = { ...batchOf(recipe), fills, scoop, materials }
  return { on, needs: batchProblems(request).length ? [] : needsOfBatch(planBatch(request)) }
}

/** The feed that goes into the cans of a day. */
export function needsOfFeed({ on, nMgPerL, solutionL }: FeedDemand, feed: Feed): DatedNeeds {
  const { massG, volumeMl } = planDose({
    feed,
    growthStageId: 'growing-on',
    targetNMgPerL: nMgPerL,
    vessel: { name: 'cans', volumeL: solutionL },
    tools: [],
  })
  return { on, needs: [{ kind: 'feed', id: feed.id, amount: feed.form === 'powder' ? massG : volumeMl }] }
}

/** What a visit to plants in their last container takes: a medium by the litre, a powder by the gram. */
export function needsOfVisit({ on, parts }: CareVisit, materials: MaterialLibrary): DatedNeeds {
  return {
    on,
    needs: parts.flatMap(({ materialId, allL }): Need[] => {
      const material = materialId === null ? undefined : materials.get(materialId)
      if (!material || allL <= 0) return []
      const litres = given('For all of them', allL, 'L', practice('by the container’s volume'))
      const amount =
        material.kind === 'medium'
          ? litres
          : derive(
              'By weight',
              'g',
              'V * d',
              { V: litres, d: given('Bulk density', material.dryBulkDensityGPerL, 'g/L', practice()) },
              ({ V, d }) => V * d,
            )
      return [{ kind: 'material', id: material.id, amount }]
    }),
  }
}

/**
 * The first day on which what is on the shelf no longer covers what was wanted up to then, for each thing.
 *
 * @param inSupplies what the shelf holds of a thing, in the unit of its needs
 * @returns by `kind id`; things that never run short are left out
 */
export function shortFrom(
  dated: readonly DatedNeeds[],
  inSupplies: (kind: Need['kind'], id: string) => number,
): Map<string, Day> {
  const left = new Map<string, number>()
  const short = new Map<string, Day>()
  for (const { on, needs } of [...dated].sort((a, b) => (a.on < b.on ? -1 : 1)))
    for (const { kind, id, amount } of needs) {
      const key = `${kind} ${id}`
      const rest = (left.get(key) ?? inSupplies(kind, id)) - amount.value
      left.set(key, rest)
      if (rest < -1e-9 && !short.has(key)) short.set(key, on)
    }
  return short
}

/** Seed a sowing takes, and where from. */
export interface SeedUse {
  /** The packet, or the crop where there is none. */
  readonly from: string
  readonly name: string
  readonly seeds: number
  /** Seeds in the packet; 0 without one, null where nobody counted. */
  readonly there: number | null
  readonly on: Day
}

/** Where seed runs short, each packet or crop once, by the first day it is wanted. A packet nobody counted is taken as enough. */
export function seedShort(uses: readonly SeedUse[]): SeedUse[] {
  const sums = new Map<string, SeedUse>()
  for (const use of uses) {
    const before = sums.get(use.from)
    sums.set(
      use.from,
      before
        ? { ...before, seeds: before.seeds + use.seeds, on: use.on < before.on ? use.on : before.on }
        : use,
    )
  }
  return [...sums.values()]
    .filter(({ there, seeds }) => there !== null && seeds > there)
    .sort((a, b) => (a.on < b.on ? -1 : 1))
}
