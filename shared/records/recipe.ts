import * as z from 'zod'
import { PREPARATIONS } from '#core/media/recipe'
import { homeTestProblems, MAX_RUNS } from '#core/media/home-test'
import { amount, day, name, reference, ruled } from './rules'

export const part = z.object({
  materialId: reference,
  parts: amount.describe('Parts by loose volume, above 0'),
})
export const parts = z.array(part).max(40, 'A recipe has at most 40 materials.')
export const extras = z
  .array(z.object({ materialId: reference, gPerL: amount.describe('g in a litre of mix') }))
  .max(20, 'A recipe has at most 20 extras.')
export const preparations = z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length)

/** A mix measured at home, filled, flooded and drained. */
export const homeTest = ruled(
  z.object({
    parts: parts.describe('The mix that was measured, by its parts'),
    depthMm: amount.describe('How deep the mix stood in a straight-sided container, mm'),
    runs: z
      .array(
        z.object({
          volumeMl: amount.describe('What the container holds to the line, mL'),
          heldMl: amount.default(0).describe('Water the mix brought, mL'),
          pouredMl: amount.describe('Water poured on until it stood at the line, mL'),
          drainedMl: amount.describe('Water that ran out, mL'),
        }),
      )
      .max(MAX_RUNS, `A test has at most ${MAX_RUNS} runs.`),
  }),
  homeTestProblems,
)

/** Whether its materials are known is checked against the household's library when it is kept. */
export const recipe = z.object({
  name,
  reasoning: z.string().max(600, 'Keep the reasoning under 600 characters.').default(''),
  parts,
  extras: extras.default([]),
  preparations: preparations.default([]),
  worksIn: z
    .array(z.object({ containerId: reference, on: day.describe('The day it was said') }))
    .max(100, 'It is said of at most 100 containers.')
    .default([])
    .describe('Containers in which the household raises good plants with it, whatever the book says'),
  homeTests: z
    .array(homeTest)
    .max(20, 'A recipe keeps at most 20 home tests.')
    .default([])
    .describe('How it was measured at home; used for every mix of the same shares'),
})
export type Recipe = z.output<typeof recipe>
