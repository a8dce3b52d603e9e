import type { Crop } from '../../sowing/crop'
import type { Day } from '../../calendar/day'
import type { ScheduleStage } from './schedules'
import { mixWarmth, OUTSIDE, type Place } from '../../places/place'

/** Some flats of a stage in one place, from a day until another. */
export interface Stay {
  readonly placeId: string
  readonly from: Day
  readonly until: Day
  readonly flats: number
}

/** Where a stage stands: until the seed is up, and after; and what part of it stands elsewhere. */
export interface Where {
  readonly untilUp: Place
  readonly place: Place
  readonly elsewhere: { readonly place: Place; readonly share: number } | null
}

const isSown = ({ kind }: ScheduleStage) => kind === 'sow' || kind === 'broadcast'

/** Seed that wants the mix warmer than the room by this goes where it is heated, °C [default]. */
const WORTH_HEATING_C = 2

/** The places of a household, with the open air, which is always there. */
export const withOutside = (places: readonly Place[]): readonly Place[] =>
  places.some(({ kind }) => kind === 'outside') ? places : [...places, OUTSIDE]

/** Where plants stand that are growing on: not on the mat, not in the open, unless there is nothing else. */
const ROOMS = ['shelf', 'windowsill', 'greenhouse', 'frame', 'propagator', 'mat', 'outside'] as const

function usual(places: readonly Place[], kinds: readonly Place['kind'][]): Place {
  for (const kind of kinds) {
    const found = places.find((place) => place.kind === kind)
    if (found) return found
  }
  return OUTSIDE
}

/**
 * Where a stage stands. What is not said follows: seed that wants more warmth than the room has goes on the mat until it
 * is up; plants stand on the shelf; they harden in the frame, or outside.
 *
 * A place that is gone counts as not said.
 *
 * @param homeId where the whole sowing stands until it is hardened; null where nobody said
 */
export function whereOf(
  stage: ScheduleStage,
  crop: Pick<Crop, 'warmthC'>,
  frame: { readonly places: readonly Place[] },
  homeId: string | null = null,
): Where {
  const places = withOutside(frame.places)
  const named = (id: string | null | undefined) =>
    id == null ? undefined : places.find((place) => place.id === id)
  const outdoors = stage.kind === 'harden' || stage.kind === 'set in'
  const place =
    named(stage.placeId) ??
    (stage.kind === 'set in'
      ? usual(places, ['outside'])
      : stage.kind === 'harden'
        ? usual(places, ['frame', 'outside'])
        : (named(homeId) ?? usual(places, ROOMS)))
  const { elsewhere } = stage
  const other = elsewhere && named(elsewhere.placeId)
  const said = stage.placeId != null || homeId !== null
  return {
    place,
    untilUp:
      outdoors || !isSown(stage) ? place : (named(stage.upPlaceId) ?? germinating(places, place, crop, said)),
    elsewhere: other && other !== place ? { place: other, share: elsewhere.share } : null,
  }
}

/** Where seed comes up: in the place itself where somebody chose it, or where that is warm enough. */
function germinating(
  places: readonly Place[],
  place: Place,
  crop: Pick<Crop, 'warmthC'>,
  said: boolean,
): Place {
  const room = mixWarmth(place, null)
  if (said || place.heatC !== null || crop.warmthC - room <= WORTH_HEATING_C) return place
  return places.find(({ heatC, flats }) => heatC !== null && heatC > room && flats !== 0) ?? place
}

/** How a stage stands day by day: so many flats here, and those elsewhere. */
export function staysOf(
  where: Where,
  { from, until, flats }: { readonly from: Day; readonly until: Day; readonly flats: number },
  upOn: Day | null,
): Stay[] {
  const { place, untilUp, elsewhere } = where
  const share = elsewhere?.share ?? 0
  const moves = untilUp === place ? from : upOn === null || upOn > until ? until : upOn < from ? from : upOn
  const stay = (one: Place, a: Day, b: Day, n: number): Stay[] =>
    a < b && n > 0 ? [{ placeId: one.id, from: a, until: b, flats: n }] : []
  return [
    ...stay(untilUp, from, moves, flats),
    ...stay(place, moves, until, flats * (1 - share)),
    ...(elsewhere ? stay(elsewhere.place, moves, until, flats * share) : []),
  ]
}
