import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { MATERIALS } from '../media/materials'
import { sizedFor } from './trade-size'

describe('the size in a name', () => {
  // 1 in = 25.4 mm, 1 US gal = 3.785 L, 1 lb = 453.6 g [NIST Handbook 44, appendix C].
  it.each([
    ['us', '11 cm round pot', '4¼ in round pot'],
    ['us', 'Half seed tray, 23 × 17 cm', 'Half seed tray, 9 × 6½ in'],
    ['us', '7.5 litre pot', '2 gal pot'],
    ['us', '2 litre pot', '2 qt pot'],
    ['us', '5 kg block', '11 lb block'],
    ['us', '3 in square pot', '3 in square pot'],
    ['metric', '2½ in square pot', '6½ cm square pot'],
    ['metric', '¾ in block', '2 cm block'],
    ['metric', '5 gal bucket', '19 litre bucket'],
    ['metric', '9 cm round pot', '9 cm round pot'],
    ['imperial', 'Trough, 300 mm', 'Trough, 12 in'],
    ['imperial', '1 litre pot', '2 pt pot'],
  ] as const)('is told in %s: %s', (units, name, told) => {
    expect(sizedFor(units, name)).toBe(told)
  })

  it('leaves nothing of the other measures in any name of the trade', () => {
    const names = [
      ...CONTAINERS.map(({ name }) => name),
      ...MATERIALS.flatMap(({ packs }) => packs.map(({ name }) => name)),
    ]
    for (const name of names) {
      expect(sizedFor('metric', name)).not.toMatch(/[\d¼½¾] (in|gal|lb|oz|qt)\b/)
      for (const units of ['us', 'imperial'] as const)
        expect(sizedFor(units, name)).not.toMatch(/[\d¼½¾] (mm|cm|L|litre|g|kg)\b/)
    }
  })
})
