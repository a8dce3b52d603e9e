import { last as lastOf } from '../../numeric/at'
import { cellVolume } from '../../containers/container'
import { habitOf, type FeedingMethod } from '../../feed/programme'
import type { Crop } from '../../sowing/crop'
import { derive, given, type Figure } from '../../working/figure'
import { byDefault, practice } from '../../working/source'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import type { SeasonFrame } from '../frame'
import { isTender } from '../../calendar/frost'
import type { PlannedSowing } from './sowing'
import type { PlannedStage } from './sowing-request'

/*
 * A plant that ends in a bucket, bag or trough is not done on the day it is set in: it is watered, fed, staked and
 * dressed until the frost, or until its crop is over.
 */

export const CARES = ['stake', 'granular', 'calcium', 'top-dress'] as const
export type CareKind = (typeof CARES)[number]

/** Something given to each plant: of what, and how much, L. */
export interface CarePart {
  readonly kind: CareKind
  /** The material it is of; null where nothing is given. */
  readonly materialId: string | null
  readonly perPlantL: number
  readonly allL: number
}

/** What is done on one day for all plants of a sowing. */
export interface CareVisit {
  readonly index: number
  readonly on: Day
  readonly parts: readonly CarePart[]
  /** Water each plant wants in a day, L. */
  readonly waterL: number
  readonly plants: number
}

/** Days a crop that frost does not end is cared for after it is set in [default]. */
const CROP_DAYS = 112
/** Fruit sets about so many days after it is set in, and granular feed is given again [common practice: a month to six weeks]. */
const FRUIT_SET_DAYS = 42
const CALCIUM_EVERY_DAYS = 30
const DRESSING_EVERY_DAYS = 30
const STAKE_AFTER_DAYS = 7
/** For each litre of container: ¼ cup of granular feed, 1 tablespoon of lime, 1 cup of castings to 5 gal [common practice]. */
export const PER_LITRE = { granular: 0.0031, calcium: 0.0008, 'top-dress': 0.0125 } as const
const MATERIAL = { granular: 'granular-feed', calcium: 'dolomitic-lime', 'top-dress': 'castings' } as const
/** Water in a day, of the container's volume, at 20 °C; it grows with the warmth over 5 °C [default, a bucket takes 1–3 L]. */
const DRINK_SHARE = 0.07
/** A feed wets a tenth of the container [common practice: until it begins to run out below]. */
export const FEED_SHARE = 0.1

const lastContainer = (planned: Pick<PlannedSowing, 'stages'>): PlannedStage | null => {
  const last = lastOf(planned.stages)
  return last.kind === 'set in' ? last : null
}

/** Whether a sowing goes on in a container of its own after it is out. */
export const keepsOn = (stages: readonly { readonly kind: string }[]): boolean =>
  stages.at(-1)?.kind === 'set in'

/** The day the care ends: the first frost for what it kills, else some months on. */
export function careEnds(
  crop: Pick<Crop, 'lowestNightC'>,
  outOn: Day,
  { firstFrost }: Pick<SeasonFrame, 'firstFrost'>,
): Day {
  const ripe = addDays(outOn, CROP_DAYS)
  return firstFrost !== null && firstFrost > outOn && (isTender(crop) || firstFrost < ripe)
    ? firstFrost
    : ripe
}

/** Water a plant in such a container wants in a day, L. @param meanC of the air */
export function waterOfDay(containerL: number, meanC: number): Figure {
  return derive(
    'Water in a day',
    'L',
    'V * s * max(0.5, min(2.5, (T - 5) / 15))',
    {
      V: given('Container', containerL, 'L', byDefault('its shape')),
      s: given('Share of it at 20 °C', DRINK_SHARE, 'share', byDefault('lift it, or put a finger in')),
      T: given('Warmth of the air', meanC, '°C', practice('of the place')),
    },
    ({ V, s, T }) => V * s * Math.max(0.5, Math.min(2.5, (T - 5) / 15)),
  )
}

/** Summer outside is warmer than the spring a place was described in, °C [default]. */
const SUMMER_C = 22

/** What is done from the day it is set in to the end, visit by visit. */
export function visitsOf(
  {
    planned,
    crop,
    careUntil,
  }: { planned: PlannedSowing; crop: Pick<Crop, 'family' | 'lowestNightC'>; careUntil?: Day | undefined },
  outOn: Day,
): CareVisit[] {
  const stage = lastContainer(planned)
  if (!stage || !careUntil) return []
  const litres = cellVolume(stage.container).value / 1000
  const last = daysBetween(outOn, careUntil)
  const plants = stage.plants
  const on = new Map<number, CareKind[]>()
  const add = (day: number, kind: CareKind) => day < last && on.set(day, [...(on.get(day) ?? []), kind])
  const fruits = crop.family === 'fruiting'
  if (fruits) add(STAKE_AFTER_DAYS, 'stake')
  for (let day = FRUIT_SET_DAYS; day < last; day += FRUIT_SET_DAYS) add(day, 'granular')
  if (fruits) for (let day = CALCIUM_EVERY_DAYS; day < last; day += CALCIUM_EVERY_DAYS) add(day, 'calcium')
  for (let day = DRESSING_EVERY_DAYS; day < last; day += DRESSING_EVERY_DAYS) add(day, 'top-dress')
  return [...on]
    .sort(([a], [b]) => a - b)
    .map(([day, kinds], index) => ({
      index,
      on: addDays(outOn, day),
      plants,
      waterL: waterOfDay(litres, SUMMER_C).value,
      parts: kinds.map((kind): CarePart => {
        const perPlantL = kind === 'stake' ? 0 : litres * PER_LITRE[kind]
        return {
          kind,
          materialId: kind === 'stake' ? null : MATERIAL[kind],
          perPlantL,
          allL: perPlantL * plants,
        }
      }),
    }))
}

/** Soluble feeds of a last container, by the household's method: weekly, at the strength of potted plants. */
export function feedsOfLast(
  planned: PlannedSowing,
  method: FeedingMethod['id'],
  careUntil: Day,
): { on: Day; stage: number; nMgPerL: number; solutionL: number }[] {
  const stage = lastContainer(planned)
  const { nMgPerL } = habitOf(method, 'potted-up')
  const everyDays = { 'weak and often': 7, 'half strength': 14, 'living mix': 0 }[method]
  if (!stage || everyDays === 0) return []
  const solutionL = (cellVolume(stage.container).value / 1000) * FEED_SHARE * stage.plants
  const feeds = []
  for (let day = everyDays; day < daysBetween(planned.outOn, careUntil); day += everyDays)
    feeds.push({ on: addDays(planned.outOn, day), stage: stage.index, nMgPerL, solutionL })
  return feeds
}
