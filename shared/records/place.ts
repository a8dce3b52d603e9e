import * as z from 'zod'
import { COVERS, PLACE_KINDS } from '#core/places/place-kinds'
import { amount, idsOf, name } from './rules'

const lamp = z.object({
  ppfd: amount.describe('µmol/m²/s straight below'),
  atCm: amount.describe('at this height, cm'),
  radiusCm: amount.describe('Half the width of the lamp or bank, cm; 0 for a bulb'),
})

/** Where trays stand: room, warmth, light and cover, as core plans with them. */
export const place = z.object({
  id: z.string().min(1).max(64),
  name,
  kind: z.enum(idsOf(PLACE_KINDS)),
  flats: amount.nullable().describe('Flats of 28 × 54 cm that fit; null where there is no end of room'),
  dayC: amount.describe('Air by day while seedlings stand there, °C'),
  nightC: amount.describe('Air by night, °C'),
  heatC: amount.nullable().default(null).describe('Warmest a mat or heater keeps the mix, °C'),
  light: z
    .object({
      kindId: z.string().max(40).describe('A lamp, a kind of daylight, or `measured`'),
      count: amount.default(1).describe('Lamps of that kind'),
      heightCm: amount.nullable().default(null).describe('Over the leaves, cm'),
      measured: lamp.nullable().default(null).describe('By a sheet or a meter'),
    })
    .nullable()
    .default(null)
    .describe('null where nobody said: then no light is judged'),
  humidity: amount
    .nullish()
    .describe('Relative humidity of its air, a fraction; by its kind where nothing is said'),
  reservoirL: amount.nullish().describe('A capillary mat or reservoir under its trays holds, L'),
  cover: z.enum(COVERS).default('none').describe('What lies over trays until the seed is up'),
})
