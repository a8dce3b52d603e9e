import { at } from '../numeric/at'
import { median } from 'simple-statistics'

/** What is believed of a figure before it is measured, or after. */
export interface Belief {
  readonly mean: number
  /** One standard deviation. */
  readonly sd: number
}

/** One measured value of it, and how far such a measurement scatters. */
export type Measured = Belief

/** A figure as the household's own measurements have it: `n` of 0 is the default. */
export interface Learned extends Belief {
  readonly n: number
}

/**
 * A default corrected by what was measured, each by its precision: mean' = (mean/sd² + Σ x/s²) / (1/sd² + Σ 1/s²)
 * [standard: precision weighting, the posterior of a normal mean].
 *
 * @throws RangeError where a spread is not above 0
 * @example learnedFrom({ mean: 10, sd: 2 }, [{ mean: 12, sd: 2 }]).mean // 11
 * @example learnedFrom({ mean: 10, sd: 0 }, []) // throws RangeError
 */
export function learnedFrom(prior: Belief, measured: readonly Measured[]): Learned {
  for (const { sd } of [prior, ...measured]) if (!(sd > 0)) throw new RangeError(`sd: ${sd} is not above 0`)
  let precision = 1 / prior.sd ** 2
  let sum = prior.mean / prior.sd ** 2
  for (const { mean, sd } of measured) {
    precision += 1 / sd ** 2
    sum += mean / sd ** 2
  }
  return { mean: sum / precision, sd: Math.sqrt(1 / precision), n: measured.length }
}

/** From so many standard deviations off on, a measurement is doubted [default]. */
export const WILD_AT = 2.5

/** How far a measurement lies from what everything else says, in standard deviations of such a measurement. */
function farness(prior: Belief, measured: readonly Measured[], i: number): number {
  const { mean, sd } = at(measured, i)
  const fromPrior = Math.abs(mean - prior.mean) / Math.hypot(sd, prior.sd)
  const others = measured.filter((_, j) => j !== i)
  if (others.length < 2) return fromPrior
  // The median of the others is moved by no single one of them; nor is what agrees with it wild because the book is wrong.
  const fromOthers =
    Math.abs(mean - median([prior.mean, ...others.map((one) => one.mean)])) /
    Math.hypot(sd, median(others.map((one) => one.sd)))
  return Math.min(fromPrior, fromOthers)
}

/**
 * The same, robust to one wild measurement: a value farther than `WILD_AT` from both the default and the median of the others
 * is taken to scatter by so much more, (how far / `WILD_AT`)² times its spread, so that the wilder it is the less it weighs.
 * It is never thrown away: a person may be right.
 *
 * @returns also how far each lies, in standard deviations, in the order given
 * @throws RangeError where a spread is not above 0
 * @example learnedRobustly({ mean: 13, sd: 3 }, [{ mean: 17, sd: 4 }]).far // [0.8]
 */
export function learnedRobustly(
  prior: Belief,
  measured: readonly Measured[],
): Learned & { readonly far: readonly number[] } {
  const far = measured.map((_, i) => farness(prior, measured, i))
  const softened = measured.map(({ mean, sd }, i) => ({
    mean,
    sd: at(far, i) > WILD_AT ? sd * (at(far, i) / WILD_AT) ** 2 : sd,
  }))
  return { ...learnedFrom(prior, softened), far }
}

/**
 * The 95 % interval of a figure.
 *
 * @example intervalOf({ mean: 5, sd: 0 }) // [5, 5]
 */
export const intervalOf = ({ mean, sd }: Belief): readonly [low: number, high: number] => [
  mean - 1.959964 * sd,
  mean + 1.959964 * sd,
]

/**
 * A share that was counted, with the spread of such a count; never without any [Agresti & Coull 1998: two of each added].
 *
 * @example countedShare(9, 10).sd // ≈ 0.1097
 */
export function countedShare(hits: number, of: number): Measured {
  const p = (hits + 2) / (of + 4)
  return { mean: hits / of, sd: Math.sqrt((p * (1 - p)) / (of + 4)) }
}
