import { derive, given, type Figure } from '../working/figure'
import { byDefault, handbook } from '../working/source'
import type { Ingredient } from './ingredient'
import { settlingOf } from './settling'

/** Loose litres that go into a pressed one; 1.5–3 by the press and the mix [default]. */
export const BLOCK_COMPRESSION = 2
/** Of the pores of a block so much stays full of air however long it soaks; 4–10 % [handbook, from memory]. */
const TRAPPED_AIR = 0.05
/** However hard a block is pressed, so much of it stays pores [default]. */
const MIN_PORES = 0.3

/**
 * Pores of a pressed mix: the solids stay, the pores give way. @param litres of mix in one
 * @example pressedPores(2, 0.9) // ≈ 0.8
 */
export const pressedPores = (litres: number, pores: number): number =>
  litres === 1 ? pores : Math.max(MIN_PORES, 1 - litres * (1 - pores))

/**
 * Water in it: small pores keep theirs, as far as there is room. @param pores those left after pressing
 * @example pressedWater(2, 0.3, 0.8) // 0.6
 */
export const pressedWater = (litres: number, water: number, pores: number): number =>
  litres === 1 ? water : Math.min(litres * water, pores * (1 - TRAPPED_AIR))

/** What pressing does to a mix. */
export interface Pressing {
  /** Litres of settled mix in a litre of the container. */
  readonly litres: Figure
  readonly pores: (settled: Figure) => Figure
  readonly water: (settled: Figure, pores: Figure) => Figure
}

export const unpressed: Pressing = {
  litres: given('Mix in a litre', 1, 'L', byDefault('filled in, not pressed')),
  pores: (settled) => settled,
  water: (settled) => settled,
}

/**
 * A block is pressed: no grain is lost, so a litre of it holds the solids, the food and the salts of more than a litre of
 * mix, and as much less air. Large pores close first; the water that small ones hold stays, as far as there is room.
 *
 * @param compression loose litres in a pressed one
 */
export function pressed(ingredients: readonly Ingredient[], compression: number): Pressing {
  const litres = derive(
    'Mix pressed into a litre',
    'L',
    'max(1, b / (1 + s))',
    {
      b: given('Block compression', compression, '', byDefault('1.5–3 by the press and the mix')),
      s: settlingOf(ingredients),
    },
    ({ b, s }) => Math.max(1, b / (1 + s)),
    'Loose litres settle before they are pressed.',
  )
  const trapped = given(
    'Pores that stay full of air',
    TRAPPED_AIR,
    'share',
    handbook('4–10 % when soaked from below'),
  )
  return {
    litres,
    pores: (settled) =>
      derive(
        'Total pores, pressed',
        'share',
        'max(m, 1 - q * (1 - p))',
        {
          q: litres,
          p: settled,
          m: given('Least that stays', MIN_PORES, 'share', byDefault('no press closes them all')),
        },
        ({ q, p }) => pressedPores(q, p),
        'The solids stay, the pores give way.',
      ),
    water: (settled, pores) =>
      derive(
        `${settled.name}, pressed`,
        'share',
        'min(q * w, p * (1 - e))',
        { q: litres, w: settled, p: pores, e: trapped },
        ({ q, w, p }) => pressedWater(q, w, p),
        'Small pores keep their water; a block holds no more than it has pores for.',
      ),
  }
}
