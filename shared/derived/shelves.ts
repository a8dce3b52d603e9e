import type { RefusalKind } from '#shared/messages/refusals'
import { packHolds, packProblems, type Goods } from '#core/supplies/goods'
import { wrongAt, type Problem } from '#core/problem'
import type { Context } from './context'
import type { StockRecord } from '../records/stock'

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

export function stockProblems(
  record: StockRecord,
  known: Pick<Context, 'materials' | 'feeds'>,
): Problem<RefusalKind>[] {
  const goods = goodsOf(record, known)
  if (!goods) return [wrongAt(['goodsId'], 'whatInPack')]
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
