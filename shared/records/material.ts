import * as z from 'zod'
import { materialProblems } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { amount, basedOn, basedOnProblems, name, ruled } from './rules'
import { wholeFigures } from './as-material'

const fraction = amount.describe('A fraction, 0–1')

const figuresSaid = z.object({
  theta0: fraction,
  theta10: fraction,
  theta50: fraction,
  theta100: fraction,
  dryBulkDensityGPerL: amount.describe('g/L'),
  ph: amount,
  smeEcMsPerCm: amount.describe('Saturated media extract, mS/cm'),
  organic: fraction,
  nitrogenPercent: amount.describe('Per cent of dry mass'),
  mineralised: fraction.describe('Of the nitrogen, in 8 weeks at 21 °C'),
  bufferWeight: fraction,
  coarse: fraction,
  settling: fraction,
  moisture: fraction
    .optional()
    .describe('Water as bought, of its weight; where nothing is said, as the book has it'),
})

export const material = ruled(
  z.object({
    name,
    basedOn,
    figures: figuresSaid,
    packL: amount
      .min(0.1, 'A pack holds at least 0.1 L.')
      .max(5000, 'A pack holds at most 5000 L.')
      .describe('What a pack holds, L'),
    sustainability: z.string().max(300, 'Keep it under 300 characters.').default(''),
  }),
  (value) => [
    ...materialProblems(wholeFigures(value)).map((problem) => ({
      ...problem,
      path: ['figures', ...problem.path],
    })),
    ...basedOnProblems(value, BUILT_IN),
  ],
)
export type MaterialRecord = z.output<typeof material>
