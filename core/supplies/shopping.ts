import { present } from '../present'
import { solve } from 'yalps'

/** A pack on offer: what it holds, in any one unit, and what it costs. */
export interface Offer {
  readonly id: string
  readonly holds: number
  /** null when the household does not know. */
  readonly price: number | null
}

export interface Purchase {
  readonly packs: readonly { readonly id: string; readonly count: number }[]
  /** null where a price is not known. */
  readonly cost: number | null
  /** What is bought in all, and what of it is left over, in the unit of the need. */
  readonly holds: number
  readonly leftover: number
}

/** A hair short is rounding noise, not a reason to buy another. */
const NOISE = 1e-9

/**
 * The cheapest whole packs that cover a shortfall, exactly: minimise Σ price · n with Σ holds · n ≥ need and n whole;
 * among equally cheap ones what leaves least over. Where prices are missing the least left over counts alone.
 *
 * @param need in the unit of the offers; 0 or less buys nothing
 * @returns null when nothing is on offer
 * @example cheapestPacks([], 0).packs // []
 */
export function cheapestPacks(offers: readonly Offer[], need: number): Purchase | null {
  if (need <= NOISE) return { packs: [], cost: 0, holds: 0, leftover: 0 }
  const priced = offers.filter(({ price }) => price !== null)
  const usable = (priced.length ? priced : offers).filter(({ holds }) => holds > 0)
  if (usable.length === 0) return null
  const best = (objective: 'cost' | 'holds', mostCost: number) =>
    solve({
      direction: 'minimize',
      objective,
      constraints: { holds: { min: need * (1 - NOISE) }, cost: { max: mostCost } },
      variables: Object.fromEntries(usable.map(({ id, holds, price }) => [id, { holds, cost: price ?? 0 }])),
      integers: true,
    })
  const cheapest = best('cost', Infinity)
  // Prices are money: a thousandth is far below the smallest coin.
  const chosen = priced.length ? best('holds', cheapest.result + 1e-3) : best('holds', Infinity)
  const counts = new Map(chosen.variables.map(([id, count]) => [id, Math.round(count)]))
  const packs = usable.flatMap(({ id }) => (counts.get(id) ? [{ id, count: present(counts.get(id)) }] : []))
  const sum = (of: (offer: Offer) => number) =>
    usable.reduce((total, offer) => total + (counts.get(offer.id) ?? 0) * of(offer), 0)
  const holds = sum((offer) => offer.holds)
  return {
    packs,
    holds,
    cost: priced.length ? sum(({ price }) => present(price)) : null,
    leftover: Math.max(0, holds - need),
  }
}
