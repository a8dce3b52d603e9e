import { computed } from 'vue'
import { usePlannedBatch } from '~/composables/usePlanned'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { packHolds, packSize } from '#core/stores/goods'
import { planProgramme } from '#core/feed/programme'
import { asProgrammeRequest, programmeRecordProblems } from '#shared/records/programme'
import { printQuantity } from '#core/units/format'
import { addUp, needsOfBatch, type Need } from '#core/stores/needs'
import { goodsName, goodsUnit, type Goods } from '#core/stores/goods'
import { shoppingList, type ShoppingLine } from '#core/stores/list'

/** Needs against what is on the shelf: what is short, and the cheapest whole packs for it. */
export function useShopping() {
  const household = useHousehold()
  const context = useContext()

  /** Packs a thing can be bought in: those the household knows, else the usual ones of the trade, without a price. */
  function offersOf(goods: Goods) {
    const kind = goods.kind
    const id = goods.kind === 'material' ? goods.material.id : goods.feed.id
    const known = context.shelves(kind, id)
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

  function linesFor(needs: readonly Need[]): ShoppingLine<Goods>[] {
    return shoppingList(
      addUp(needs).flatMap(({ kind, id, amount }) => {
        const goods = context.goods(kind, id)
        return goods ? [{ goods, amount, shelves: context.shelves(kind, id), offers: offersOf(goods) }] : []
      }),
    )
  }

  /** `2 × 10 L bag of perlite`, for each pack of a purchase. */
  function packNames(goods: Goods, packs: readonly { id: string; count: number }[]) {
    const offers = offersOf(goods)
    return packs.map(
      ({ id, count }) => `${count} × ${offers.find((offer) => offer.id === id)?.name ?? 'pack'}`,
    )
  }

  /** `3.2 L`, `450 g`. */
  const printAmount = (goods: Goods, amount: number) => {
    const unit = goodsUnit(goods)
    return unit === 'g'
      ? printQuantity(amount, 'mass', household.kitchen)
      : printQuantity(unit === 'mL' ? amount / 1000 : amount, 'volume', household.kitchen)
  }

  const unmade = computed(() => household.batches.filter(({ id }) => !household.making(id)))
  /** What the kept ladders of feeds take to their end. */
  const fed = computed(() =>
    household.programmes.flatMap(({ body }): Need[] => {
      if (programmeRecordProblems(body, context.whole).length) return []
      const request = asProgrammeRequest(body, context.whole)
      return [{ kind: 'feed', id: request.feed.id, amount: planProgramme(request).feedAmount }]
    }),
  )
  /** What all batches that are planned and not yet made still take, and the ladders of feeds. */
  const planned = computed(() =>
    linesFor([
      ...unmade.value.flatMap((batch) => {
        const reckoned = usePlannedBatch(batch)
        return reckoned ? needsOfBatch(reckoned.plan) : []
      }),
      ...fed.value,
    ]),
  )
  return { linesFor, packNames, printAmount, planned, unmade, fed, nameOf: goodsName }
}
