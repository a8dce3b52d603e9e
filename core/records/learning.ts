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
