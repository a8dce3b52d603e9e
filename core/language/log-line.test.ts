import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dayFrom } from '../calendar/day'
import { nameBook } from './name-book'
import { wordsOf } from '../text/words'
import { CROPS } from '../sowing/crops'
import { printQuantity } from '../units/format'
import { parseQuantity } from '../units/parse'
import { LINE_KINDS, nextYear, readLine, type LineKnown } from './log-line'

const known: LineKnown = {
  trays: [
    {
      id: 't3',
      number: 3,
      groups: [
        { code: 'A', name: 'Chard', cropId: 'chard', sowingId: 's1' },
        { code: 'B', name: 'Okra', cropId: 'okra', sowingId: 's2' },
      ],
    },
    { id: 't9', number: 9, groups: [{ code: 'A', name: 'Cosmos', cropId: 'cosmos', sowingId: 's3' }] },
    { id: 't28', number: 28, groups: [{ code: 'A', name: 'Okra', cropId: 'okra', sowingId: 's2' }] },
  ],
  sowings: [
    { id: 's1', name: 'Chard', cropId: 'chard' },
    { id: 's2', name: 'Okra', cropId: 'okra' },
    { id: 's3', name: 'Cosmos', cropId: 'cosmos' },
  ],
  batches: [{ id: 'b4', number: 4 }],
  places: [
    { id: 'frame', name: 'Cold frame' },
    { id: 'mat', name: 'Warm mat' },
  ],
  names: nameBook(CROPS, []),
  cropName: (id) => CROPS.find((crop) => crop.id === id)!.name,
  calendar: { today: dayFrom('2027-04-14'), frosts: null, order: 'day first' },
  units: 'metric',
}
const read = (text: string) => readLine(text, known)

describe('one line of the log', () => {
  it.each([
    [
      'cosmos tray 9 buds, burnt tips',
      { kind: 'seen', trayIds: ['t9'], group: 'A', signs: ['burnt', 'buds'] },
    ],
    ['tray 9, 41 up yesterday', { kind: 'look', trayIds: ['t9'], count: 41, on: '2027-04-13' }],
    [
      'watered trays 3, 9 and 28 with 3 l at 18:05',
      { kind: 'watered', trayIds: ['t3', 't9', 't28'], litres: 3, at: '18:05' },
    ],
    ['carried tray 9 to the cold frame on monday', { kind: 'carried', placeId: 'frame', on: '2027-04-12' }],
    ['lost 4 chard in tray 3', { kind: 'lost', trayIds: ['t3'], group: 'A', count: 4 }],
    ['tray 9 weighs 1.9 kg', { kind: 'weighed', grams: 1900 }],
    ['watered tray 9 with 1 1/2 l', { kind: 'watered', litres: 1.5, count: null }],
    ['tray 9 weighs 1 kg and 250 g', { kind: 'weighed', grams: 1250 }],
    ['watered tray 9 with ½ l, 3 lost', { litres: 0.5, count: 3 }],
    [
      'picked 250 g of okra 3 days ago, batch 4',
      { kind: 'harvest', grams: 250, batchId: 'b4', on: '2027-04-11' },
    ],
    ['slugs on the cosmos', { kind: 'damage', signs: ['eaten'], trayIds: ['t9'] }],
    ['hail at noon', { kind: 'weather', trayIds: [] }],
    ['next year start the cosmos later', { kind: 'thought', remindOn: '2028-04-14' }],
  ])('%s', (text, meant) => {
    expect(read(text)).toMatchObject(meant)
    expect(read(text).asks).toEqual([])
  })

  it('an amount is what the field for amounts reads, in each kitchen, however it is printed', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('metric' as const, 'us' as const, 'imperial' as const),
        fc.double({ min: 0.05, max: 60, noNaN: true }),
        fc.boolean(),
        (units, amount, isMass) => {
          const dimension = isMass ? 'mass' : 'volume'
          const said = printQuantity(isMass ? amount * 100 : amount, dimension, units)
          const wanted = parseQuantity(said, { dimension, units })
          const { litres, grams, rest } = readLine(`tray 9 ${isMass ? 'weighs' : 'watered with'} ${said}`, {
            ...known,
            units,
          })
          expect(isMass ? grams : litres).toBe(wanted.ok ? wanted.base : null)
          expect(rest.filter((word) => /\d/.test(word))).toEqual([])
        },
      ),
    ))

  it('asks instead of guessing: a tray nobody knows, a crop in two trays, a run of two, a word that may be two signs', () => {
    const unclear = (text: string) => read(text).asks.map((ask) => ask.unclear)
    expect(unclear('tray 77 up')).toEqual(['tray'])
    expect(unclear('okra is up')).toEqual(['tray'])
    expect(unclear('thinned tray 3')).toEqual(['group'])
    expect(unclear('tray 9 yellow leaves')).toEqual(['sign'])
    expect(unclear('cosmos tray 28 leggy')).toEqual(['what'])
    expect(read('okra is up').asks[0]!.choices.map(({ id }) => id)).toEqual(['t3', 't28', 'all'])
  })

  it('a number after a tray’s is a tray only where nothing is said of it', () => {
    expect(read('tray 3, 28 up').trayIds).toEqual(['t3'])
    expect(read('trays 3, 28').trayIds).toEqual(['t3', 't28'])
    expect(read('tray 3 and 28 watered').trayIds).toEqual(['t3', 't28'])
  })

  it('loses no word: each is taken for something or stands as it is', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.constantFrom(
            'tray 9',
            'okra',
            'up',
            '12',
            'leggy',
            'yesterday',
            'the',
            'flowers',
            'blue',
            'and',
            'windy',
            'very',
            'fed',
            'pale below',
            'quick',
            'Zoe',
            'frame',
          ),
          { minLength: 1, maxLength: 7 },
        ),
        (parts) => {
          const text = parts.join(' ')
          const { taken, rest, kind } = read(text)
          const heard = [...taken.map(({ said }) => said), ...rest].join(' ').toLowerCase()
          for (const { text: word } of wordsOf(text)) expect(heard).toContain(word.toLowerCase())
          expect(LINE_KINDS.some((one) => one.kind === kind)).toBe(true)
        },
      ),
    ))

  it('a year on from a leap day is the day before the first of March', () => {
    expect(nextYear(dayFrom('2028-02-29'))).toBe('2029-02-28')
    expect(nextYear(dayFrom('2027-04-14'))).toBe('2028-04-14')
  })
})
