import { describe, expect, it } from '@jest/globals'
import { packSaid, packsOf } from './pack-said'

describe('a pack as it is said', () => {
  // 1 cu ft = 28.316 846 592 L, 1 US gal = 3.785 411 784 L, 1 lb = 453.592 37 g [NIST SP 811, Handbook 44]; 1 imp gal = 4.546 09 L.
  it.each([
    ['50 L', 'metric', 'loose', 50],
    ['650 g', 'metric', 'mass', 650],
    ['5 kg', 'imperial', 'mass', 5000],
    ['2 gal', 'us', 'loose', 7.570823568],
    ['2 gal', 'imperial', 'loose', 9.09218],
    ['3 cu ft', 'us', 'loose', 84.950539776],
    ['1 lb 4 oz', 'us', 'mass', 566.99046],
  ] as const)('%s in a %s kitchen', (text, units, measure, amount) => {
    const said = packSaid(text, units)
    expect(said!.measure).toBe(measure)
    expect(said!.amount).toBeCloseTo(amount, 3)
  })
  it('a pressed bale is told by its volume', () => {
    expect(packSaid('107 L', 'metric', true)).toEqual({ measure: 'pressed', amount: 107 })
  })
  it.each(['', 'a bag', '5', '12 apples'])('“%s” is none', (text) => {
    expect(packSaid(text, 'metric')).toBeNull()
  })
  it.each([
    [0.066, '7 % of bag'],
    [0.68, '68 % of bag'],
    [1, '1 × bag'],
    [2.5, '2.5 × bag'],
  ])('%d of them is said as a share or a count', (packs, said) => {
    expect(packsOf(packs, 'bag')).toBe(said)
  })
})
