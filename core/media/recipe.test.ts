import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { moveBoundary, setShare } from './recipe'

describe('a recipe in per cent', () => {
  it('gives one its share, and the others keep their ratios and the sum', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.25, max: 20, noNaN: true }), { minLength: 2, maxLength: 6 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (amounts, wanted) => {
          const parts = amounts.map((amount, i) => ({ materialId: String(i), parts: amount }))
          const next = setShare(parts, 0, wanted).map((part) => part.parts)
          const sum = (list: number[]) => list.reduce((a, b) => a + b, 0)
          expect(next[0]! / sum(next)).toBeCloseTo(wanted, 9)
          expect(sum(next)).toBeCloseTo(sum(amounts), 9)
          for (let i = 2; i < next.length; i++)
            expect(next[i]! / next[1]!).toBeCloseTo(amounts[i]! / amounts[1]!, 6)
        },
      ),
    )
    expect(() => setShare([{ materialId: 'coir', parts: 1 }], 0, 0.5)).toThrow(/single/)
    expect(() =>
      setShare(
        [
          { materialId: 'a', parts: 1 },
          { materialId: 'b', parts: 1 },
        ],
        0,
        1.2,
      ),
    ).toThrow(/share/)
  })
})

describe('dragging a boundary', () => {
  it('keeps the sum, stays on the step and above nothing', () => {
    const part = fc.integer({ min: 1, max: 40 }).map((quarters) => quarters / 4)
    fc.assert(
      fc.property(part, part, part, fc.double({ min: -5, max: 30, noNaN: true }), (a, b, c, to) => {
        const before = [a, b, c].map((parts, i) => ({ materialId: String(i), parts }))
        const after = moveBoundary(before, 0, to)
        expect(after[0]!.parts + after[1]!.parts).toBeCloseTo(a + b, 12)
        expect(after[2]!.parts).toBe(c)
        expect(Math.min(after[0]!.parts, after[1]!.parts)).toBeGreaterThanOrEqual(0.25)
      }),
    )
  })
})
