import { describe, expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { loosenedPeat, soakForFibre, soakForMass, waterToAdd, type Feel } from './hydration'
import { fill, request } from './test/fixture'
const share = (value: number) => given('share', value, 'share', yours())
const litres = (value: number) => given('volume', value, 'L', yours())

describe('coir, peat and water', () => {
  it('soaks a 650 g brick to about 8.5 L with about 3.6 L (common practice)', () => {
    const brick = soakForMass(given('brick', 650, 'g', yours()))
    expect(brick.fibreL.value).toBeCloseTo(8.5, 1)
    expect(brick.waterL.value).toBeCloseTo(3.6, 1)
    // Growers pour about ¾ US gal (2.84 L): the low end of 4–7 L/kg.
    expect(2.839 / 0.65).toBeGreaterThan(4)
    expect(2.839).toBeLessThan(brick.waterL.value)
  })

  it('makes 60–75 L of a 5 kg block (trade range), and wants back the mass it came from', () => {
    const block = soakForMass(given('block', 5000, 'g', yours()))
    expect(block.fibreL.value).toBeGreaterThanOrEqual(60)
    expect(block.fibreL.value).toBeLessThanOrEqual(75)
    expect(soakForFibre(block.fibreL).dryMassG.value).toBeCloseTo(5000, 9)
  })

  it('opens whole bricks, and says what they would give', () => {
    const plan = planBatch(request({ fills: [fill('tray-72', 4)] }))
    const coir = plan.lines[0]!
    expect(coir.packs.value).toBe(Math.ceil(coir.soak!.dryMassG.value / 650))
    expect(coir.soakWholePacks!.fibreL.value).toBeGreaterThanOrEqual(coir.looseL.value)
  })

  it('loosens a 3.8 cu ft bale of 107.6 L to 1.8–2.0 times (handbook)', () => {
    const loose = loosenedPeat(litres(3.8 * 28.316846592)).value
    expect(loose).toBeGreaterThan(107.6 * 1.8)
    expect(loose).toBeLessThan(107.7 * 2)
  })

  it('adds water by feel: V · (θ_target − θ_now) less what the coir brought, and never takes any out', () => {
    const add = (feel: Feel, now: number, coirL: number) =>
      waterToAdd({
        mixL: litres(10),
        containerCapacity: share(0.6),
        feel,
        thetaNow: share(now),
        coirWaterL: litres(coirL),
      }).value
    // 10 L, capacity 0.6, sponge 0.60 of it = 0.36; now at 0.1; 1 L came with the coir: 2.6 − 1 = 1.6 L
    expect(add('wrung-out sponge', 0.1, 1)).toBeCloseTo(1.6, 12)
    expect(add('damp', 0.5, 1)).toBe(0)
    expect(add('soil block', 0.1, 0)).toBeGreaterThan(add('cake', 0.1, 0))
  })
})
