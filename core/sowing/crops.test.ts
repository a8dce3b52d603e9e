import { describe, expect, it } from '@jest/globals'
import { coverOf, cropProblems } from './crop'
import { CROPS } from './crops'
import { daysToEmergence } from './emergence'

describe('the book of crops', () => {
  it('holds at least sixty, every one of them plausible and with a source for each figure', () => {
    expect(CROPS.length).toBeGreaterThanOrEqual(60)
    expect(new Set(CROPS.map(({ id }) => id)).size).toBe(CROPS.length)
    for (const crop of CROPS) {
      expect([crop.name, cropProblems(crop)]).toEqual([crop.name, []])
      expect([crop.name, daysToEmergence(crop.emergence, crop.warmthC)]).not.toEqual([crop.name, null])
      for (const source of Object.values(crop.sources)) expect(source.cite).not.toBe('')
    }
  })

  it('keeps the order of the trade: weeks, burying, light, cold', () => {
    const crop = (id: string) => CROPS.find((one) => one.id === id)!
    expect(crop('pepper').weeks[0]).toBeGreaterThan(crop('tomato').weeks[0])
    expect([crop('tomato').buryStem, crop('pepper').buryStem, crop('cucumber').buryStem]).toEqual([
      true,
      false,
      false,
    ])
    expect(coverOf(crop('petunia'), (mm) => `${mm} mm`)).toMatch(/^pressed in/)
    expect(coverOf(crop('lettuce'), (mm) => `${mm} mm`)).toMatch(/vermiculite/)
    expect(crop('strawberry').treatment).toEqual({ kind: 'chill', days: 35 })
    expect(crop('basil').lowestNightC).toBeGreaterThanOrEqual(10)
  })
})
