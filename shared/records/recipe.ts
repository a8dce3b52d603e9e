import * as z from 'zod'
import { isMaterial } from '#core/media/materials'
import { recipeProblems } from '#core/media/recipe'
import { under } from '#core/problem'
import { amount, name, reference, ruled } from '../rules'

export const part = z.object({
  materialId: reference.refine(isMaterial, 'This material is not known.'),
  parts: amount.describe('Parts by loose volume, above 0'),
})

export const parts = z.array(part).max(40, 'A recipe has at most 40 materials.')

export const recipe = ruled(
  z.object({
    name,
    reasoning: z.string().max(600, 'Keep the reasoning under 600 characters.').default(''),
    parts,
  }),
  (value) => under('parts', recipeProblems(value.parts)),
)
export type Recipe = z.output<typeof recipe>
