import { describe, expect, it } from '@jest/globals'
import { materialProblems } from './material'
import { MATERIALS } from './materials'
import { materialById } from './test/material-by-id'

describe('materials', () => {
  it('are at least 24, named once, possible, sourced, packed', () => {
    expect(MATERIALS.length).toBeGreaterThanOrEqual(24)
    expect(new Set(MATERIALS.map(({ name }) => name)).size).toBe(MATERIALS.length)
    for (const material of MATERIALS) {
      expect([material.id, materialProblems(material)]).toEqual([material.id, []])
      expect(
        material.packs.length * material.sustainability.length * Object.keys(material.sources).length,
      ).toBeGreaterThan(0)
    }
  })

  it('a material that holds more water when drier is refused at the field', () => {
    const fields = (over: object) =>
      materialProblems({ ...materialById('coir'), ...over }).map(({ path }) => path[0])
    expect(fields({ theta10: 0.96 })).toContain('theta10')
    expect(fields({ theta100: 0.5 })).toEqual(['theta100'])
    expect(fields({ dryBulkDensityGPerL: 0 })).toEqual(['dryBulkDensityGPerL'])
  })
})
