import * as z from 'zod'
import { PACK_MEASURES } from '#core/supplies/goods'
import { amount, name, reference } from './rules'

export const GOODS_KINDS = ['material', 'feed'] as const

/** A kind of pack on the shelf; what it holds is checked against the goods when it is kept. */
export const stock = z.object({
  name,
  kind: z.enum(GOODS_KINDS),
  goodsId: reference.describe('The material or feed in it'),
  size: z.object({
    measure: z.enum(PACK_MEASURES),
    amount: amount.describe('L of a loose or pressed volume, g of a mass'),
  }),
  price: amount
    .min(0, 'A price is 0 or more.')
    .max(100_000, 'A price is at most 100 000.')
    .nullable()
    .default(null)
    .describe('For one pack, in the household’s own currency'),
  packs: amount
    .min(0, 'There cannot be less than nothing in the supplies.')
    .max(10_000, 'A shelf holds at most 10 000 packs.')
    .describe('Full packs and what is left in the open one: 2.4 is two full and one four tenths full'),
})
export type StockRecord = z.output<typeof stock>
