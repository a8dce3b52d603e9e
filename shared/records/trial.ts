import { wrongAt } from '#core/problem'
import * as z from 'zod'
import { TRIAL_QUESTIONS } from '#core/trials/trial'
import { day, id, name, ruled } from './rules'

/** One side of a trial: groups of trays, known on the label by a letter. */
const arm = z.object({
  code: z
    .string()
    .regex(/^[A-Z]$/, 'A side is called by a letter.')
    .describe('What stands on the label'),
  name: name.describe('What is different about it'),
  groups: z
    .array(z.object({ trayId: id, group: z.string().regex(/^[A-Z]{1,2}$/) }))
    .max(200)
    .describe('The cells that stand for it'),
  recipeId: z.string().min(1).max(64).nullable().default(null),
  packetId: id.nullable().default(null),
})

/** A comparison that is set up before it is sown: cells by lot, counted as usual, judged at the end. */
export const trial = ruled(
  z.object({
    name: name.describe('What is asked'),
    question: z.enum(TRIAL_QUESTIONS),
    on: day.describe('The day it was set up'),
    seed: z.int().min(0).max(9_999_999).describe('The lot that was drawn: the same cells come of it again'),
    blind: z.boolean().default(false).describe('Only letters stand on labels until it is judged'),
    arms: z.array(arm).min(2, 'A trial has two sides or more.').max(4, 'A trial has at most four sides.'),
    note: z.string().max(600, 'Keep the note under 600 characters.').default(''),
    endedOn: day.nullable().default(null).describe('The day it was judged'),
  }),
  ({ arms }) =>
    arms.flatMap(({ code }, i) =>
      arms.findIndex((one) => one.code === code) === i
        ? []
        : [wrongAt(['arms', i, 'code'], 'sideTwice', { code })],
    ),
)
export type TrialRecord = z.output<typeof trial>
