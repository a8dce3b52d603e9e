import { describe, expect, it } from '@jest/globals'
import { causesOf, type BenchRecord } from './signs'

describe('signs', () => {
  const well: BenchRecord = {
    lastNMgPerL: 60,
    band: [50, 75],
    ecMsPerCm: 0.8,
    ecLimitMsPerCm: 1.5,
    daysPastFood: -6,
    air: 0.14,
    airLeast: 0.08,
    ph: 6,
    alkalinityMgPerL: 80,
    saltsMsPerCm: 0.8,
    coldestC: 20,
  }
  const first = (sign: Parameters<typeof causesOf>[0], over: Partial<BenchRecord>) =>
    causesOf(sign, { ...well, ...over })[0]?.id

  it('follow the record: the number that is off comes first, with the number', () => {
    expect(first('pale', { daysPastFood: 10 })).toBe('hungry')
    expect(first('pale', { air: 0.02 })).toBe('drowned')
    expect(first('burnt', { lastNMgPerL: 180 })).toBe('strong-feed')
    expect(first('burnt', { ecMsPerCm: 3 })).toBe('salts')
    expect(first('purple', { coldestC: 9 })).toBe('cold')
    expect(first('crust', { ecMsPerCm: 2.6 })).toBe('salts')
    expect(causesOf('burnt', { ...well, lastNMgPerL: 180 })[0]!.because).toContain('180 mg/L')
  })

  it('what the record speaks against is left out, what it knows nothing of comes last', () => {
    expect(causesOf('burnt', well)).toEqual([])
    const unknown = causesOf('pale', { ...well, daysPastFood: null, air: 0.02 })
    expect(unknown.at(-1)).toMatchObject({ id: 'hungry', weight: 0 })
  })
})
