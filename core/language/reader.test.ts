import { describe, expect, it } from '@jest/globals'
import * as chrono from 'chrono-node'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { isDay } from '../calendar/day'
import { CROPS } from '../sowing/crops'
import { plainName } from '../text/words'
import { readFrosts } from './frosts'
import { readLine } from './log-line'
import { nextYear } from './line-said'
import type { Heard, Read } from './reading'
import { readRecipe } from './recipe'
import { readRule } from './rule'
import { readStores } from './stores'
import { bench, STANDING, WORDS } from './test/bench'
import { LINES } from './test/log-lines'
import { READ } from './test/wish-sentences'
import { WISHES } from './test/wishes'
import { sentenceFor } from './terms'
import { tokensOf } from './token'
import { readGroups, readWish } from './wish'
import { readAway } from './away'

/* What holds of every sentence, whoever says it. */

const UNITS = fc.constantFrom('metric' as const, 'us' as const, 'imperial' as const)
const KINDS = {
  wish: readWish,
  log: readLine,
  groups: readGroups,
  recipe: readRecipe,
  rule: readRule,
  frosts: readFrosts,
  stores: readStores,
  away: readAway,
} as const
const kinds = Object.entries(KINDS)

const names = CROPS.flatMap(({ id, name, alsoCalled }) =>
  [name.split(',')[0]!.replace(/ from seed$/, ''), ...alsoCalled].map((called) => ({ id, called })),
)
/** Names that two crops go by are asked about. */
const own = names.filter(({ id, called }) => {
  const found = bench().names.at(tokensOf(called), 0)
  return (
    found?.named.length === 1 && found.named[0]!.cropId === id && found.length === tokensOf(called).length
  )
})

describe('a sentence that is made of parts is read back as what made it', () => {
  const AMOUNTS = [
    ['24', { n: 24, of: 'plants' }],
    ['two dozen', { n: 24, of: 'plants' }],
    ['twenty-eight', { n: 28, of: 'plants' }],
    ['a hundred and five', { n: 105, of: 'plants' }],
    ['about 30 good plants of', { n: 30, of: 'plants' }],
    ['90 seeds of', { n: 90, of: 'seeds' }],
    ['3 trays of', { n: 3, of: 'trays' }],
    ['half a tray of', { n: 0.5, of: 'trays' }],
    ['40 cells of', { n: 40, of: 'cells' }],
  ] as const
  const DAYS = [
    ['', {}],
    ['by 20 May', { outOn: '2027-05-20' }],
    ['out 20.5.', { outOn: '2027-05-20' }],
    ['for mid June', { outOn: '2027-06-15' }],
    ['two weeks after the last frost', { outOn: '2027-05-22' }],
    ['by 2027-06-03', { outOn: '2027-06-03' }],
    ['sow 2 March', { sowOn: '2027-03-02', sown: false }],
    ['8 weeks before the last frost', { sowOn: '2027-03-13' }],
  ] as const
  const REPEATS = [
    ['', { times: 1 }],
    ['3 times every 2 weeks', { times: 3, everyDays: 14 }],
    ['every 10 days 4 times', { times: 4, everyDays: 10 }],
    ['twice, a week apart', { times: 2, everyDays: 7 }],
  ] as const
  const INTO = [
    ['', {}],
    ['in 50-cell trays', { containerId: 'tray-50' }],
    ['in six-packs', { containerId: 'six-pack' }],
    ['in 9 cm pots', { containerId: 'pot-9cm-square' }],
    ['in 72s', { containerId: 'tray-72' }],
    ['in 5 gal buckets', { containerId: 'bucket-5gal' }],
  ] as const
  const WAYS = [
    ['', {}],
    ['3 seeds a cell', { seedsPerCell: 3 }],
    ['no potting up', { direct: true }],
    ['in the dark', { notes: ['in the dark'] }],
    ['on the windowsill', { placeId: 'sill' }],
  ] as const

  it('a wish, in every order and every kitchen', () => {
    fc.assert(
      fc.property(
        UNITS,
        fc.constantFrom(...AMOUNTS),
        fc.constantFrom(...own),
        fc.tuple(
          fc.constantFrom(...DAYS),
          fc.constantFrom(...INTO),
          fc.constantFrom(...REPEATS),
          fc.constantFrom(...WAYS),
        ),
        fc.shuffledSubarray([0, 1, 2, 3], { minLength: 4 }),
        (units, [said, amount], { id, called }, parts, order) => {
          // A figure before a figure could be one number: words part them.
          const text = [`${said} ${called}`, ...order.map((i) => parts[i]![0])].filter(Boolean).join(', ')
          const read = readWish(text, bench(units))
          expect({ text, asked: read.questions.map(({ question }) => question) }).toEqual({ text, asked: [] })
          expect(read.meaning).toEqual([
            expect.objectContaining({
              amount,
              cropId: id,
              ...Object.assign({}, ...parts.map(([, meant]) => meant)),
            }),
          ])
        },
      ),
      { numRuns: 300 },
    )
  })

  const ACTS = [
    ['up', 'look'],
    ['came up', 'look'],
    ['died', 'lost'],
    ['potted up', 'moved'],
    ['planted out', 'out'],
    ['given away', 'given'],
  ] as const
  it('a line of the log, with its tray, its number and its day', () => {
    const groups = STANDING.trays.filter(({ groups }) => groups.length === 1)
    fc.assert(
      fc.property(
        UNITS,
        fc.constantFrom(...groups),
        fc.constantFrom(...ACTS),
        fc.integer({ min: 1, max: 20 }),
        fc.constantFrom(
          ['', '2027-04-14'],
          ['yesterday', '2027-04-13'],
          ['on Sunday', '2027-04-11'],
          ['3 days ago', '2027-04-11'],
        ),
        fc.boolean(),
        (units, tray, [said, kind], n, [when, on], trayFirst) => {
          const what = `${n} ${tray.groups[0]!.name.toLowerCase()} ${said}`
          const where = `tray ${tray.number}`
          const text = (trayFirst ? [where, what, when] : [what, `in ${where}`, when])
            .filter(Boolean)
            .join(' ')
          const { meaning, questions } = readLine(text, bench(units, true))
          expect({ text, asked: questions.map(({ question }) => question) }).toEqual({ text, asked: [] })
          expect(meaning).toEqual([expect.objectContaining({ kind, count: n, on, trayIds: [tray.id] })])
        },
      ),
    )
  })

  it('a vessel by its name, of every container that can be named', () => {
    for (const { id, name } of CONTAINERS) {
      const [wish] = readWish(`12 cosmos in ${name}`, bench()).meaning
      expect([name, wish?.containerId]).toEqual([name, id])
    }
  })
})

describe('every word is accounted for', () => {
  const covered = (text: string, heard: readonly Heard[]) => {
    const seen = new Set(
      heard.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)),
    )
    return tokensOf(text).every(({ from }) => seen.has(from))
  }
  const sentences = [...READ.map(([text]) => text), ...WISHES.map(([text]) => text)]
  it('of a wish, and where they stand is right', () => {
    for (const text of sentences) {
      const { heard } = readWish(text, bench())
      expect([text, covered(text, heard)]).toEqual([text, true])
      for (const { text: said, from, to } of heard) expect(said).toBe(text.slice(from, to))
    }
  })
  it('of a line of the log', () => {
    for (const [text] of LINES)
      expect([text, covered(text, readLine(text, bench('metric', true)).heard)]).toEqual([text, true])
  })

  /** What somebody sees beside their words. */
  const captions = ({ heard }: Read<unknown>) => heard.map(({ text, as, means }) => `${text} ${as} ${means}`)
  it('another word never becomes another meaning without a word that is shown otherwise', () => {
    const WORDS_OF_OTHERS = [...new Set(sentences.flatMap((text) => text.split(/\s+/)))]
    const check = (
      text: string,
      read: (text: string) => Read<unknown>,
      meant: (read: Read<unknown>) => string,
    ) => {
      const words = text.split(' ')
      fc.assert(
        fc.property(fc.nat(words.length - 1), fc.constantFrom(...WORDS_OF_OTHERS), (i, other) => {
          const changed = words.map((word, k) => (k === i ? other : word)).join(' ')
          const [before, after] = [read(text), read(changed)]
          if (after.questions.length || before.questions.length || meant(before) === meant(after)) return
          expect([changed, captions(after)]).not.toEqual([changed, captions(before)])
        }),
        { numRuns: 12 },
      )
    }
    for (const text of sentences.slice(0, 60))
      check(
        text,
        (one) => readWish(one, bench()),
        ({ meaning }) => JSON.stringify(meaning),
      )
    for (const [text] of LINES)
      check(
        text,
        (one) => readLine(one, bench('metric', true)),
        ({ meaning }) =>
          JSON.stringify(meaning.map((one) => ({ ...(one as object), said: '', rest: [], called: '' }))),
      )
  })
})

describe('what is no sentence', () => {
  const BAD = [
    '',
    ' ',
    '?'.repeat(200),
    'x '.repeat(299),
    'a'.repeat(5000),
    '1'.repeat(400),
    '1 '.repeat(299),
    'tomato '.repeat(80),
    'двенадцать томатов',
    'طماطم ١٢',
    '番茄十二株',
    '🍅🍅🍅',
    '\u202e12 tomatoes\u202c',
    '\u0000\u0007\u001b[31m12',
    '-1-1-1-1',
    '½½½½',
    '"'.repeat(99),
    'Dear all,\n\nPlease find attached the minutes of our last meeting. The next one is on Friday.\n\nKind regards,\nThe committee',
    '<script>alert(1)</script>',
    'a constructor toString per __proto__, half valueOf',
    '../../etc/passwd',
    "'; drop table sowing; --",
  ]
  it.each(kinds)('is answered, and nothing of it is written: %s', (_, read) => {
    for (const text of BAD) {
      const { questions } = (read as (text: string, known: ReturnType<typeof bench>) => Read<unknown>)(
        text,
        bench(),
      )
      expect([text.slice(0, 40), questions.length > 0]).toEqual([
        text.slice(0, 40),
        /tomatoes|1 1 1/.test(text) ? expect.anything() : true,
      ])
    }
  })
  it('reads anything at all without failing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        UNITS,
        fc.string({ unit: 'grapheme', maxLength: 120 }),
        ([, read], units, text) => {
          const { heard } = (read as (text: string, known: ReturnType<typeof bench>) => Read<unknown>)(
            text,
            bench(units, true),
          )
          for (const one of heard) expect(one.to).toBeGreaterThan(one.from)
        },
      ),
    )
  })
})

describe('numbers and days', () => {
  const TENS = ['twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety']
  const ONES = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine']
  it('every number up to 999 that is written out is that number', () => {
    const below = (n: number): string =>
      n < 10
        ? ONES[n - 1]!
        : n < 20
          ? 'ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(' ')[
              n - 10
            ]!
          : TENS[Math.floor(n / 10) - 2]! + (n % 10 ? `-${ONES[(n % 10) - 1]}` : '')
    for (let n = 1; n < 1000; n++) {
      const hundreds = Math.floor(n / 100)
      const said = [hundreds ? `${ONES[hundreds - 1]} hundred` : '', n % 100 ? below(n % 100) : '']
        .filter(Boolean)
        .join(' and ')
      expect([said, readWish(`${said} leeks`, bench()).meaning[0]?.amount?.n]).toEqual([said, n])
    }
  })

  it('a day with its month is the day another library reads, in the order of the reader', () => {
    fc.assert(
      fc.property(
        fc.date({
          min: new Date('2027-01-11T00:00Z'),
          max: new Date('2027-12-31T00:00Z'),
          noInvalidDate: true,
        }),
        fc.constantFrom('day month', 'month day', 'month dayth', 'day month year', 'iso', 'figures'),
        (date, form) => {
          const day = date.toISOString().slice(0, 10)
          const [, month, n] = day.split('-').map(Number) as [number, number, number]
          const name = new Intl.DateTimeFormat('en', { month: 'long', timeZone: 'UTC' }).format(date)
          const ending =
            n % 10 === 1 && n !== 11
              ? 'st'
              : n % 10 === 2 && n !== 12
                ? 'nd'
                : n % 10 === 3 && n !== 13
                  ? 'rd'
                  : 'th'
          const said = {
            'day month': `${n} ${name}`,
            'month day': `${name} ${n}`,
            'month dayth': `${name} ${n}${ending}`,
            'day month year': `${n} ${name} 2027`,
            iso: day,
            figures: `${n}/${month}/2027`,
          }[form]
          const theirs = (form.startsWith('month') ? chrono.en : chrono.en.GB).parseDate(
            said,
            new Date('2027-01-10T12:00Z'),
            { forwardDate: true },
          )!
          const their = `${theirs.getFullYear()}-${String(theirs.getMonth() + 1).padStart(2, '0')}-${String(theirs.getDate()).padStart(2, '0')}`
          expect([said, their]).toEqual([said, day])
          expect([said, readWish(`12 leeks by ${said}`, bench()).meaning[0]?.outOn]).toEqual([said, day])
        },
      ),
    )
  })

  it('a note comes back in a year, of a leap day the day before', () => {
    expect([nextYear('2027-04-14' as never), nextYear('2028-02-29' as never)]).toEqual([
      '2028-04-14',
      '2029-02-28',
    ])
    expect(isDay('2029-02-29')).toBe(false)
  })

  it('a crop is called by its names, and no more', () => {
    const one = sentenceFor('broad beans', bench()).term('crop', 0)
    expect(one.map(({ to }) => to)).toEqual([2])
    expect(WORDS.crops.every(({ name }) => plainName(name).length > 0)).toBe(true)
  })
})
