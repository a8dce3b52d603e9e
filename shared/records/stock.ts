import * as z from 'zod'
import { PACK_MEASURES, packHolds, packProblems, type Goods } from '#core/stores/goods'
import { catalogueOf, type Catalogue } from '#core/catalogue'
import type { Material, Pack } from '#core/media/material'
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

/**
 * The materials with the packs that stand on the shelf before those of the trade: a batch opens what is there.
 *
 * @param stocks the household's packs; a kind that is used up is left out
 */
export function withOwnPacks(
  materials: Catalogue<Material>,
  stocks: readonly { id: string; body: StockRecord }[],
): Catalogue<Material> {
  const there = stocks.filter(({ body }) => body.kind === 'material' && body.packs > 0)
  if (there.length === 0) return materials
  const stocked = [...new Set(there.map(({ body }) => body.goodsId))].flatMap((id) => {
    const material = materials.get(id)
    return material?.kind === 'medium' ? [material] : []
  })
  return catalogueOf(
    materials,
    stocked.map((material) => {
      const own = there
        .filter(({ body }) => body.goodsId === material.id)
        .sort((a, b) => b.body.packs - a.body.packs)
        .map(({ id, body }) => packOf(id, body, material))
      return {
        ...material,
        packs: [...own, ...material.packs.filter(({ id }) => !own.some((it) => it.id === id))],
      }
    }),
  )
}

/** A pack of one's own; where it is one of the usual ones, that. */
function packOf(id: string, { name, size }: StockRecord, material: Material): Pack {
  if (size.measure === 'mass' && material.compressed) {
    const usual = material.packs.find((pack) => 'dryMassG' in pack && pack.dryMassG === size.amount)
    return usual ?? { id, name, dryMassG: size.amount }
  }
  const volumeL = packHolds(size, { kind: 'material', material }).value
  const usual = material.packs.find((pack) => 'volumeL' in pack && Math.abs(pack.volumeL - volumeL) < 1e-9)
  return usual ?? { id, name, volumeL }
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
