import { describe, expect, it } from '@jest/globals'
import { elements, K_IN_K2O, P_IN_P2O5 } from './feed'
import { strengthOf } from './strength'
import { amount, powder } from './test/fixture'

describe('the label', () => {
  it('turns oxides into elements by IUPAC atomic masses (P 30.974, K 39.098, O 15.999)', () => {
    const O = 15.999
    expect(P_IN_P2O5).toBeCloseTo((2 * 30.974) / (2 * 30.974 + 5 * O), 4)
    expect(K_IN_K2O).toBeCloseTo((2 * 39.098) / (2 * 39.098 + O), 3)
  })

  it('gives 200 N, 87.3 P and 166.0 K mg/L for 1 g/L of 20-20-20', () => {
    const label = elements(powder(20, 20, 20))
    const strength = (percent: typeof label.n) => strengthOf('x', amount(1, 'g/L'), percent).value
    expect(strength(label.n)).toBeCloseTo(200, 9)
    expect(strength(label.p)).toBeCloseTo(87.3, 1)
    expect(strength(label.k)).toBeCloseTo(166.0, 1)
  })
})
