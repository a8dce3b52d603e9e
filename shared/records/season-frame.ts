import { first } from '#core/numeric/at'
import * as z from 'zod'
import { FEEDS } from '#core/feed/feeds'
import { FEEDING_METHODS } from '#core/feed/programme'
import { frameProblems } from '#core/season/frame'
import type { Absence } from '#core/season/today/absence'
import type { WeatherDay } from '#core/calendar/weather'
import { LIGHT_METHODS } from '#core/places/light'
import type { UnitSystem } from '#core/units/unit'
import { unitById } from '#core/units/unit-table'
import { amount, amountIn, day, idsOf, reference, ruled } from './rules'
import { place } from './place'

/** The household's year, as core plans with it, and the coldest night ahead that somebody read in a forecast. */
export const seasonFrame = ruled(
  z.object({
    lastFrost: day.nullable().describe('The last frost of spring, on average; null where it never freezes'),
    firstFrost: day.nullable().describe('The first frost of autumn; null where it never freezes'),
    frostSpreadDays: amountIn(
      'days',
      'How far the last frost scatters, one standard deviation in days; 10 where nothing is said',
    ).nullish(),
    frostRisk: amountIn(
      'share',
      'Chance of a later frost that is lived with; 0.1 where nothing is said',
    ).nullish(),
    nights: z
      .object({
        coldestC: amountIn('°C', 'Coldest nights of the year, °C'),
        warmestC: amountIn('°C', 'Warmest nights, °C'),
        coldestOn: day.describe('The day the coldest fall on, in the year of the season'),
      })
      .nullish()
      .describe('Nights where it never freezes'),
    places: z.array(place).min(1, 'Name a place where trays stand.').max(40, 'At most 40 places.'),
    lightMethod: z.enum(idsOf(LIGHT_METHODS)),
    feedingMethod: z.enum(idsOf(FEEDING_METHODS)),
    feedId: reference.describe('The feed that is given as a rule'),
    seedMixId: reference
      .nullish()
      .describe('The recipe it sows in; null for the first that can be made of its supplies'),
    potMixId: reference
      .nullish()
      .describe('The recipe it pots up in; null for the first that can be made of its supplies'),
    tubL: amountIn('L', 'The tub mixes are stirred in, L'),
    canL: amountIn('L', 'The can feeds are carried in, L'),
    shareDays: amountIn('days', 'Sowings so many days apart share a tray; 2 where nothing is said').nullish(),
    fillHabit: z
      .enum(['tray', 'sown'])
      .nullish()
      .describe('Whether a tray is filled whole, or only the cells that are sown'),
    nightC: amount
      .min(-60, 'A night between −60 and 40 °C.')
      .max(40, 'A night between −60 and 40 °C.')
      .nullable()
      .default(null)
      .describe('Coldest night ahead by the forecast, °C'),
    hotC: amount
      .min(-30, 'A day between −30 and 55 °C.')
      .max(55, 'A day between −30 and 55 °C.')
      .nullish()
      .describe('Hottest day ahead by the forecast, °C'),
    hotSaidOn: day.nullish().describe('The day that was read; after three days it counts no more'),
    nightSaidOn: day.nullish().describe('The day it was read; after three days it counts no more'),
  }),
  frameProblems,
)
export type SeasonFrameRecord = z.output<typeof seasonFrame>
/** The frame with what stands beside it: the weather that came in, and days nobody is there. */
export type SeasonFrame = SeasonFrameRecord & {
  readonly weather?: readonly WeatherDay[]
  readonly away?: readonly Absence[]
}

/** A tub and a can as they are sold: 40 L and 9 L, 10 and 2 US gal, 8 and 2 imperial gal [common practice]. */
const VESSELS: Readonly<Record<UnitSystem, Pick<SeasonFrameRecord, 'tubL' | 'canL'>>> = {
  metric: { tubL: 40, canL: 9 },
  us: { tubL: 10 * unitById('us-gal').factor, canL: 2 * unitById('us-gal').factor },
  imperial: { tubL: 8 * unitById('imp-gal').factor, canL: 2 * unitById('imp-gal').factor },
}

/** A year in which nothing is said of frosts, places or lamps; habits are those of the first method. */
export const newFrame = (units: UnitSystem): SeasonFrameRecord => ({
  lastFrost: null,
  firstFrost: null,
  places: [],
  lightMethod: 'sixteen',
  feedingMethod: 'weak and often',
  feedId: first(FEEDS).id,
  ...VESSELS[units],
  nightC: null,
})
