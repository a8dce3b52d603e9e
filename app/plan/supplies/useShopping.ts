import { goodsName, goodsUnit, type Goods } from '#core/supplies/goods'
import type { Need } from '#core/supplies/needs'
import { printQuantity } from '#core/units/format'
import { offersOf, shortagesOf } from '#shared/derived/shortage'

/** Needs against what is on the shelf: what is short, and the cheapest whole packs for it. */
export function useShopping() {
  const household = useHousehold()
  const context = useContext()
  const linesFor = (needs: readonly Need[]) => shortagesOf(needs, context.whole)

  /** `2 × 10 L bag of perlite`, for each pack of a purchase. */
  function packNames(goods: Goods, packs: readonly { id: string; count: number }[]) {
    const offers = offersOf(goods, context.whole)
    return packs.map(
      ({ id, count }) => `${count} × ${offers.find((offer) => offer.id === id)?.name ?? 'pack'}`,
    )
  }

  /** `3.2 L`, `450 g`. */
  const printAmount = (goods: Goods, amount: number) => {
    const unit = goodsUnit(goods)
    return unit === 'g'
      ? printQuantity(amount, 'mass', household.units)
      : printQuantity(unit === 'mL' ? amount / 1000 : amount, 'volume', household.units)
  }
  return {
    linesFor,
    packNames,
    printAmount,
    nameOf: goodsName,
  }
}
