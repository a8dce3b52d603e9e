import * as z from 'zod'
import { under } from '#core/problem'
import { CROP_FAMILIES, cropProblems } from '#core/sowing/crop'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import { EMERGENCE_DAYS } from '#core/sowing/emergence'
import { AGEING_PER_YEAR, type SeedLife } from '#core/sowing/odds'
import { SCHEDULES } from '#core/season/schedule/schedules'
import { amount, amountIn, basedOn, basedOnProblems, name, ruled } from './rules'

const ids = <T extends string>(all: readonly T[]) => all as unknown as [T, ...T[]]

const figures = z.object({
  weeks: z.tuple([amount, amount]).describe('Weeks before planting out, from and to'),
  outAfterFrostWeeks: amount.describe('Weeks from the last frost to planting out; negative before it'),
  depthMm: amountIn('mm', 'mm; 0 on the surface'),
  light: z.enum(['wants light', 'wants dark', 'either']),
  warmthC: amountIn('°C', 'Best temperature of the mix, °C'),
  emergence: z.object({
    like: z.enum(ids(Object.keys(EMERGENCE_DAYS))).describe('Comes up as this crop does'),
    factor: amount.describe('times so many days'),
  }),
  treatment: z.object({ kind: z.enum(['soak', 'nick', 'chill']), days: amount.min(0).max(120) }).nullable(),
  seedsPerCell: amount,
  clump: z.boolean(),
  appetite: z.enum(['light', 'medium', 'heavy']),
  buryStem: z.boolean(),
  lowestNightC: amountIn('°C', '°C'),
  germination: amountIn('share', 'A fraction, 0–1'),
  seedLife: z.enum(ids(Object.keys(AGEING_PER_YEAR) as SeedLife[])),
  weeksBeforeFrost: amount.nullable().describe('Weeks it wants outside before the first frost'),
  autumn: z.boolean(),
  scheduleId: z.enum(ids(SCHEDULES.map(({ id }) => id))),
})

/** A household's own crop, or its corrections of one in the book. */
export const crop = ruled(
  z.object({
    name,
    basedOn,
    family: z.enum(CROP_FAMILIES),
    figures,
  }),
  (value) => [...under('figures', cropProblems(value.figures)), ...basedOnProblems(value, BUILT_IN_CROPS)],
)
export type CropRecord = z.output<typeof crop>
