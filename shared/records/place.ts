import * as z from 'zod'
import { COVERS, PLACE_KINDS } from '#core/places/place-kinds'
import { amount, amountIn, idsOf, name } from './rules'

const lamp = z.object({
  ppfd: amountIn('µmol', 'µmol/m²/s straight below'),
  atCm: amountIn('cm', 'at this height, cm'),
  radiusCm: amountIn('cm', 'Half the width of the lamp or bank, cm; 0 for a bulb'),
})

/** Where trays stand: room, warmth, light and cover, as core plans with them. */
export const place = z.object({
  id: z.string().min(1).max(64),
  name,
  kind: z.enum(idsOf(PLACE_KINDS)),
  flats: amountIn('flats', 'Flats of 28 × 54 cm that fit; null where there is no end of room').nullable(),
  dayC: amountIn('°C', 'Air by day while seedlings stand there, °C'),
  nightC: amountIn('°C', 'Air by night, °C'),
  heatC: amountIn('°C', 'Warmest a mat or heater keeps the mix, °C').nullable().default(null),
  light: z
    .object({
      kindId: z.string().max(40).describe('A lamp, a kind of daylight, or `measured`'),
      count: amount.default(1).describe('Lamps of that kind'),
      heightCm: amountIn('cm', 'Over the leaves, cm').nullable().default(null),
      measured: lamp.nullable().default(null).describe('By a sheet or a meter'),
    })
    .nullable()
    .default(null)
    .describe('null where nobody said: then no light is judged'),
  humidity: amountIn(
    'share',
    'Relative humidity of its air, a fraction; by its kind where nothing is said',
  ).nullish(),
  reservoirL: amountIn('L', 'A capillary mat or reservoir under its trays holds, L').nullish(),
  cover: z.enum(COVERS).default('none').describe('What lies over trays until the seed is up'),
})
