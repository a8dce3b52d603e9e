import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { countScoops } from './scoops'

const litres = (value: number) => given('volume', value, 'L', yours())

describe('scoops and packs', () => {
  it('counts to the half scoop, the quarter below four, and states the rounding', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 300, noNaN: true }),
        fc.double({ min: 0.1, max: 20, noNaN: true }),
        (wanted, scoopL) => {
          const { scoops, roundingError } = countScoops({ name: 'scoop', volumeL: scoopL }, litres(wanted))
          const step = wanted / scoopL < 4 ? 0.25 : 0.5
          expect(scoops.value % step).toBeCloseTo(0, 9)
          expect(Math.abs(scoops.value * scoopL - wanted)).toBeLessThanOrEqual((step * scoopL) / 2 + 1e-9)
          expect(wanted * (1 + roundingError.value)).toBeCloseTo(scoops.value * scoopL, 6)
        },
      ),
    )
  })
})
