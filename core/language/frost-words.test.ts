import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dayFrom } from '../calendar/day'
import { readFrosts } from './frost-words'

const at = (today: string, order: 'day first' | 'month first' = 'day first') => ({
  today: dayFrom(today),
  order,
})

describe('frosts as they are typed', () => {
  it.each([
    ['last 8 May, first 12 October', '2027-05-08', '2027-10-12'],
    ['first frost 12 October, last frost 8 May', '2027-05-08', '2027-10-12'],
    ['8.5. to 12.10.', '2027-05-08', '2027-10-12'],
    ['mid May and end of September', '2027-05-15', '2027-09-30'],
    ['May 8th / Oct 12th', '2027-05-08', '2027-10-12'],
    // South of the line spring is late in the year, and autumn early in the next.
    ['last frost 20 September, first frost 5 May', '2026-09-20', '2027-05-05'],
  ])('%s', (text, lastFrost, firstFrost) => {
    expect(readFrosts(text, at('2026-11-27'))).toEqual({ kind: 'frosts', lastFrost, firstFrost })
  })
  it('by the order of whoever reads', () => {
    expect(readFrosts('5/8 10/12', at('2026-11-27', 'month first'))).toMatchObject({
      lastFrost: '2027-05-08',
    })
  })
  it.each(['never', 'no frost here', 'frost free'])('%s', (text) => {
    expect(readFrosts(text, at('2026-11-27'))).toEqual({ kind: 'never' })
  })
  it.each([
    ['', /Say both/],
    ['some time in spring', /Say both/],
    ['12 October', /last frost of spring or the first/],
    ['first 12 October', /last frost of spring/],
    ['last 8 May, last 12 October', /which is the other/],
    ['31 April to 12 October', /There is no 31/],
    ['8 May, 9 May, 10 October', /more than two/],
  ])('%s is asked about', (text, question) => {
    expect(readFrosts(text, at('2026-11-27'))).toEqual({
      kind: 'asks',
      question: expect.stringMatching(question),
    })
  })
  it('whatever day it is, the frosts lie around a season that is not over', () => {
    const day = fc.date({ min: new Date('2026-01-01'), max: new Date('2028-12-31'), noInvalidDate: true })
    fc.assert(
      fc.property(day, (now) => {
        const today = dayFrom(now.toISOString().slice(0, 10))
        const said = readFrosts('last 8 May, first 12 October', at(today))
        if (said.kind !== 'frosts') throw new Error('asked')
        expect(said.firstFrost > today).toBe(true)
        expect(said.lastFrost.slice(0, 4)).toBe(said.firstFrost.slice(0, 4))
      }),
    )
  })
})
