import { at as elementAt, first, last as lastOf } from '../../numeric/at'
import { cellVolume } from '../../containers/container'
import { planProgramme, type FeedStage, type FeedingMethod } from '../../feed/programme'
import type { Feed } from '../../feed/feed'
import type { Crop } from '../../sowing/crop'
import type { SeasonBook } from '../book'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { feedsOfLast } from '../schedule/final-care'
import type { PlannedSowing } from '../schedule/sowing'

/** A feed of one sowing. */
export interface SowingFeed {
  readonly on: Day
  readonly stage: number
  readonly nMgPerL: number
  readonly solutionL: number
}

export interface SowingFeeding {
  readonly feeds: readonly SowingFeed[]
  /** First day on which it wants more than it has; null when it never does. */
  readonly hungryOn: Day | null
}

/** Seed leaves last about so many days [common practice]. */
const SEED_LEAF_DAYS = 8
/** A cell of a few mL and up is counted on. */
const MIN_CELL_ML = 1

/**
 * The feeds of a sowing from emergence to planting out, by the household's method; those that fall while the mix still
 * feeds the plants are left out.
 */
export function feedSowing(
  planned: PlannedSowing,
  crop: Pick<Crop, 'appetite'>,
  feed: Feed,
  method: FeedingMethod['id'],
  book: SeasonBook,
  /** The day the care of a last container ends; none where it goes into the ground. */
  careUntil?: Day,
): SowingFeeding {
  const { emergeOn, stages, outOn } = planned
  const last = careUntil ? feedsOfLast(planned, method, careUntil) : []
  if (!emergeOn || emergeOn >= outOn) return { feeds: last, hungryOn: null }
  const pieces: { feed: FeedStage; stage: number }[] = []
  let recipeId = first(stages).recipeId
  for (const stage of stages) {
    recipeId = stage.recipeId ?? recipeId
    const from = stage.from > emergeOn ? stage.from : emergeOn
    const until = stage.until < outOn ? stage.until : outOn
    let days = daysBetween(from, until)
    if (days < 1) continue
    const { growthStageId, nMgPerL, everyDays } = stage.care
    const where = {
      cellMl: Math.max(MIN_CELL_ML, cellVolume(stage.container).value / (stage.fill.plants ?? 1)),
      ...book.foodOf(recipeId ?? ''),
    }
    if (stage.index === 0) {
      const young = Math.min(days, SEED_LEAF_DAYS)
      pieces.push({
        stage: 0,
        feed: { ...where, growthStageId: 'seed-leaves', days: young, nMgPerL: 0, everyDays: 0 },
      })
      days -= young
      if (days < 1) continue
    }
    pieces.push({
      stage: stage.index,
      feed: { ...where, growthStageId, days: Math.min(days, 120), nMgPerL, everyDays },
    })
  }
  if (pieces.length === 0) return { feeds: last, hungryOn: null }
  const programme = planProgramme({
    feed,
    appetite: crop.appetite,
    method,
    plants: lastOf(stages).plants,
    stages: pieces.map((piece) => piece.feed),
  })
  return {
    hungryOn: programme.hungryFrom === null ? null : addDays(emergeOn, programme.hungryFrom),
    feeds: [
      ...programme.events
        // On the day they go out nobody carries a can after them.
        .filter(({ notYet, day }) => !notYet && addDays(emergeOn, day) < outOn)
        .map(({ day, stage, nMgPerL, mlPerPlant }) => ({
          on: addDays(emergeOn, day),
          stage: elementAt(pieces, stage).stage,
          nMgPerL,
          solutionL: (mlPerPlant * elementAt(stages, elementAt(pieces, stage).stage).plants) / 1000,
        })),
      ...last,
    ],
  }
}
