import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { hotWater } from './hot-water'
import { materialById } from './test/material-by-id'
import { layered } from './test/fixture'

const given_ = (value: number, unit: string) => given('x', value, unit, yours())

describe('hot water', () => {
  const coir = [{ material: materialById('coir'), looseL: given_(10, 'L') }]

  it('heats as much as it cools: worked by hand', () => {
    // 10 L of coir at 80 g/L, dry: 800 g · 1.2 J = 0.96 kJ/K; 4 L of water at 97 °C over 18 °C.
    const { reachesC } = hotWater(coir, given_(4, 'L'), given_(0, 'L'))
    expect(reachesC.value).toBeCloseTo((0.96 * 18 + 4.18 * 4 * 97) / (0.96 + 4.18 * 4), 6)
  })

  it('does little to a mix that is already wet, and a colder tub is cool sooner', () => {
    const on = (moisture: number, water = 2) => hotWater(coir, given_(water, 'L'), given_(moisture, 'L'))
    expect(on(4).reachesC.value).toBeLessThan(50)
    expect(on(0).reachesC.value).toBeGreaterThan(80)
    expect(on(4).coolHours.value).toBeLessThan(on(0).coolHours.value)
    expect(on(0, 0).coolHours.value).toBe(0)
  })

  it('cooks nothing that is put in for its life, and nothing at all where there is nothing else', () => {
    const parts = (ids: string[]) => ids.map((materialId) => ({ materialId, parts: 1 }))
    const plan = (ids: string[]) =>
      planBatch(layered(null, { parts: parts(ids), preparations: ['hot water'] })).hotWater
    expect(plan(['compost', 'castings'])).toBeNull()
    expect(plan(['coir', 'castings'])!.reachesC.value).toBeGreaterThan(70)
  })
})
