import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { moveBoundary, setShare } from './recipe'

describe('a recipe in per cent', () => {
  it('keeps shares that were typed, one after the other: 60, 30 and 10 stay so', () => {
    let parts = ['coir', 'perlite', 'castings'].map((materialId) => ({ materialId, parts: 1 }))
    const typed = new Set<string>()
    for (const [index, share] of [0.6, 0.3].entries()) {
      typed.add(parts[index]!.materialId)
      parts = setShare(parts, index, share, ({ materialId }) => typed.has(materialId))
    }
    const sum = parts.reduce((all, part) => all + part.parts, 0)
    expect(sum).toBeCloseTo(3, 9)
    for (const [i, part] of parts.entries()) expect(part.parts / sum).toBeCloseTo([0.6, 0.3, 0.1][i]!, 9)
  })

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
