import { describe, expect, it } from '@jest/globals'
import { judge, growthStageById, GROWTH_STAGES } from './growth-stage'
import {} from './test/fixture'

describe('the stages', () => {
  // Constant feed in plug culture, handbook values from memory.
  it.each([
    ['before-emergence', 25, 'none wanted'],
    ['before-emergence', 0, 'right'],
    ['seed-leaves', 24, 'weak'],
    ['seed-leaves', 50, 'right'],
    ['true-leaves', 76, 'strong'],
    ['growing-on', 125, 'right'],
    ['hardening', 100, 'strong'],
  ])('%s at %d mg/L: %s', (id, strength, verdict) => {
    expect(judge(strength, growthStageById(id))).toBe(verdict)
  })

  it('rise to potting up and fall back before planting out', () => {
    const highs = GROWTH_STAGES.map(({ highNMgPerL }) => highNMgPerL)
    expect(highs.slice(0, -1)).toEqual([...highs.slice(0, -1)].sort((a, b) => a - b))
    expect(highs.at(-1)).toBeLessThan(highs.at(-2)!)
  })
})
