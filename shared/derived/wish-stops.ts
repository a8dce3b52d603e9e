import { daysBetween, type Day } from '#core/calendar/day'
import type { Wish } from '#core/language/wish-said'
import type { PlannedSowing } from '#core/season/schedule/sowing'
import type { Place } from '#core/places/place'
import { counted } from '#core/text/plurals'
import { printNumber } from '#core/units/format'
import type { SowingRecord } from '../records/sowing'

/** More seed is nobody's habit at home [default]. */
const MANY_SEEDS = 1000
/** More trays than there is room for are told; where no place says how many, so many are many [default]. */
const MANY_TRAYS = 24

interface WishPlan {
  readonly wish: Wish
  readonly sowings: readonly SowingRecord[]
  readonly planned: PlannedSowing
}

/**
 * What is odd about wishes though every word is understood: told with its number, and planned only with a second press.
 *
 * @param printDay a day as the reader writes it
 */
export function wishStops(
  plans: readonly WishPlan[],
  places: readonly Place[],
  today: Day,
  printDay: (day: Day) => string,
): string[] {
  const seeds = plans.reduce((sum, { planned, sowings }) => sum + planned.seeds * sowings.length, 0)
  const trays = Math.ceil(
    plans.reduce((sum, { planned, sowings }) => sum + flatsOf(planned) * sowings.length, 0),
  )
  const room =
    places.some(({ flats }) => flats === null) || places.length === 0
      ? null
      : places.reduce((sum, { flats }) => sum + (flats ?? 0), 0)
  const each = plans.flatMap(({ wish, planned, sowings }) => {
    const name = sowings[0]?.name ?? wish.called
    return [
      ...(!wish.sown && dueOn(planned) < today
        ? [`${name} would have to be sown on ${printDay(dueOn(planned))}, which is past.`]
        : []),
      ...(wish.sown &&
      wish.up !== null &&
      wish.up > 0 &&
      wish.sowOn !== null &&
      daysBetween(wish.sowOn, today) < 1
        ? [`${name}: ${printNumber(wish.up)} up on the day it was sown.`]
        : []),
      ...(wish.up !== null && wish.up > planned.seeds
        ? [`${name}: ${printNumber(wish.up)} are up, of ${counted(planned.seeds, 'seed')}.`]
        : []),
      ...(wish.sown ? [] : planned.notices)
        .filter(({ kind }) => kind === 'out before the frost is over')
        .map(() => `${name} would go out on ${printDay(planned.outOn)}, before the frost is over.`),
    ]
  })
  return [
    ...each,
    ...(seeds > MANY_SEEDS ? [`That is ${counted(seeds, 'seed')}.`] : []),
    ...(room === null
      ? trays > MANY_TRAYS
        ? [`That is ${counted(trays, 'tray')}.`]
        : []
      : trays > room
        ? [`That is ${counted(trays, 'tray')}; the places hold ${room}.`]
        : []),
  ]
}

/** The day it would have to be sown, whatever day it is now. */
const dueOn = ({ stages, sowOn }: PlannedSowing): Day => stages[0]?.dueOn ?? sowOn
const flatsOf = ({ stages }: PlannedSowing): number => Math.max(0, ...stages.map(({ flats }) => flats))
