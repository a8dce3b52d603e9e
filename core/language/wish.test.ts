import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { STARTING_RECIPES } from '../media/recipes'
import { CROPS } from '../sowing/crops'
import { dayFrom } from '../calendar/day'
import { scheduleById, scheduleProblems } from '../season/schedule/schedules'
import { scheduleFromWish } from '../season/schedule/schedule-from-wish'
import { easter } from './day-words'
import { nameBook } from './name-book'
import { ASKED, READ } from './test/wish-sentences'
import { readWish } from './read-wish'
import type { Listening } from './wish'
import { wordsOf } from '../text/words'

const listening: Listening = {
  today: dayFrom('2027-01-10'),
  frosts: { last: dayFrom('2027-05-08'), first: dayFrom('2027-10-12') },
  order: 'day first',
  names: nameBook(
    [...CROPS, { ...CROPS[0]!, id: 'own-crop', name: 'Moon turnip', botanical: '', alsoCalled: [] }],
    [
      { id: 'p1', name: 'Old Depot Yellow', cropId: 'tomato' },
      { id: 'p2', name: 'Lampwick', cropId: 'chard' },
      { id: 'p3', name: 'Tram Oil', cropId: 'okra' },
    ],
  ),
  containers: CONTAINERS,
  recipes: STARTING_RECIPES,
  places: [{ id: 'sill', name: 'Windowsill' }],
  autumnCrops: new Set(CROPS.filter(({ autumn }) => autumn).map(({ id }) => id)),
}
const read = (text: string, over: Partial<Listening> = {}) => readWish(text, { ...listening, ...over })

/** Parts of a sentence with what they mean; any of them together are read back as what they were made from. */
const AMOUNTS = [
  ['24', { n: 24, of: 'plants' }],
  ['two dozen', { n: 24, of: 'plants' }],
  ['about 30 good plants of', { n: 30, of: 'plants' }],
  ['90 seeds of', { n: 90, of: 'seeds' }],
  ['3 trays of', { n: 3, of: 'trays' }],
  ['40 cells of', { n: 40, of: 'cells' }],
] as const
const DAYS = [
  ['', null],
  ['by 20 May', '2027-05-20'],
  ['out 20.5.', '2027-05-20'],
  ['for mid June', '2027-06-15'],
  ['two weeks after the last frost', '2027-05-22'],
  ['by 3/6/2027', '2027-06-03'],
] as const
const REPEATS = [
  ['', 1, 0],
  ['3 times every 2 weeks', 3, 14],
  ['every 10 days 4 times', 4, 10],
] as const
const INTO = [
  ['', null],
  ['in 50-cell trays', 'tray-50'],
  ['in six-packs', 'six-pack'],
] as const
const names = CROPS.flatMap(({ id, name, alsoCalled }) =>
  [name.split(',')[0]!.replace(/ from seed$/, ''), ...alsoCalled].map((called) => ({ id, called })),
)
/** Names that two crops go by are asked about. */
const own = names.filter(({ id, called }) => {
  const found = listening.names.at(wordsOf(called), 0)
  return found?.named.length === 1 && found.named[0]!.cropId === id && found.length === wordsOf(called).length
})

describe('a wish in one sentence', () => {
  it('made of any amount, name, day, container and repeat is read back as what it was made from', () => {
    const comma = fc.constantFrom(' ', ', ')
    fc.assert(
      fc.property(
        fc.constantFrom(...AMOUNTS),
        fc.constantFrom(...own),
        fc.shuffledSubarray([0, 1, 2], { minLength: 3 }),
        fc.tuple(fc.constantFrom(...DAYS), fc.constantFrom(...INTO), fc.constantFrom(...REPEATS)),
        fc.tuple(comma, comma, comma),
        ([amount, { n, of }], { id, called }, order, [day, into, repeat], commas) => {
          const tail = order.map(
            (which, i) => [day, into, repeat][which]![0] && commas[i]! + [day, into, repeat][which]![0],
          )
          const wish = read(`${amount} ${called}${tail.join('')}`)
          expect(wish).toMatchObject({
            asks: [],
            unread: [],
            amount: { n, of },
            cropId: id,
            outOn: day[1],
            containerId: into[1],
            times: repeat[1],
            everyDays: repeat[2],
          })
        },
      ),
      { numRuns: 300 },
    )
  })

  it('accounts for every word of whatever is typed, and never throws', () => {
    const word = fc.constantFrom(
      ...READ.flatMap(([text]) => text.split(' ')),
      'xyzzy',
      '☃',
      '-',
      '99999999999',
    )
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), (words) => {
        const { heard, unread, asks, cropId } = read(words.join(' '))
        // Letters and figures, however they were parted: a name in quotes is one word.
        const letters = (texts: readonly string[]) =>
          [...texts.join('')].filter((one) => /[\p{L}\d☃]/u.test(one)).sort()
        // Where no crop was found its words are in the question.
        if (cropId && asks.length === 0)
          expect(letters([...heard.map(({ text }) => text), ...unread])).toEqual(
            letters(wordsOf(words.join(' ')).map(({ text }) => text)),
          )
      }),
      { numRuns: 300 },
    )
  })

  it('begins the schedule where it was said, and leaves out the stages that are no larger', () => {
    const plug = scheduleById('plug-cell').stages
    const find = (id: string) => CONTAINERS.find((one) => one.id === id)
    const from = (containerId: string) => scheduleFromWish(plug, { containerId, recipeId: null }, find)
    expect(from('tray-288').map(({ containerId }) => containerId)).toEqual(['tray-288', 'tray-50', null])
    expect(from('pot-10cm').map(({ containerId }) => containerId)).toEqual(['pot-10cm', null])
    for (const { id } of CONTAINERS) expect(scheduleProblems(from(id), find)).toEqual([])
  })

  it('reads a date in the reader’s order, and a year that was named', () => {
    expect(read('12 tomatoes by 6/5', { order: 'month first' }).outOn).toBe('2027-06-05')
    expect(read('12 tomatoes by 6/5').outOn).toBe('2027-05-06')
    expect(read('12 tomatoes by 5/25', { order: 'day first' }).outOn).toBe('2027-05-25')
  })

  // Dates of Easter [standard: published tables of the Gregorian computus].
  it.each([
    [2024, '2024-03-31'],
    [2025, '2025-04-20'],
    [2026, '2026-04-05'],
    [2027, '2027-03-28'],
    [2038, '2038-04-25'],
    [2285, '2285-03-22'],
  ])('knows Easter of %d', (year, on) => expect(easter(year)).toBe(on))

  it('offers no flower for the name of something to eat', () => {
    const ornamental = new Set(
      CROPS.filter(({ family }) => family === 'cut flower' || family === 'bedding').map(({ id }) => id),
    )
    for (const { id, name } of CROPS.filter((one) => !ornamental.has(one.id))) {
      const misspelt = name.split(',')[0]!.replace(/(.)$/, '$1$1')
      for (const { cropId } of listening.names.like(misspelt))
        if (cropId !== id) expect(ornamental.has(cropId)).toBe(false)
    }
  })

  it.each(READ)('%s', (text, meant) => {
    const wish = read(text)
    expect(wish).toMatchObject({ asks: [], unread: [] })
    const { n, of, ...rest } = meant as { n?: number; of?: string }
    expect(wish).toMatchObject(rest)
    if (n !== undefined) expect(wish.amount).toMatchObject({ n, ...(of ? { of } : {}) })
  })

  it.each(ASKED)('asks, rather than guesses: %s', (text, question) => {
    const { asks, unread } = read(text)
    expect(
      [...asks.map((one) => one.question + (one.instead?.choices.join() ?? '')), ...unread].join(' | '),
    ).toMatch(question)
  })
})
