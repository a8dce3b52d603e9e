import { describe, expect, it } from '@jest/globals'
import { MATERIALS } from './materials'
import { fitRetention, retentionOf, SUCTIONS_CM, waterAt } from './retention'

describe('the retention curve', () => {
  it.each(MATERIALS.map((material) => [material.name, material] as const))(
    'goes through the four points of %s within 0.004',
    (_, material) => {
      const measured = [material.theta0, material.theta10, material.theta50, material.theta100]
      const squares = SUCTIONS_CM.map(
        (suction, i) => (waterAt(retentionOf(material), suction) - measured[i]!) ** 2,
      )
      expect(Math.sqrt(squares.reduce((a, b) => a + b) / 4)).toBeLessThan(0.004)
    },
  )

  it('finds back the curve that made the points', () => {
    const curve = { thetaR: 0.2, thetaS: 0.9, alphaPerCm: 0.12, n: 1.8 }
    const points = SUCTIONS_CM.map((suction) => waterAt(curve, suction)) as [number, number, number, number]
    const fitted = fitRetention(points)
    for (const suction of [2, 5, 20, 70])
      expect(waterAt(fitted, suction)).toBeCloseTo(waterAt(curve, suction), 3)
  })

  it('falls with suction, for every material', () => {
    for (const material of MATERIALS)
      for (let suction = 1; suction < 100; suction += 3)
        expect(waterAt(retentionOf(material), suction)).toBeLessThanOrEqual(
          waterAt(retentionOf(material), suction - 1) + 1e-12,
        )
  })
})
