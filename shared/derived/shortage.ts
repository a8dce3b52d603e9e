import { planProgramme } from '#core/feed/programme'
import { packHolds, packSize, type Goods } from '#core/supplies/goods'
import { addUp, type Need } from '#core/supplies/needs'
import { shoppingList, type ShoppingLine } from '#core/supplies/list'
import type { Context } from './context'
import { asProgrammeRequest, programmeRecordProblems } from './programme-request'
import { goodsOf, shelvesOf } from './shelves'
import { makingOf, type Bench } from './bench'

/** Packs a thing can be bought in: those the household knows, else the usual ones of the trade, without a price. */
export function offersOf(goods: Goods, context: Context) {
  const known = shelvesOf(context.stocks, goods)
  if (known.length) return known
  if (goods.kind === 'feed') return []
  return goods.material.packs.map((pack) => ({
    id: pack.id,
    name: pack.name,
    price: null,
    packs: 0,
    holds: packHolds(packSize(pack), goods).value,
  }))
}

/** Needs against what is on the shelf: what is short, and the cheapest whole packs for it. */
export const shortagesOf = (needs: readonly Need[], context: Context): ShoppingLine<Goods>[] =>
  shoppingList(
    addUp(needs).flatMap(({ kind, id, amount }) => {
      const goods = goodsOf({ kind, goodsId: id }, context)
      return goods
        ? [{ goods, amount, shelves: shelvesOf(context.stocks, goods), offers: offersOf(goods, context) }]
        : []
    }),
  )

type Planned = Pick<Bench, 'kept' | 'context'>

/** Batches that are planned and not made yet. */
export const unmadeBatches = (bench: Planned) => bench.kept.batches.filter(({ id }) => !makingOf(bench, id))

/** What the kept feeding schedules take to their end. */
export const needsOfProgrammes = ({ kept, context }: Planned): Need[] =>
  kept.programmes.flatMap(({ body }): Need[] => {
    if (programmeRecordProblems(body, context).length) return []
    const request = asProgrammeRequest(body, context)
    return [{ kind: 'feed', id: request.feed.id, amount: planProgramme(request).feedAmount }]
  })
