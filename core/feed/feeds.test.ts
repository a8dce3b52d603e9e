import { describe, expect, it } from '@jest/globals'
import { feedProblems } from './feed'
import { FEEDS } from './feeds'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!

describe('the generic feeds', () => {
  it('are at least sixteen, obey the rules of a label, and name no release they do not describe', () => {
    expect(FEEDS.length).toBeGreaterThanOrEqual(16)
    for (const one of FEEDS) {
      expect(feedProblems(one)).toEqual([])
      expect(one.release).toMatch(/\.$/)
    }
    expect(new Set(FEEDS.map(({ id }) => id)).size).toBe(FEEDS.length)
  })

  // Calcium nitrate tetra-/decahydrate salts, KNO3, KH2PO4, MgSO4·7H2O by formula masses (IUPAC).
  it.each([
    ['potassium-nitrate', 'nPercent', (14.007 / 101.1) * 100],
    ['monopotassium-phosphate', 'p2o5Percent', (141.94 / 2 / 136.09) * 100],
    ['magnesium-sulphate', 'mgPercent', (24.305 / 246.47) * 100],
    ['magnesium-sulphate', 'sPercent', (32.06 / 246.47) * 100],
    ['ammonium-sulphate', 'nPercent', (28.014 / 132.14) * 100],
    ['urea', 'nPercent', (28.014 / 60.06) * 100],
  ] as const)('%s has the %s of its formula, less what impurities and moisture take', (id, key, pure) => {
    expect(feed(id)[key]! / pure).toBeGreaterThan(0.93)
    expect(feed(id)[key]! / pure).toBeLessThan(1.02)
  })
})
