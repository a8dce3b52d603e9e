import * as z from 'zod'
import { FEEDING_SCHOOLS } from '#core/feed/programme'
import { frameProblems } from '#core/season/frame'
import { LIGHT_SCHOOLS } from '#core/season/light'
import { amount, day, idsOf, reference, ruled } from '../rules'

/** The household's year, as core plans with it, and the coldest night ahead that somebody read in a forecast. */
export const seasonFrame = ruled(
  z.object({
    lastFrost: day.describe('The last frost of spring, on average'),
    firstFrost: day.describe('The first frost of autumn'),
    shelfFlats: amount.describe('Flats of 28 × 54 cm that fit under the lamps'),
    lampM2: amount.describe('Area the lamps light well, m²'),
    lamp: z
      .object({
        ppfd: amount.describe('µmol/m²/s straight below'),
        atCm: amount.describe('at this height, cm'),
        radiusCm: amount.describe('Half the width of the lamp or bank, cm; 0 for a bulb'),
      })
      .nullable()
      .default(null),
    mixC: amount.describe('Warmest the mix can be kept, °C'),
    lightSchool: z.enum(idsOf(LIGHT_SCHOOLS)),
    feedingSchool: z.enum(idsOf(FEEDING_SCHOOLS)),
    feedId: reference.describe('The feed that is given as a rule'),
    tubL: amount.describe('The tub mixes are stirred in, L'),
    canL: amount.describe('The can feeds are carried in, L'),
    shareDays: amount.nullish().describe('Sowings so many days apart share a tray; 2 where nothing is said'),
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
    nightSaidOn: day.nullish().describe('The day it was read; after three days it counts no more'),
  }),
  frameProblems,
)
export type SeasonFrameRecord = z.output<typeof seasonFrame>
