import * as z from 'zod'
import { MARKS, GUIDED_JOB_KINDS } from '#core/jobs/guided-job'
import { amount, day, id, name } from './rules'

/** Something a hand did in a job, or said of it. Marks are only ever added: two phones on one job undo nothing of each other. */
const mark = z.object({
  id,
  step: z.string().min(1).max(120).describe('The step it is about'),
  what: z.enum(MARKS),
  at: z.iso.datetime().describe('When, by the clock of the device it was pressed on'),
  by: z.string().max(80).default(''),
  key: z.string().max(80).default('').describe('What was asked, or which timer'),
  value: amount
    .min(-1_000_000, 'That is out of all measure.')
    .max(1_000_000, 'That is out of all measure.')
    .nullable()
    .default(null)
    .describe('What was answered, in base units; minutes of a timer'),
  note: z.string().max(300, 'Keep it under 300 characters.').default(''),
})

/** A job that is done at the bench, step by step. Its steps follow from what it is about; here is what happened in it. */
export const guidedJob = z.object({
  name: name.describe('What is done, for what'),
  kind: z.enum(GUIDED_JOB_KINDS),
  subjects: z
    .array(
      z.object({
        what: z.enum(['sowings', 'batches', 'feedings', 'trays']),
        id,
        stage: z.int().min(0).max(99).nullable().default(null),
      }),
    )
    .min(1, 'Say what it is for.')
    .max(200, 'A guided job is about at most 200 things.'),
  onDay: day.describe('The day it was begun'),
  hands: z
    .int('Count whole pairs of hands.')
    .min(1, 'At least one pair of hands.')
    .max(40, 'At most 40 pairs of hands.')
    .default(1),
  by: z.string().max(80, 'Keep the name under 80 characters.').default('').describe('In whose hands it is'),
  status: z.enum(['open', 'paused', 'ended']).default('open'),
  marks: z.array(mark).max(2000, 'A guided job holds at most 2000 marks.').default([]),
})
export type GuidedJobRecord = z.output<typeof guidedJob>
export type GuidedJobMark = GuidedJobRecord['marks'][number]
