import * as z from 'zod'
import { waterProblems } from '#core/feed/water'
import { isTimeZone } from '#core/season/day'
import { amount, name, ruled } from '../rules'
import { seasonFrame } from './season-frame'

export const household = z.object({
  name,
  place: z.string().max(200).default(''),
  kitchen: z.enum(['metric', 'us', 'imperial']).describe('What a bare cup, spoon or gallon means'),
  water: ruled(
    z.object({
      ecMsPerCm: amount.describe('mS/cm'),
      alkalinityMgPerL: amount.describe('As calcium carbonate, mg/L'),
    }),
    (value) => waterProblems(value, 0),
  )
    .nullable()
    .default(null)
    .describe('What comes out of the tap; null when nobody measured'),
  timeZone: z
    .string()
    .max(64)
    .refine(isTimeZone, 'This is no time zone, as Europe/Lisbon.')
    .nullable()
    .default(null)
    .describe(
      'Whose midnight begins a day here, by its IANA name; null for the clock of the reader, or of Greenwich',
    ),
  learning: z
    .object({
      dropped: z
        .array(z.string().min(1).max(200))
        .max(2000, 'At most 2000 measurements can be left out.')
        .default([])
        .describe('Measurements that are not to count, by their keys'),
    })
    .nullable()
    .default(null)
    .describe('What is learned from, less what was left out; null for everything'),
  season: seasonFrame.nullable().default(null).describe('Frosts, shelf and schools; null until they are set'),
})
export type HouseholdRecord = z.output<typeof household>
