import { within, type Problem } from '../problem'
import type { FeedingSchool } from '../feed/programme'
import { isDay, type Day } from './day'
import { lampProblems, LIGHT_SCHOOLS, type Lamp, type LightSchool } from './light'
import { under } from '../problem'

/** The household's year: its frosts, what fits under its lamps, and how it does things. */
export interface SeasonFrame {
  /** Last frost of spring and first of autumn, as they fall there on average. */
  readonly lastFrost: Day
  readonly firstFrost: Day
  /** Flats of 28 × 54 cm that fit on the shelf. */
  readonly shelfFlats: number
  /** What the lamps light well, m². */
  readonly lampM2: number
  readonly lamp: Lamp | null
  /** Warmest the mix can be kept, °C: that of the mat, or of the room. */
  readonly mixC: number
  readonly lightSchool: LightSchool['id']
  readonly feedingSchool: FeedingSchool['id']
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
  const days = isDay(frame.lastFrost) && isDay(frame.firstFrost)
  return [
    ...(isDay(frame.lastFrost) ? [] : [{ path: ['lastFrost'], message: 'This is not a calendar day.' }]),
    ...(isDay(frame.firstFrost) ? [] : [{ path: ['firstFrost'], message: 'This is not a calendar day.' }]),
    ...(days && frame.firstFrost <= frame.lastFrost
      ? [{ path: ['firstFrost'], message: 'The first frost of autumn comes after the last of spring.' }]
      : []),
    ...within(['shelfFlats'], frame.shelfFlats, 0, 2000, 'A shelf holds 0 to 2000 flats.'),
    ...within(['lampM2'], frame.lampM2, 0, 500, 'Lamps light 0 to 500 m².'),
    ...within(['mixC'], frame.mixC, 5, 40, 'A mix is kept between 5 and 40 °C.'),
    ...within(['tubL'], frame.tubL, 1, 2000, 'A tub holds 1 to 2000 L.'),
    ...(frame.shareDays == null
      ? []
      : within(['shareDays'], frame.shareDays, 0, 14, 'Sowings 0 to 14 days apart can share a tray.')),
    ...within(['canL'], frame.canL, 0.1, 1000, 'A can holds 0.1 to 1000 L.'),
    ...(LIGHT_SCHOOLS.some(({ id }) => id === frame.lightSchool)
      ? []
      : [{ path: ['lightSchool'], message: 'This school is not known.' }]),
    ...(frame.lamp ? under('lamp', lampProblems(frame.lamp)) : []),
  ]
}
