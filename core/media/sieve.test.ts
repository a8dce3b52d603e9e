import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { materialById } from './test/material-by-id'
import { sieveYield } from './sieve'

const given_ = (value: number, unit: string) => given('x', value, unit, yours())

describe('the sieve', () => {
  it('gives what was wanted: what comes out of the bag is what passes and what stays', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('potting-mix', 'compost', 'loam', 'leaf-mould'),
        fc.constantFrom('sieve' as const, 'fine sieve' as const),
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        (id, mesh, litres) => {
          const yielded = sieveYield(materialById(id), mesh, given_(litres, 'L'))!
          expect(yielded.bagL.value - yielded.staysL.value).toBeCloseTo(litres, 6)
          expect(yielded.staysL.value).toBeGreaterThan(0)
          if (yielded.perliteLostL)
            expect(yielded.perliteLostL.value).toBeLessThanOrEqual(yielded.staysL.value)
        },
      ),
    )
  })

  it('of 3 mm keeps back more than that of 6 mm, and perlite is not sieved', () => {
    const mix = materialById('potting-mix')
    const [coarse, narrow] = [
      sieveYield(mix, 'sieve', given_(10, 'L'))!,
      sieveYield(mix, 'fine sieve', given_(10, 'L'))!,
    ]
    expect(narrow.bagL.value).toBeGreaterThan(coarse.bagL.value)
    expect(narrow.perliteLostL!.value).toBeGreaterThan(coarse.perliteLostL!.value)
    expect(sieveYield(materialById('perlite'), 'sieve', given_(10, 'L'))).toBeNull()
  })
})
