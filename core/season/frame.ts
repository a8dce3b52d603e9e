import { under, within, type Problem, wrongAt } from '../problem'
import type { FeedingMethod } from '../feed/programme'
import { isDay } from '../calendar/day'
import { frostProblems, type Frosts } from '../calendar/frost'
import { LIGHT_METHODS, type LightMethod } from '../places/light'
import { placesProblems, type Place } from '../places/place'

/** The household's year: its frosts, where trays stand, and how it does things. */
export interface SeasonFrame extends Frosts {
  /** In the order they are thought of: the first that fits is where plants stand by habit. */
  readonly places: readonly Place[]
  readonly lightMethod: LightMethod['id']
  readonly feedingMethod: FeedingMethod['id']
  readonly feedId: string
  /** The tub mixes are stirred in, and the can feeds are carried in, L. */
  readonly tubL: number
  readonly canL: number
  /** Sowings so many days apart share a tray; 2 where nothing is said. */
  readonly shareDays?: number | null | undefined
  /** A tray that is not full is filled whole, or only the cells that are sown; whole where nothing is said. */
  readonly fillHabit?: 'tray' | 'sown' | null | undefined
}

/** Sowings of one or two days are one evening's work [default]. */
export const shareDaysOf = ({ shareDays }: Pick<SeasonFrame, 'shareDays'>) => shareDays ?? 2
export const fillHabitOf = ({ fillHabit }: Pick<SeasonFrame, 'fillHabit'>) => fillHabit ?? 'tray'

/** What is wrong with a household's year, each at its field. */
export function frameProblems(frame: SeasonFrame): Problem[] {
  const days = (['lastFrost', 'firstFrost'] as const).flatMap((key) => {
    const day = frame[key]
    return day === null || isDay(day) ? [] : [wrongAt([key], 'notADay')]
  })
  return [
    ...(days.length ? days : frostProblems(frame)),
    ...(frame.places.length ? [] : [wrongAt(['places'], 'noPlace')]),
    ...under('places', placesProblems(frame.places)),
    ...within(['tubL'], frame.tubL, 1, 2000, 'L'),
    ...(frame.shareDays == null ? [] : within(['shareDays'], frame.shareDays, 0, 14, 'days')),
    ...within(['canL'], frame.canL, 0.1, 1000, 'L'),
    ...(LIGHT_METHODS.some(({ id }) => id === frame.lightMethod)
      ? []
      : [wrongAt(['lightMethod'], 'unknown', { what: 'method' })]),
  ]
}
