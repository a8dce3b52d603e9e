import { present } from '../../present'
import { countsSeedlings } from '../../sowing/crop'
import { comesUpBetween } from '../../sowing/emergence'
import { cellsFor, clumpsFor } from '../../sowing/odds'
import type { Figure } from '../../working/figure'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import type { SeasonFrame } from '../frame'
import { earliestOut, frostAfter, frostRiskOf, isTender, latestOut } from '../../calendar/frost'
import { lightMethodById, LIGHT_WANTED } from '../../places/light'
import { isLamp, lightOfDay, lightVerdict } from '../../places/place-light'
import type { PlannedStage, SowingRequest } from './sowing-request'
import type { Roots } from './roots'
import { LOSSES } from '../../sowing/losses'

/** Something to know before sowing. */
export type Notice =
  | { readonly kind: 'too cold to come up'; readonly mixC: number; readonly range: readonly [number, number] }
  | { readonly kind: 'too hot to come up'; readonly mixC: number; readonly range: readonly [number, number] }
  | { readonly kind: 'out before the frost is over'; readonly earliest: Day; readonly risk: number | null }
  | {
      readonly kind: 'out while nights are too cold'
      readonly earliest: Day | null
      readonly lowestC: number
    }
  | { readonly kind: 'not before the frost'; readonly latestSow: Day; readonly latestOut: Day }
  | { readonly kind: 'not ready by then'; readonly ready: Day }
  | ({ readonly kind: 'stands too long' } & LongStay)
  | { readonly kind: 'out too young'; readonly weeks: number; readonly usual: number }
  | {
      readonly kind: 'too little light'
      readonly place: string
      /** A lamp can hang closer or burn longer; to daylight one is added. */
      readonly isLamp: boolean
      readonly molPerM2: number
      readonly wanted: number
      readonly age: 'seedling' | 'transplant'
    }
  | { readonly kind: 'roots last time'; readonly roots: Roots; readonly days: number }
  | { readonly kind: 'seed is short'; readonly short: number }
  | { readonly kind: 'fewer came up'; readonly up: number; readonly plants: number; readonly cells: number }

/** What it costs to have begun too early. */
export interface LongStay {
  /** Days longer than the crop takes. */
  readonly days: number
  readonly container: string
  /** Days it stands in its last container under cover. */
  readonly inLast: number
  /** Potting-ups more, so that its roots do not circle. */
  readonly pottings: number
}

/** Roots circle after about three weeks more in one container [common practice]. */
const POT_UP_EVERY_DAYS = 21
/** A few days more or less are no matter. */
const NO_MATTER_DAYS = 7

/** What to know before sowing, and once it was counted. */
export function noticesOf(
  request: SowingRequest,
  frame: SeasonFrame,
  {
    sowOn,
    outOn,
    planned,
    shifted,
  }: {
    sowOn: Day
    outOn: Day
    planned: readonly PlannedStage[]
    shifted: { days: number; roots: Roots; stage: number } | null
  },
  { seeds, perCell, chance, up }: { seeds: number; perCell: number; chance: Figure; up: number | null },
  mixC: number,
  comesUp: boolean,
): Notice[] {
  const { crop, season, seedsThere, outOn: wanted, plants, certainty } = request
  const range = comesUpBetween(crop.emergence)
  const left = up === null ? plants : Math.floor(up * (1 - (request.losses?.share ?? LOSSES)))
  const latest = latestOut(crop, frame)
  return [
    ...(comesUp
      ? []
      : [
          {
            kind: mixC > range[1] ? ('too hot to come up' as const) : ('too cold to come up' as const),
            mixC,
            range,
          },
        ]),
    ...(left < plants
      ? [
          {
            kind: 'fewer came up' as const,
            up: present(up),
            plants: left,
            cells: countsSeedlings(crop)
              ? clumpsFor(Math.ceil((plants - left) / crop.seedlings), perCell, chance.value, certainty)
              : cellsFor(plants - left, chance.value, certainty),
          },
        ]
      : []),
    ...(season === 'spring' ? tooSoon(request, frame, outOn) : []),
    ...(latest && outOn > latest
      ? [
          {
            kind: 'not before the frost' as const,
            latestOut: latest,
            latestSow: addDays(latest, -crop.weeks[0] * 7),
          },
        ]
      : []),
    ...(wanted && outOn > wanted ? [{ kind: 'not ready by then' as const, ready: outOn }] : []),
    ...ofAge(request, daysBetween(sowOn, outOn), planned),
    ...darkPlaces(planned, lightMethodById(frame.lightMethod).hours),
    ...(shifted && request.done[`stage-${shifted.stage}`] === undefined
      ? [{ kind: 'roots last time' as const, roots: shifted.roots, days: shifted.days }]
      : []),
    // What is sown has left the packet.
    ...(seedsThere !== null && request.done['stage-0'] === undefined && seeds > seedsThere
      ? [{ kind: 'seed is short' as const, short: seeds - seedsThere }]
      : []),
  ]
}

/** Out before the frost is over, or while nights are too cold for it. */
function tooSoon({ crop }: SowingRequest, frame: SeasonFrame, outOn: Day): Notice[] {
  const earliest = earliestOut(crop, frame)
  if (earliest === null || (earliest !== 'never' && outOn >= earliest)) return []
  if (frame.lastFrost === null)
    return [
      {
        kind: 'out while nights are too cold',
        earliest: earliest === 'never' ? null : earliest,
        lowestC: crop.lowestNightC,
      },
    ]
  const risk = isTender(crop) ? frostAfter(outOn, { ...frame, lastFrost: frame.lastFrost }).value : null
  return [
    {
      kind: 'out before the frost is over',
      earliest: earliest as Day,
      risk: risk !== null && risk > frostRiskOf(frame) ? risk : null,
    },
  ]
}

/** Early or late by hand: what it costs. A sowing that was moved by nobody has the crop's own weeks. */
function ofAge({ crop }: SowingRequest, days: number, planned: readonly PlannedStage[]): Notice[] {
  const [low, high] = [crop.weeks[0] * 7, crop.weeks[1] * 7]
  const indoors = planned.filter(({ kind }) => kind !== 'harden' && kind !== 'set in')
  const last = indoors.at(-1)
  if (last && days > high + NO_MATTER_DAYS)
    return [
      {
        kind: 'stands too long',
        days: days - high,
        container: last.container.name,
        inLast: daysBetween(last.from, last.until),
        pottings: Math.ceil((days - high) / POT_UP_EVERY_DAYS),
      },
    ]
  return days < low - NO_MATTER_DAYS
    ? [{ kind: 'out too young', weeks: Math.max(1, Math.round(days / 7)), usual: crop.weeks[0] }]
    : []
}

/** Places whose light is known and too little, each said once, where most is wanted. */
function darkPlaces(planned: readonly PlannedStage[], hours: number): Notice[] {
  const said = new Map<string, Notice>()
  for (const { kind, where, care } of planned) {
    const { light, name, id } = where.place
    if (!light || kind === 'harden' || kind === 'set in') continue
    const day = lightOfDay(light, care.lightHours || hours).value
    const wants = kind === 'pot up' ? 'transplant' : 'seedling'
    if (lightVerdict(day, wants) !== 'too little') continue
    said.set(id, {
      kind: 'too little light',
      place: name,
      isLamp: isLamp(light),
      molPerM2: day,
      wanted: LIGHT_WANTED[wants].low,
      age: wants,
    })
  }
  return [...said.values()]
}
