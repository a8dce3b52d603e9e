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
  readonly inStores: number
  /** What is wanted and not there; 0 when there is enough. */
  readonly short: number
  /** Whole packs that cover it; null when nothing is on offer. */
  readonly buy: Purchase | null
}

/** What to buy: for everything that is wanted, what the stores lack and the cheapest whole packs for it. */
export function shoppingList<Goods>(wants: readonly Wanted<Goods>[]): ShoppingLine<Goods>[] {
  return wants.map(({ goods, amount, shelves, offers }) => {
    const inStores = onShelves(shelves)
    const short = Math.max(0, amount - inStores)
    return { goods, wanted: amount, inStores, short, buy: cheapestPacks(offers, short) }
  })
}
