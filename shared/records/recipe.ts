import * as z from 'zod'
import { PREPARATIONS } from '#core/media/recipe'
import { amount, day, name, reference } from '../rules'

export const part = z.object({
  materialId: reference,
  parts: amount.describe('Parts by loose volume, above 0'),
})
export const parts = z.array(part).max(40, 'A recipe has at most 40 materials.')
export const extras = z
  .array(z.object({ materialId: reference, gPerL: amount.describe('g in a litre of mix') }))
  .max(20, 'A recipe has at most 20 extras.')
export const preparations = z.array(z.enum(PREPARATIONS)).max(PREPARATIONS.length)

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
})
export type Recipe = z.output<typeof recipe>
