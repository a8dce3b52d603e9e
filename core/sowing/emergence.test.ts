import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { daysToEmergence, EMERGENCE_DAYS } from './emergence'

describe('days to emergence (Harrington & Minges 1954, from memory)', () => {
  it('is the table at its own temperatures', () => {
    const at = (like: string, mixC: number) => daysToEmergence({ like, factor: 1 }, mixC)?.value
    expect(at('tomato', 10)).toBe(43)
    expect(at('lettuce', 25)).toBe(2)
    expect(at('okra', 35)).toBe(6)
    expect(at('pepper', 10)).toBeUndefined()
    expect(at('spinach', 35)).toBeUndefined()
  })

  it('runs evenly in rate between two columns: half way is the harmonic mean', () => {
    const half = (a: number, b: number) => 2 / (1 / a + 1 / b)
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 17.5)!.value).toBeCloseTo(half(14, 8), 10)
    expect(daysToEmergence({ like: 'celery', factor: 2 }, 12.5)!.value).toBeCloseTo(2 * half(16, 12), 10)
  })

  it('lies between its neighbours everywhere, and ends where the table ends', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(EMERGENCE_DAYS)),
        fc.double({ min: 10, max: 35, noNaN: true }),
        (like, mixC) => {
          const row = EMERGENCE_DAYS[like]!
          const [a, b] = [row[Math.floor((mixC - 10) / 5)], row[Math.ceil((mixC - 10) / 5)]]
          const days = daysToEmergence({ like, factor: 1 }, mixC)
          if (a == null || b == null) return days === null
          return days!.value >= Math.min(a, b) - 1e-9 && days!.value <= Math.max(a, b) + 1e-9
        },
      ),
    )
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 9.9)).toBeNull()
    expect(daysToEmergence({ like: 'tomato', factor: 1 }, 35.1)).toBeNull()
    expect(() => daysToEmergence({ like: 'moss', factor: 1 }, 20)).toThrow(/like/)
  })
})
