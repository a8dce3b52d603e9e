import { describe, expect, it } from '@jest/globals'
import { sayNoWay, sayStrength } from './feed'

describe('a strength in words', () => {
  it('says how far above the stage it lies from half as much again on', () => {
    const at = (value: number) => sayStrength('strong', { value, printed: String(value) })
    expect(at(1.49)).toBe('stronger than this stage likes')
    expect(at(1.5)).toMatch(/^1\.5 times the most .* Take it weaker\.$/)
    expect(sayStrength('strong')).toBe(at(1.49))
  })

  it('says what would measure a dose that nothing at hand does, and nothing where something does', () => {
    expect(sayNoWay('powder too little')).toMatch(/pocket scale/)
    expect(sayNoWay('liquid too little')).toMatch(/syringe/)
    expect(sayNoWay('tools too small')).toMatch(/larger spoon/)
    expect(sayNoWay(null)).toBe('')
  })
})
