import { onShelves, type Shelf } from './draw'
import { cheapestPacks, type Offer, type Purchase } from './shopping'

export interface Wanted<Goods> {
  readonly goods: Goods
  /** In the unit the goods are used by. */
  readonly amount: number
  readonly shelves: readonly Shelf[]
  /** Packs it can be bought in. */
  readonly offers: readonly Offer[]
}

export interface ShoppingLine<Goods> {
  readonly goods: Goods
  readonly wanted: number
  readonly inSupplies: number
  /** What is wanted and not there; 0 when there is enough. */
  readonly short: number
  /** Whole packs that cover it; null when nothing is on offer. */
  readonly buy: Purchase | null
}

/** What to buy: for everything that is wanted, what the supplies lack and the cheapest whole packs for it. */
export function shoppingList<Goods>(wants: readonly Wanted<Goods>[]): ShoppingLine<Goods>[] {
  return wants.map(({ goods, amount, shelves, offers }) => {
    const inSupplies = onShelves(shelves)
    const short = Math.max(0, amount - inSupplies)
    return { goods, wanted: amount, inSupplies, short, buy: cheapestPacks(offers, short) }
  })
}
