import { describe, expect, it } from '@jest/globals'
import { waterAt } from '../media/retention'
import { gaussLegendre } from './gauss-legendre'

describe('numerical integration', () => {
  it('is exact for polynomials up to 2·order − 1', () => {
    for (const order of [1, 2, 5, 12, 40]) {
      const { points, weights } = gaussLegendre(order)
      for (const degree of [0, 1, 2 * order - 1])
        expect(points.reduce((sum, x, i) => sum + weights[i]! * x ** degree, 0)).toBeCloseTo(
          1 / (degree + 1),
          12,
        )
    }
    expect(() => gaussLegendre(0)).toThrow(RangeError)
  })

  it('agrees with the closed form of a van Genuchten column with n = 2: ∫(1 + (αz)²)^−½ dz = asinh(αH)/α', () => {
    const [alpha, height] = [0.15, 14]
    const { points, weights } = gaussLegendre(12)
    const curve = { thetaR: 0.1, thetaS: 0.9, alphaPerCm: alpha, n: 2 }
    const mean = points.reduce((sum, t, i) => sum + weights[i]! * waterAt(curve, t * height), 0)
    expect(mean).toBeCloseTo(0.1 + (0.8 * Math.asinh(alpha * height)) / (alpha * height), 7)
  })
})
