import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from './batch-request'
import { hotWater } from './hot-water'
import { BUILT_IN } from './materials'

const given_ = (value: number, unit: string) => given('x', value, unit, yours())
const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!
const rich = [
  { materialId: 'potting-mix', parts: 2 },
  { materialId: 'perlite', parts: 1 },
]
const fine = [{ materialId: 'seed-mix', parts: 1 }]
const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  ...plainBatch(),
  parts: fine,
  lowerParts: rich,
  fills: [{ container: pot, count: 10, coverMm: 0, coverMaterialId: 'mix', topMm: 20 }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  materials: BUILT_IN,
  ...over,
})
const layered = (topMm: number | null, over: Partial<BatchRequest> = {}) =>
  request({ ...over, fills: [{ ...request().fills[0]!, topMm }] })

describe('hot water', () => {
  const coir = planBatch(layered(null, { parts: [{ materialId: 'coir', parts: 1 }] })).ingredients

  it('heats as much as it cools: worked by hand', () => {
    // 10 L of coir at 80 g/L, dry: 800 g · 1.2 J = 0.96 kJ/K; 4 L of water at 97 °C over 18 °C.
    const { reachesC } = hotWater(given_(10, 'L'), coir, given_(4, 'L'), given_(0, 'L'))
    expect(reachesC.value).toBeCloseTo((0.96 * 18 + 4.18 * 4 * 97) / (0.96 + 4.18 * 4), 6)
  })

  it('does little to a mix that is already wet, and a colder tub is cool sooner', () => {
    const on = (moisture: number, water = 2) =>
      hotWater(given_(10, 'L'), coir, given_(water, 'L'), given_(moisture, 'L'))
    expect(on(4).reachesC.value).toBeLessThan(50)
    expect(on(0).reachesC.value).toBeGreaterThan(80)
    expect(on(4).coolHours.value).toBeLessThan(on(0).coolHours.value)
    expect(on(0, 0).coolHours.value).toBe(0)
  })
})
