import * as z from 'zod'
import { JOB_KINDS } from '#core/season/today'
import { amount, id, name } from '../rules'

/** Something that was done, or put off: one action, on all the rungs it was for. */
export const mark = z.object({
  name,
  what: z.enum(JOB_KINDS),
  of: z
    .array(z.object({ sowingId: id, rung: z.int().min(0).max(20).describe('Which rung of its ladder') }))
    .min(1, 'Say what it was for.')
    .max(500, 'One action is for at most 500 sowings.'),
  on: z.iso.date('This is not a calendar day.').describe('The day it was done or put off'),
  snoozedUntil: z.iso
    .date('This is not a calendar day.')
    .nullable()
    .default(null)
    .describe('null where it was done'),
  seeds: z
    .array(z.object({ packetId: id, seeds: amount }))
    .default([])
    .describe('What sowing took from the packets; written by the server'),
})
export type MarkRecord = z.output<typeof mark>
