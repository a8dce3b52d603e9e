import * as z from 'zod'
import { amount, amountIn, name, reference } from './rules'

/** A packet of seed as a household keeps it. */
export const packet = z.object({
  name: name.describe('The variety'),
  cropId: reference,
  supplier: z.string().max(120, 'Keep it under 120 characters.').default('').describe('As you write it'),
  year: z
    .int('A year is a whole number.')
    .min(1990, 'Seed from before 1990 is hardly seed any more.')
    .max(2100, 'That year is far ahead.')
    .describe('The year it was grown or packed for'),
  seeds: z
    .int('Count whole seeds.')
    .min(0, 'A packet holds 0 seeds or more.')
    .max(10_000_000, 'That is more than a packet.')
    .nullable()
    .default(null)
    .describe('Seeds left; null when nobody counted'),
  germination: amountIn('share', 'As tested in that year, a fraction')
    .gt(0, 'Germination is above 0 and at most 100 %.')
    .max(1, 'Germination is above 0 and at most 100 %.')
    .nullable()
    .default(null),
  upDays: z
    .object({ from: amount.min(1, 'Up after 1 day or more.'), to: amount.max(200, 'Up within 200 days.') })
    .refine(({ from, to }) => from <= to, { error: 'The later day comes after the earlier.', path: ['to'] })
    .nullable()
    .default(null)
    .describe('Days to come up, as the packet says'),
  depthMm: amountIn('mm', 'How deep, as the packet says, mm')
    .min(0, 'Seed is sown 0 to 100 mm deep.')
    .max(100, 'Seed is sown 0 to 100 mm deep.')
    .nullable()
    .default(null),
  spacingMm: amountIn('mm', 'How far apart they are set out, as the packet says, mm')
    .min(5, 'Plants stand 5 mm to 5 m apart.')
    .max(5000, 'Plants stand 5 mm to 5 m apart.')
    .nullable()
    .default(null),
})
export type PacketRecord = z.output<typeof packet>
