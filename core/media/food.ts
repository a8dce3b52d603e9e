import { derive, given, type Figure } from '../working/figure'
import { byDefault, handbook, practice } from '../working/source'

export type Appetite = 'light' | 'medium' | 'heavy'

/** Growth rate of dry mass after emergence, per day, by appetite [0.14 handbook, from memory; the others default]. */
export const GROWTH_PER_DAY: Readonly<Record<Appetite, number>> = { light: 0.12, medium: 0.14, heavy: 0.16 }

/** Dry mass of a seedling at emergence, mg, for tomato-sized seed; 2–3 [handbook, from memory]. */
export const MASS_AT_EMERGENCE_MG = 2.5
export const NITROGEN_OF_DRY_MASS = 0.04
/** A seed feeds itself for about so many days; 7–10 [common practice]. */
export const SEED_FEEDS_ITSELF_DAYS = 7
export const RELEASE_DAYS = 56
/** Of the nitrogen that will be released, so much is soluble from the first day [default]. */
export const SOLUBLE_AT_ONCE = 0.15
/** Beyond this the computation means nothing more: another pot, another mix. */
export const LONGEST_DAYS = 90

/**
 * Cumulative nitrogen that a seedling has taken up by day t after emergence, mg.
 *
 * @example nitrogenWantedMg(0, 'medium') // 0
 */
export function nitrogenWantedMg(days: number, appetite: Appetite): number {
  return NITROGEN_OF_DRY_MASS * MASS_AT_EMERGENCE_MG * (Math.exp(GROWTH_PER_DAY[appetite] * days) - 1)
}

/** Nitrogen a litre of mix gives, mg: over 8 weeks at 21 °C, and soluble on the day it is mixed. */
export interface MixFood {
  readonly releasedMgPerL: number
  readonly starterMgPerL: number
}

/**
 * Nitrogen that the mix of one cell has let go so many days after it was filled, mg; what is soluble is given once.
 *
 * @example letGoMg({ releasedMgPerL: 100, starterMgPerL: 40 }, 50, 56) // 7
 */
export const letGoMg = ({ releasedMgPerL, starterMgPerL }: MixFood, cellMl: number, days: number): number =>
  (cellMl / 1000) *
  (starterMgPerL +
    releasedMgPerL * (SOLUBLE_AT_ONCE + (1 - SOLUBLE_AT_ONCE) * Math.min(1, days / RELEASE_DAYS)))

/** Nitrogen it can have had by then, mg: the seed's own, and what the mix in its cell has let go. */
export const nitrogenSuppliedMg = (days: number, food: MixFood, cellMl: number, appetite: Appetite): number =>
  nitrogenWantedMg(SEED_FEEDS_ITSELF_DAYS, appetite) + letGoMg(food, cellMl, days)

/**
 * Days after emergence until the seedlings in a cell have used up what seed and mix give.
 *
 * @param food nitrogen of a litre of mix: released in 8 weeks at 21 °C, and soluble when it is mixed, mg/L
 * @param cellMl volume of mix in the cell for each of its plants, mL; more where it is pressed in
 * @returns 0 to `LONGEST_DAYS`; that many stands for "longer than it should stay"
 */
export function daysOfFood(
  { releasedMgPerL, starterMgPerL }: Record<keyof MixFood, Figure>,
  cellMl: Figure,
  appetite: Appetite,
): Figure {
  const inCell = (name: string, perL: Figure) =>
    derive(name, 'mg', 'R * V / 1000', { R: perL, V: cellMl }, ({ R, V }) => (R * V) / 1000)
  const food = { releasedMgPerL: releasedMgPerL.value, starterMgPerL: starterMgPerL.value }
  // With the supply taken at the day it runs out, the formula below gives that day; found by halving.
  let [low, high] = [0, LONGEST_DAYS]
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (nitrogenWantedMg(middle, appetite) < nitrogenSuppliedMg(middle, food, cellMl.value, appetite))
      low = middle
    else high = middle
  }
  return derive(
    'Days of food',
    'days',
    'min(L, log(1 + (S + A + R * (q + (1 - q) * t / T)) / (n * M)) / g)',
    {
      L: given('Longest that is estimated', LONGEST_DAYS, 'days', byDefault('pot on before then')),
      S: given(
        'Seed’s own nitrogen',
        nitrogenWantedMg(SEED_FEEDS_ITSELF_DAYS, appetite),
        'mg',
        practice('a seed feeds itself for 7–10 days'),
      ),
      A: inCell('Nitrogen soluble at mixing, in one cell', starterMgPerL),
      R: inCell('Nitrogen released in one cell', releasedMgPerL),
      q: given('Soluble at once', SOLUBLE_AT_ONCE, 'share', byDefault('of what is released in 8 weeks')),
      t: given(
        'Day it runs out',
        Math.min(low, RELEASE_DAYS),
        'days',
        byDefault('found by halving: where supply meets demand'),
      ),
      T: given('Release time', RELEASE_DAYS, 'days', handbook('8 weeks at 21 °C')),
      n: given('Nitrogen of dry mass', NITROGEN_OF_DRY_MASS, 'share', handbook('young plants')),
      M: given('Dry mass at emergence', MASS_AT_EMERGENCE_MG, 'mg', handbook('2–3 mg for tomato-sized seed')),
      g: given(
        'Growth a day',
        GROWTH_PER_DAY[appetite],
        '1/day',
        handbook('0.14 a day for a medium appetite'),
      ),
    },
    () => (low >= LONGEST_DAYS - 1e-6 ? LONGEST_DAYS : low),
    'Demand grows as e^(g·t); it lasts until demand passes the seed’s own, the soluble and the released nitrogen.',
  )
}
