/** Points and weights of Gauss–Legendre quadrature on [0, 1]; the weights add up to 1. */
export interface Quadrature {
  readonly points: readonly number[]
  readonly weights: readonly number[]
}

/**
 * @param order number of points; exact for polynomials up to degree 2·order − 1
 * @throws RangeError when order is no whole number from 1 to 64
 * @example gaussLegendre(2).weights.reduce((a, b) => a + b, 0) // ≈ 1.0000
 */
export function gaussLegendre(order: number): Quadrature {
  if (!Number.isInteger(order) || order < 1 || order > 64)
    throw new RangeError(`order: 1 to 64, given ${order}`)
  const points: number[] = []
  const weights: number[] = []
  for (let i = 0; i < order; i++) {
    // Newton from Tricomi's estimate of the i-th root.
    let x = Math.cos((Math.PI * (i + 0.75)) / (order + 0.5))
    let slope = 1
    for (let step = 0; step < 100; step++) {
      const [value, derivative] = legendre(order, x)
      slope = derivative
      const next = x - value / derivative
      if (Math.abs(next - x) < 1e-15) break
      x = next
    }
    points.push((1 - x) / 2)
    weights.push(1 / ((1 - x * x) * slope * slope))
  }
  return { points, weights }
}

/** Legendre polynomial and its derivative at x, by the three-term recurrence. */
function legendre(order: number, x: number): [value: number, derivative: number] {
  let before = 1
  let value = x
  for (let k = 2; k <= order; k++) [before, value] = [value, ((2 * k - 1) * x * value - (k - 1) * before) / k]
  return [value, (order * (x * value - before)) / (x * x - 1)]
}
