import { at } from '../numeric/at'
/** van Genuchten (1980): θ(h) = θr + (θs − θr)·[1 + (αh)ⁿ]^−(1−1/n), h in cm of water. */
export interface RetentionCurve {
  readonly thetaR: number
  readonly thetaS: number
  readonly alphaPerCm: number
  readonly n: number
}

/** Water held at a suction, a fraction of volume. */
export function waterAt(curve: RetentionCurve, suctionCm: number): number {
  return curve.thetaR + (curve.thetaS - curve.thetaR) * filled(curve.alphaPerCm, curve.n, suctionCm)
}

const filled = (alpha: number, n: number, suctionCm: number) =>
  suctionCm <= 0 ? 1 : (1 + (alpha * suctionCm) ** n) ** (1 / n - 1)

export const SUCTIONS_CM = [0, 10, 50, 100] as const

const fits = new WeakMap<object, RetentionCurve>()
/** The same points give the same curve, also where a material was read anew. */
const fitsByPoints = new Map<string, RetentionCurve>()
const MAX_FITS = 500

/** How far a curve passes by four points, as a fraction of volume: the root of the mean square; good ones stay under 0.01. */
export function fitError(theta: readonly [number, number, number, number]): number {
  const curve = fitRetention(theta)
  const squares = SUCTIONS_CM.map((suction, i) => (waterAt(curve, suction) - at(theta, i)) ** 2)
  return Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / squares.length)
}
/** A curve that passes its points by more than this does not describe them. */
export const FIT_ENOUGH = 0.01

/** Water held as fractions of volume at suctions of 0, 10, 50 and 100 cm of water. */
export interface RetentionPoints {
  readonly theta0: number
  readonly theta10: number
  readonly theta50: number
  readonly theta100: number
}

/** The curve through a material's four measured points, by least squares; kept with the material. */
export function retentionOf(material: RetentionPoints): RetentionCurve {
  let curve = fits.get(material)
  if (!curve) {
    curve = fitOnce([material.theta0, material.theta10, material.theta50, material.theta100])
    fits.set(material, curve)
  }
  return curve
}

function fitOnce(theta: readonly [number, number, number, number]): RetentionCurve {
  const key = theta.join(' ')
  let curve = fitsByPoints.get(key)
  if (!curve) {
    if (fitsByPoints.size >= MAX_FITS) fitsByPoints.clear()
    fitsByPoints.set(key, (curve = fitRetention(theta)))
  }
  return curve
}

/**
 * Least squares over α and n by a grid and then a shrinking pattern search; θr and θs, in which the curve is
 * linear, are solved for exactly at each step.
 *
 * @param theta water at 0, 10, 50 and 100 cm of suction, fractions of volume
 */
export function fitRetention(theta: readonly [number, number, number, number]): RetentionCurve {
  let best = solveLinear(theta, Math.log(0.05), 2)
  const consider = (logAlpha: number, n: number) => {
    if (n < 1.02 || n > 12 || logAlpha < Math.log(1e-4) || logAlpha > Math.log(20)) return false
    const candidate = solveLinear(theta, logAlpha, n)
    if (candidate.error >= best.error) return false
    best = candidate
    return true
  }
  for (let i = 0; i <= 24; i++)
    for (let j = 0; j <= 16; j++)
      consider(Math.log(0.002) + (i / 24) * Math.log(1500), 1.05 + (j / 16) ** 2 * 8)
  for (let step = 0.3; step > 1e-4;) {
    const { logAlpha, n } = best
    const better =
      consider(logAlpha + step, n) ||
      consider(logAlpha - step, n) ||
      consider(logAlpha, n + step) ||
      consider(logAlpha, n - step)
    if (!better) step /= 2
  }
  return { thetaR: best.thetaR, thetaS: best.thetaS, alphaPerCm: Math.exp(best.logAlpha), n: best.n }
}

function solveLinear(theta: readonly number[], logAlpha: number, n: number) {
  const s = SUCTIONS_CM.map((suction) => filled(Math.exp(logAlpha), n, suction))
  // Normal equations of θ = θr·(1 − s) + θs·s.
  let [a, b, c, p, q] = [0, 0, 0, 0, 0]
  s.forEach((si, i) => {
    a += (1 - si) * (1 - si)
    b += (1 - si) * si
    c += si * si
    p += (1 - si) * at(theta, i)
    q += si * at(theta, i)
  })
  const determinant = a * c - b * b
  let thetaR = determinant > 1e-12 ? (p * c - q * b) / determinant : 0
  let thetaS = determinant > 1e-12 ? (a * q - b * p) / determinant : q / c
  if (thetaR < 0) [thetaR, thetaS] = [0, q / c]
  const error = s.reduce((sum, si, i) => sum + (thetaR * (1 - si) + thetaS * si - at(theta, i)) ** 2, 0)
  return { logAlpha, n, thetaR, thetaS, error }
}
