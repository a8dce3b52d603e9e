import { describe, expect, it } from '@jest/globals'
import { CROPS } from '../sowing/crops'
import { dayFrom } from './day'
import { readDay, readSowing, successionDays } from './sentence'

describe('a sowing in one sentence', () => {
  const read = (text: string) => readSowing(text, CROPS, dayFrom('2027-01-10'))

  it.each([
    ['48 good plants of sweet basil by 20 May', 48, 'basil', '2027-05-20'],
    ['12 tomatoes by May 20', 12, 'tomato', '2027-05-20'],
    ['1 200 snapdragons by 2027-04-30.', 1200, 'snapdragon', '2027-04-30'],
    ['60 chard', 60, 'chard', null],
    ['6 hot peppers by 1/6', 6, 'hot-pepper', '2027-06-01'],
    ['30 leeks by 9 January', 30, 'leek', '2028-01-09'],
    ['9 poppies by 29 February', 9, 'poppy', '2028-02-29'],
  ])('%s', (text, plants, cropId, outOn) => {
    expect(read(text)).toMatchObject({ ok: true, plants, cropId, outOn })
  })

  it('hears how often, and keeps the variety', () => {
    expect(read('40 lettuce by 1 May, 4 times every 2 weeks')).toMatchObject({
      ok: true,
      plants: 40,
      cropId: 'lettuce',
      times: 4,
      everyDays: 14,
    })
    expect(read('12 yellow pear tomato by 20 May')).toMatchObject({ variety: 'yellow pear tomato' })
  })

  it.each([
    ['', /Say it like/],
    ['basil by 20 May', /How many/],
    ['48 by 20 May', /Of what|no crop/],
    ['48 moon trees by 20 May', /no crop/],
    ['48 basil by 31 April 2027', /not a day/],
    ['48 basil by 29 February 2027', /not a day/],
  ])('says what it did not understand: %s', (text, message) => {
    const answer = read(text)
    expect(answer.ok ? '' : answer.message).toMatch(message)
  })

  it('reads days in several spellings, the next one from today', () => {
    for (const text of ['20 May', 'May 20th', '20.5.', '20/5', '2027-05-20'])
      expect(readDay(text, dayFrom('2027-01-10'))).toBe(dayFrom('2027-05-20'))
    expect(readDay('20 May', dayFrom('2027-05-21'))).toBe(dayFrom('2028-05-20'))
  })
})

it('repeats a sowing every so many days', () => {
  expect(successionDays(dayFrom('2027-04-01'), 3, 14)).toEqual([
    dayFrom('2027-04-01'),
    dayFrom('2027-04-15'),
    dayFrom('2027-04-29'),
  ])
})
