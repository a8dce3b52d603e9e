import { derive, given, type Figure } from '../working/figure'
import { standard, yours } from '../working/source'
import { KEEPING_TABLE } from './seed-standards'

const BINOMIAL = standard('binomial distribution')

/**
 * Chance that at least one of so many comes up, each with chance `p`; fractions.
 *
 * @example anyOf(0.5, 2) // 0.75
 */
export const anyOf = (p: number, many: number): number => 1 - (1 - p) ** many

/**
 * Germination that a count of cells tells of, a fraction: a cell is empty where none of its seeds came up.
 *
 * @returns null where all of several came up, or none: any germination may have done that
 * @example germinationSeen(0.75, 2) // ≈ 0.500
 */
export function germinationSeen(share: number, seedsPerCell: number): number | null {
  if (share <= 0 || (share >= 1 && seedsPerCell > 1)) return null
  return 1 - (1 - share) ** (1 / seedsPerCell)
}

/** Chance that at least one of `seeds` comes up, each with chance `germination`; a fraction. */
export function chanceOfOne(germination: Figure, seeds: number): Figure {
  return derive(
    'Chance that a cell gives a plant',
    'share',
    '1 - (1 - g)^k',
    { g: germination, k: given('Seeds in a cell', seeds, '', yours()) },
    ({ g, k }) => anyOf(g, k),
    BINOMIAL.cite,
  )
}

/** Below this the first term is no longer exact as a plain number. */
const SMALLEST_LOG = -700

/**
 * P(X ≤ k) for X binomial(n, p), term by term; in logarithms where the first term would vanish.
 *
 * @example binomialAtMost(1, 2, 0.5) // ≈ 0.7500
 */
export function binomialAtMost(k: number, n: number, p: number): number {
  if (k < 0) return 0
  if (k >= n || p <= 0) return 1
  if (p >= 1) return 0
  const odds = p / (1 - p)
  let logTerm = n * Math.log1p(-p)
  let sum = Math.exp(logTerm)
  if (logTerm > SMALLEST_LOG) {
    let term = sum
    for (let i = 1; i <= k; i++) sum += term *= ((n - i + 1) / i) * odds
    return Math.min(1, sum)
  }
  for (let i = 1; i <= k; i++) {
    logTerm += Math.log(((n - i + 1) / i) * odds)
    sum += Math.exp(logTerm)
  }
  return Math.min(1, sum)
}

/** More cells than this are no question for a bench. */
export const MAX_CELLS = 100_000

/**
 * Fewest cells from which at least `plants` come with the wanted certainty, when each gives one with chance `p`.
 *
 * @param p fraction above 0, at most 1
 * @param certainty fraction, 0.5 to 0.999
 * @throws RangeError outside these
 * @example cellsFor(1, 1, 0.95) // 1
 * @example cellsFor(1, 0.5, 0.95) // 5
 */
export function cellsFor(plants: number, p: number, certainty: number): number {
  if (!(p > 0 && p <= 1)) throw new RangeError(`p: above 0 and at most 1, given ${p}`)
  if (!(certainty >= 0.5 && certainty <= 0.999))
    throw new RangeError(`certainty: 0.5 to 0.999, given ${certainty}`)
  if (plants <= 0) return 0
  return fewestCells(plants, 1, p, certainty)
}

/**
 * Fewest clumps of `perCell` seeds from which at least `plants` seedlings come with the wanted certainty, when each
 * seed gives one with chance `p`.
 *
 * @param p fraction above 0, at most 1
 * @param certainty fraction, 0.5 to 0.999
 * @throws RangeError for more than `MAX_CELLS`
 */
export const clumpsFor = (plants: number, perCell: number, p: number, certainty: number): number =>
  fewestCells(plants, perCell, p, certainty)

/** More seed never gives a worse chance, so the fewest is found by halving. */
function fewestCells(plants: number, perCell: number, p: number, certainty: number): number {
  const enough = (cells: number) => 1 - binomialAtMost(plants - 1, cells * perCell, p) >= certainty
  if (!enough(MAX_CELLS)) throw new RangeError(`plants: ${plants} are more than a bench can raise so`)
  let [low, high] = [Math.max(0, Math.ceil(plants / perCell) - 1), MAX_CELLS]
  while (high - low > 1) {
    // Four standard deviations over the mean nearly always do: try there first, then halve.
    const guess = Math.ceil((plants + 4 * Math.sqrt(plants)) / p / perCell) + 1
    const middle = high === MAX_CELLS && guess > low && guess < high ? guess : (low + high) >> 1
    if (enough(middle)) high = middle
    else low = middle
  }
  return high
}

/** Most plants that come with the wanted certainty, when each of `tries` gives one with chance `p`. */
export function plantsLikely(tries: number, p: number, certainty: number): number {
  let [low, high] = [0, tries + 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (1 - binomialAtMost(middle - 1, tries, p) >= certainty) low = middle
    else high = middle
  }
  return low
}

/** Fraction of its germination that stored seed loses a year, by family [default; onion and parsnip fall fastest]. */
export const AGEING_PER_YEAR = { short: 0.3, medium: 0.12, long: 0.06 } as const
export type SeedLife = keyof typeof AGEING_PER_YEAR

/**
 * What seed loses in a year: half of its germination is gone a year after the time it keeps for [default]; where no table
 * says how long that is, by its family.
 */
function lostInYear(life: SeedLife, keepsYears: number | null): Figure {
  if (keepsYears === null)
    return given('Lost in a year', AGEING_PER_YEAR[life], 'share', {
      tag: 'default',
      cite: `${life}-lived seed, kept dry`,
    })
  return derive(
    'Lost in a year',
    'share',
    '1 - 0.5^(1 / (n + 1))',
    { n: given('Years it keeps', keepsYears, 'years', KEEPING_TABLE) },
    ({ n }) => 1 - 0.5 ** (1 / (n + 1)),
  )
}

/**
 * Germination after years in the drawer: g · (1 − loss)^years.
 *
 * @param keepsYears by the tables; null where none names it, then by its family
 */
export function agedGermination(
  germination: Figure,
  years: number,
  life: SeedLife,
  keepsYears: number | null = null,
): Figure {
  return derive(
    'Germination of this seed now',
    'share',
    'g * (1 - l)^y',
    {
      g: germination,
      l: lostInYear(life, keepsYears),
      y: given('Years old', years, 'years', yours('the packet')),
    },
    ({ g, l, y }) => g * (1 - l) ** y,
  )
}

/**
 * 95 % interval of a proportion by Wilson's score: 18 of 24 → 55–88 % [std].
 *
 * @throws RangeError unless 0 ≤ up ≤ of and of > 0
 * @example wilson(18, 24).low // ≈ 0.55
 */
export function wilson(up: number, of: number, z = 1.959964): { low: number; high: number } {
  if (of <= 0 || up < 0 || up > of) throw new RangeError(`up: 0 to ${of}, given ${up}`)
  const p = up / of
  const middle = p + (z * z) / (2 * of)
  const half = z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))
  const scale = 1 + (z * z) / of
  return { low: (middle - half) / scale, high: (middle + half) / scale }
}
