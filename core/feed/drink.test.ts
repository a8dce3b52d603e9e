import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { soakIn, solutionFor, vesselsToCarry } from './drink'

const tray72 = CONTAINERS.find(({ id }) => id === 'tray-72')!
const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!
const litres = (value: number) => given('Litres', value, 'L', yours())
const easy = (share: number) => ({ easilyAvailableWater: given('Easily had', share, 'share', yours()) })

describe('what trays drink from below', () => {
  it('a flat of 72 stands in 2.15 L and drinks 0.34 L of it, by hand', () => {
    // 28 × 54 cm × 57 mm × a quarter.
    expect(soakIn(tray72, 1).value).toBeCloseTo(28 * 54 * 5.7 * 0.25 * 0.001, 6)
    // 72 cells of h/6 · (a² + c² + (a + c)²) = 45.9 mL, a fifth of it easily had, 45 % of that gone, 15 % left behind.
    const cellMl = (5.7 / 6) * (3.6 ** 2 + 2 ** 2 + 5.6 ** 2)
    expect(solutionFor(tray72, 1, easy(0.2)).value).toBeCloseTo((72 * cellMl * 0.2 * 0.45 * 1.15) / 1000, 3)
  })
  it('a cell that was measured counts as it was measured: 2 · 72 · 45 mL · 0.2 · 0.45 · 1.15', () => {
    const measured = { ...tray72, measuredVolumeMl: 45 }
    expect(solutionFor(measured, 2, easy(0.2)).value).toBeCloseTo(2 * 72 * 0.045 * 0.2 * 0.45 * 1.15, 9)
  })
  it('a pot has no flat below it: its own top counts, π · 5² · 9 cm · ¼', () => {
    expect(soakIn(pot, 4).value).toBeCloseTo((4 * Math.PI * 25 * 9 * 0.25) / 1000, 3)
  })
  it('doubles with the trays, and the vessels carried hold it, with none to spare', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        (count, each) => {
          const drunk = solutionFor(tray72, count, easy(0.24))
          expect(solutionFor(tray72, 2 * count, easy(0.24)).value).toBeCloseTo(2 * drunk.value, 9)
          const vessels = vesselsToCarry(drunk, litres(each)).value
          expect(vessels * each).toBeGreaterThanOrEqual(drunk.value - 1e-6)
          expect((vessels - 1) * each).toBeLessThan(drunk.value + 1e-6)
        },
      ),
    )
    // Exactly two cans are two, whatever the last decimal says.
    expect(vesselsToCarry(litres(0.1 + 0.2), litres(0.15)).value).toBe(2)
  })
})
