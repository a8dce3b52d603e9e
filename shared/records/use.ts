import * as z from 'zod'
import { amount, id, name } from '../rules'

export const USE_KINDS = ['batch made', 'feed given'] as const

/**
 * A batch that was made or a feed that was given. What it took from the stores and what went into it are worked out
 * by the server in the same transaction, and stay as they were on the day.
 */
export const use = z.object({
  name,
  kind: z.enum(USE_KINDS),
  batchId: id.nullable().default(null).describe('The batch that was made'),
  feedingId: id.nullable().default(null).describe('The feed that was given'),
  by: z.string().max(80, 'Keep the name under 80 characters.').default('').describe('Who did it'),
  to: z.string().max(200, 'Keep it under 200 characters.').default('').describe('Which trays it went to'),
  note: z.string().max(600, 'Keep the note under 600 characters.').default(''),
  times: amount
    .min(0, 'Say how many jugs or cans.')
    .max(1000, 'At most 1000 jugs at a time.')
    .default(1)
    .describe('Vessels of feed that were mixed'),
  evenIfShort: z.boolean().default(false).describe('Take what there is where the stores hold too little'),
  drawn: z
    .array(z.object({ stockId: id, name: z.string(), packs: amount, amount, unit: z.string() }))
    .default([])
    .describe('What left the stores; written by the server'),
  facts: z
    .array(z.object({ what: z.string(), amount, unit: z.string() }))
    .default([])
    .describe('What went into it; written by the server'),
})
export type UseRecord = z.output<typeof use>
