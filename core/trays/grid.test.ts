import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { gridOf } from './grid'

describe('the grid of a tray', () => {
  // As trays of these names are made [common practice, counted]; 72 are six by twelve, 288 twelve by twenty-four.
  it.each([
    [24, 4, 6],
    [50, 5, 10],
    [72, 6, 12],
    [98, 7, 14],
    [128, 8, 16],
    [200, 10, 20],
    [288, 12, 24],
    [512, 16, 32],
  ])('of %d cells is %d rows of %d', (cells, rows, columns) => {
    expect(gridOf({ id: 'any', cells })).toEqual({ rows, columns })
  })

  it('holds exactly its cells, long side along', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2000 }), (cells) => {
        const { rows, columns } = gridOf({ id: 'own', cells })
        expect([rows * columns, rows <= columns]).toEqual([cells, true])
      }),
    )
    for (const one of CONTAINERS) {
      const { rows, columns } = gridOf(one)
      expect(rows * columns).toBe(one.cells)
    }
  })
})
