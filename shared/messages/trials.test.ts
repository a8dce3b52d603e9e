import { describe, expect, it } from '@jest/globals'
import { judged, judgedDays, type Side } from '#core/trials/trial'
import { sayChance, sayTrial } from './trials'

const side = (name: string, hits: number, of: number, trayId: string, days: number[] = []): Side => ({
  code: name,
  name,
  hits,
  of,
  days,
  trays: [{ hits, of, days, trayId }],
})
const cells = (a: number, b: number, of = 36) => [side('A', a, of, 'both'), side('B', b, of, 'both')] as const

describe('a verdict of a trial', () => {
  it('says what chance would do, and how many cells would settle it', () => {
    expect(sayTrial(judged(...cells(20, 26)))).toMatch(
      /^6 more of 36 came up in B: could be chance one time in \w+; for sure you would need about \d+ cells a side\.$/,
    )
    expect(sayTrial(judged(...cells(10, 33)))).toMatch(/^23 more of 36 came up in B: .* Take it as real\.$/)
    expect(sayTrial(judged(...cells(9, 9, 12)))).toMatch(/^9 of 12 came up in A, 9 of 12 in B: no difference/)
    expect(sayTrial(judged(...cells(0, 0, 0)))).toMatch(/^Nothing has been counted/)
  })
  it('counts whole trays once, and says how many it takes', () => {
    const text = sayTrial(judged(side('A', 22, 24, 'one'), side('B', 8, 24, 'other')))
    expect(text).toMatch(/^92 % came up in A \(1 tray\), 33 % came up in B \(1 tray\)/)
    expect(text).toMatch(/takes 4 trays a side/)
  })
  it('says who was up sooner, in half days', () => {
    const verdict = judgedDays(
      side('A', 8, 8, 'both', [5, 5, 6, 6, 6, 7, 5, 6]),
      side('B', 8, 8, 'both', [9, 9, 10, 10, 11, 9, 10, 9]),
    )
    expect(sayTrial(verdict!)).toMatch(/^A was up 3\.5 days sooner than B \(half of it after 6 days\)/)
  })
  it('says a chance as people do', () => {
    expect([0.5, 0.25, 0.1, 0.02, 0.0001].map(sayChance)).toEqual([
      'one time in two',
      'one time in four',
      'one time in ten',
      'one time in 50',
      'hardly ever',
    ])
  })
})
