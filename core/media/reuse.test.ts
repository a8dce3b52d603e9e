import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { airWanted } from './air-wanted'
import { columnDepthMm } from './container-physics'
import { traitsOf } from './finder'
import { BUILT_IN } from './materials'
import { materialById } from './test/material-by-id'
import { stretch } from './reuse'

describe('stretching an old mix', () => {
  const pot = CONTAINERS.find(({ id }) => id === 'pot-15cm')!
  const all = ['perlite', 'pumice', 'rice-hulls', 'bark', 'compost', 'castings', 'manure']

  it('brings air and food back to what is wanted, and adds no more than that takes', () => {
    const [best] = stretch('old-mix', all, pot, BUILT_IN)
    const { least } = airWanted(columnDepthMm(pot.shape))
    expect(best!.before.air).toBeLessThan(least)
    expect(best!.after.air).toBeGreaterThanOrEqual(least)
    expect(best!.after.food).toBeGreaterThanOrEqual(60)
    // One part less of either addition falls short somewhere.
    const ids = best!.parts.map(({ materialId }) => materialId)
    const request = {
      materials: ids.map(materialById),
      pricePerL: [],
      container: pot,
      wants: {},
      mostParts: 12,
      mostMaterials: 3,
      keep: 1,
    }
    best!.parts.slice(1).forEach((_, i) => {
      const fewer = best!.parts.map(({ parts }, j) => (j === i + 1 ? parts - 1 : parts))
      const traits = traitsOf(request, fewer)
      expect(traits.air < least || traits.food < 60).toBe(true)
    })
  })

  it('says so when nothing at hand does it', () => {
    expect(stretch('old-mix', ['perlite'], pot, BUILT_IN)).toEqual([])
  })
})
