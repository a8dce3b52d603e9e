import * as z from 'zod'
import { materialProblems } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { amount, amountIn, basedOn, basedOnProblems, name, ruled } from './rules'
import { wholeFigures } from './as-material'

const fraction = amountIn('share', 'A fraction, 0–1')

const figuresSaid = z.object({
  theta0: fraction,
  theta10: fraction,
  theta50: fraction,
  theta100: fraction,
  dryBulkDensityGPerL: amountIn('g/L', 'g/L'),
  ph: amount,
  smeEcMsPerCm: amountIn('mS/cm', 'Saturated media extract, mS/cm'),
  organic: fraction,
  nitrogenPercent: amountIn('%', 'Per cent of dry mass'),
  mineralised: fraction.describe('Of the nitrogen, in 8 weeks at 21 °C'),
  bufferWeight: amount.describe('A fraction, 0–1'),
  coarse: amount.describe('A fraction, 0–1'),
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
