import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { drawFrom, fullAndOpen, onShelves, type Shelf } from './draw'
const shelves = fc
  .array(
    fc.record({
      holds: fc.integer({ min: 1, max: 100 }),
      packs: fc.double({ min: 0, max: 6, noNaN: true }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map((list): Shelf[] => list.map((shelf, i) => ({ id: String(i), ...shelf })))

describe('drawing from the shelves', () => {
  it('takes what there is and no more, and says what is short', () => {
    fc.assert(
      fc.property(shelves, fc.double({ min: 0, max: 900, noNaN: true }), (list, amount) => {
        const { drawn, short } = drawFrom(list, amount)
        const taken = drawn.reduce((sum, one) => sum + one.amount, 0)
        expect(taken + short).toBeCloseTo(amount, 6)
        expect(short > 1e-6).toBe(amount > onShelves(list) + 1e-6)
        for (const one of drawn) {
          const shelf = list.find(({ id }) => id === one.id)!
          expect(one.packs).toBeLessThanOrEqual(shelf.packs + 1e-9)
          expect(one.amount).toBeCloseTo(one.packs * shelf.holds, 9)
        }
      }),
    )
  })

  it('finishes open packs before it opens another', () => {
    const list = [
      { id: 'bag', holds: 50, packs: 2 },
      { id: 'open bag', holds: 50, packs: 1.4 },
      { id: 'open sack', holds: 100, packs: 0.05 },
    ]
    expect(drawFrom(list, 20).drawn.map(({ id, amount }) => [id, Math.round(amount)])).toEqual([
      ['open sack', 5],
      ['open bag', 15],
    ])
    expect(() => drawFrom(list, -1)).toThrow(RangeError)
    expect(() => drawFrom([{ id: 'x', holds: 1, packs: -1 }], 1)).toThrow(RangeError)
  })

  it('a tenth ten times is a full pack', () => {
    const tenths = Array.from({ length: 10 }, () => 0.1).reduce((a, b) => a + b, 0)
    expect(fullAndOpen(tenths)).toEqual({ full: 1, open: 0 })
    expect(fullAndOpen(2.4).full).toBe(2)
    expect(fullAndOpen(2.4).open).toBeCloseTo(0.4, 9)
  })
})
