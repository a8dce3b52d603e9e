import * as z from 'zod'
import { SCHEDULES, STAGE_KINDS } from '#core/season/schedule/schedules'
import { amount, amountIn, day as calendarDay, id, idsOf, name, reference } from './rules'

export const day = calendarDay.nullable().default(null)
const own = amount.nullable().default(null)

/** So many good plants of a crop by a day. What is null follows from the crop, its schedule and the season. */
export const sowing = z.object({
  name: name.describe('Crop and variety, as it stands on the label'),
  cropId: reference,
  packetId: id.nullable().default(null),
  plants: amount.describe('Good plants wanted'),
  cells: own.describe('Cells to sow, where they were said; else as many as the plants need'),
  season: z.enum(['spring', 'autumn']).default('spring'),
  outOn: day.describe('The day they are to go out'),
  sowOn: day.describe('The day they are sown'),
  germination: amountIn('share', 'A fraction; over what packet and crop say').nullable().default(null),
  certainty: amountIn('share', 'How sure to reach the plants, a fraction').default(0.9),
  seedsPerCell: own,
  depthMm: amountIn('mm', 'How deep it is sown, mm; null for what packet and crop say')
    .min(0, 'Seed is sown 0 to 100 mm deep.')
    .max(100, 'Seed is sown 0 to 100 mm deep.')
    .nullable()
    .default(null),
  scheduleId: z.enum(idsOf(SCHEDULES)).nullable().default(null),
  placeId: z
    .string()
    .max(64)
    .nullable()
    .default(null)
    .describe('Where it stands until it is hardened; null where such plants stand by habit'),
  stages: z
    .array(
      z.object({
        kind: z.enum(STAGE_KINDS),
        containerId: reference.nullable(),
        recipeId: reference.nullable(),
        plantsEach: amount.nullish().describe('Plants set together in each cell or pot; null for one'),
        placeId: z
          .string()
          .max(64)
          .nullish()
          .describe('Where it stands; null where such plants stand by habit'),
        upPlaceId: z.string().max(64).nullish().describe('Where the seed stands until it is up'),
        elsewhere: z
          .object({ placeId: z.string().max(64), share: amount })
          .nullish()
          .describe('A part of it that stands in another place'),
        part: amount.min(0).max(1).describe('Of the weeks under cover, 0–1'),
        days: own,
        nMgPerL: own.describe('mg/L of nitrogen'),
        everyDays: amountIn('days', 'Days between feeds').nullable().default(null),
        lightHours: amountIn('h', 'Hours of light a day').nullable().default(null),
        mixC: amountIn('°C', '°C').nullable().default(null),
      }),
    )
    .max(8, 'A schedule has at most 8 stages.')
    .nullable()
    .default(null)
    .describe('The household’s own stages, in place of the schedule’s'),
  note: z
    .string()
    .max(600, 'Keep the note under 600 characters.')
    .default('')
    .describe('What else was said of how it is sown, and for whom'),
})
export type SowingRecord = z.output<typeof sowing>
