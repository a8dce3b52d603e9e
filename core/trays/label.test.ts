import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { drawLabel, type Measure } from './label'
import { LABEL_KINDS, LABEL_SIZES, labelSpots, onPlainPaper, sheetProblems } from './label-sheet'

/** Letters half as wide as they are high, as those of most types are in the mean. */
const measure: Measure = (text, sizeMm, bold) => text.length * sizeMm * (bold ? 0.58 : 0.52)
const word = fc.string({ minLength: 1, maxLength: 14, unit: fc.constantFrom(...'abcdefghijklmnop') })
const words = (most: number) =>
  fc.array(word, { minLength: 1, maxLength: most }).map((list) => list.join(' '))

describe('a label', () => {
  it('cuts no word off and lets none stand on another, whatever is written on it', () => {
    fc.assert(
      fc.property(
        words(8),
        words(4),
        fc.array(words(3), { maxLength: 6 }),
        fc.double({ min: 20, max: 200, noNaN: true }),
        fc.double({ min: 8, max: 120, noNaN: true }),
        fc.boolean(),
        (large, middle, small, widthMm, heightMm, code) => {
          const drawn = drawLabel(
            { large, middle, small, address: code ? 'here' : null },
            widthMm,
            heightMm,
            measure,
          )
          const edge = drawn.qr ? drawn.qr.x : widthMm
          let under = 0
          for (const line of drawn.lines) {
            expect(line.x + measure(line.text, line.sizeMm, line.bold)).toBeLessThanOrEqual(edge + 1e-6)
            expect(line.y).toBeLessThanOrEqual(heightMm)
            expect(line.y - 0.8 * line.sizeMm).toBeGreaterThanOrEqual(under - 1e-6)
            under = line.y + 0.2 * line.sizeMm
          }
          // Every word stands on it whole, or is said to have found no room.
          const said = drawn.lines.map(({ text }) => text).join(' ')
          for (const one of [large, middle]) for (const each of one.split(' ')) expect(said).toContain(each)
          for (const one of small) expect(said.includes(one) || drawn.left.includes(one)).toBe(true)
        },
      ),
    )
  })
  it('has the name largest, then the day', () => {
    const { lines } = drawLabel(
      { large: 'Genovese, Basil', middle: 'sown 12 Apr 2027', small: ['tray 14'], address: null },
      95,
      19,
      measure,
    )
    expect(lines.map(({ text }) => text)).toEqual(['Genovese, Basil', 'sown 12 Apr 2027', 'tray 14'])
    const sizes = lines.map(({ sizeMm }) => sizeMm)
    expect([...sizes].sort((a, b) => b - a)).toEqual(sizes)
  })
})

describe('a sheet of labels', () => {
  const sheet = { ...onPlainPaper('a4', 70, 37), leftMm: 0, topMm: 0, columns: 3, rows: 8 }
  // 3 × 70 mm are the whole width of A4, 8 × 37 mm are 296 of its 297 mm.
  it('holds as many as its paper is wide and high', () => {
    expect(sheetProblems(sheet)).toEqual([])
    expect(sheetProblems({ ...sheet, gapXMm: 1 })[0]).toMatchObject({
      path: ['columns'],
      kind: 'sheetTooWide',
      values: { n: 3, reach: 212, paper: 210 },
    })
    expect(sheetProblems({ ...sheet, topMm: 3 })[0]!.path).toEqual(['rows'])
    for (const kind of LABEL_KINDS)
      for (const paper of ['a4', 'letter'] as const)
        expect([kind, paper, sheetProblems(onPlainPaper(paper, ...LABEL_SIZES[kind]))]).toEqual([
          kind,
          paper,
          [],
        ])
  })
  it('goes on where the last one ended', () => {
    expect(labelSpots(sheet, 3, 24).map(({ page, x, y }) => [page, x, y])).toEqual([
      [0, 140, 259],
      [1, 0, 0],
      [1, 70, 0],
    ])
  })
})
