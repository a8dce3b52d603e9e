import * as z from 'zod'
import { PACK_MEASURES, packHolds, packProblems, type Goods } from '#core/stores/goods'
import type { Problem } from '#core/problem'
import type { Context } from '../context'
import { amount, name, reference } from '../rules'

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
    .min(0, 'There cannot be less than nothing in the stores.')
    .max(10_000, 'A shelf holds at most 10 000 packs.')
    .describe('Full packs and what is left in the open one: 2.4 is two full and one four tenths full'),
})
export type StockRecord = z.output<typeof stock>

/** What a stock is of, or undefined when the household does not know it. */
export function goodsOf(
  { kind, goodsId }: Pick<StockRecord, 'kind' | 'goodsId'>,
  known: Pick<Context, 'materials' | 'feeds'>,
): Goods | undefined {
  if (kind === 'feed') {
    const feed = known.feeds.get(goodsId)
    return feed && { kind, feed }
  }
  const material = known.materials.get(goodsId)
  return material && { kind, material }
}

export function stockProblems(record: StockRecord, known: Pick<Context, 'materials' | 'feeds'>): Problem[] {
  const goods = goodsOf(record, known)
  if (!goods) return [{ path: ['goodsId'], message: 'Say what is in the pack.' }]
  return packProblems(record.size, goods).map((problem) => ({ ...problem, path: ['size', ...problem.path] }))
}

/** The shelves that hold a thing, as core draws from them. */
export function shelvesOf<One extends { id: string; body: StockRecord }>(
  stocks: readonly One[],
  goods: Goods,
) {
  const wanted = goods.kind === 'feed' ? goods.feed.id : goods.material.id
  return stocks
    .filter(({ body }) => body.kind === goods.kind && body.goodsId === wanted)
    .map(({ id, body }) => ({
      id,
      name: body.name,
      price: body.price,
      packs: body.packs,
      holds: packHolds(body.size, goods).value,
    }))
}
