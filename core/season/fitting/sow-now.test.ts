import { describe, expect, it } from '@jest/globals'
import { CROPS } from '../../sowing/crops'
import { dayFrom, daysBetween } from '../../calendar/day'
import { sowableNow } from './sow-now'
import { book, frame } from '../test/fixture'

const on = (day: string) => sowableNow(CROPS, frame, book, dayFrom(day))
const ids = (day: string) => on(day).map(({ crop }) => crop.id)

describe('what may be sown now', () => {
  // Common practice, last frost on 8 May: peppers 8 to 10 weeks before they go out late in May, cucumbers 3 to 4.
  it('is what growers sow in those weeks', () => {
    expect(ids('2027-03-20')).toEqual(expect.arrayContaining(['pepper']))
    expect(ids('2027-03-20')).not.toContain('cucumber')
    expect(ids('2027-04-28')).toEqual(expect.arrayContaining(['cucumber']))
    expect(ids('2027-04-28')).not.toContain('leek')
    expect(on('2027-07-20').some(({ season }) => season === 'autumn')).toBe(true)
    expect(ids('2027-12-20')).toEqual([])
  })

  it('is ready in the crop’s own weeks, and what ends soonest stands first', () => {
    const all = on('2027-04-10')
    for (const { crop, outOn } of all) {
      const weeks = daysBetween(dayFrom('2027-04-10'), outOn) / 7
      expect(weeks).toBeGreaterThanOrEqual(crop.weeks[0] - 0.5)
      expect(weeks).toBeLessThanOrEqual(crop.weeks[1] + 0.5)
    }
    const ends = all.map(({ until }) => until)
    expect([...ends].sort()).toEqual(ends)
  })
})
