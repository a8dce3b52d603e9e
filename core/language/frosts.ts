import { present } from '../present'
import { addDays, dayFrom, daysBetween, type Day } from '../calendar/day'
import { FILLER_RULE, grammarOf, rule, type Piece } from './chart'
import { patterns, phraseList } from './pattern'
import type { Known, Read } from './reading'
import { readBy, SentenceReader } from './sentence-reader'
import type { DaySaid } from './terms'
import WORDS from './lexicon/frost-words.json' with { type: 'json' }

/** What somebody said of their frosts. */
export type FrostsSaid =
  | {
      readonly kind: 'frosts'
      readonly lastFrost: Day
      readonly firstFrost: Day
      /** Those nobody said: computed from the other, and told as a guess until they are. */
      readonly guessed: readonly ('last' | 'first')[]
    }
  | { readonly kind: 'never' }

const FROST_EXAMPLE = 'last 8 May, first 12 October'

const lists = {
  spring: phraseList(WORDS.spring),
  autumn: phraseList(WORDS.autumn),
  never: phraseList(WORDS.never),
  hardly: phraseList(WORDS.hardly),
  unknown: phraseList(WORDS.unknown),
  filler: phraseList(WORDS.filler),
}
const FROSTS = grammarOf(
  [
    rule<DaySaid>(
      'day',
      '( the|on|around|about|in|or )? {d:day}',
      ({ d }: { d: DaySaid }) => (d.ahead?.frost ? null : d),
      ({ ahead }) => ahead?.means ?? '',
    ),
    rule<'last'>(
      'which',
      '<spring>',
      () => 'last',
      () => 'the last of spring',
    ),
    rule<'first'>(
      'which',
      '<autumn>',
      () => 'first',
      () => 'the first of autumn',
    ),
    rule<true>(
      'never',
      '<never>',
      () => true,
      () => 'it never freezes',
    ),
    rule<true>(
      'hardly',
      '<hardly>',
      () => true,
      () => 'hardly ever',
      0.9,
    ),
    rule<true>(
      'unknown',
      '<unknown>',
      () => true,
      () => 'a guess is offered',
      0.9,
    ),
    FILLER_RULE,
  ],
  patterns(lists),
)

/** No summer between two frosts is shorter where people start seeds [default]. */
const SHORTEST_SUMMER_DAYS = 60
const MONTHS = 'January February March April May June July August September October November December'.split(
  ' ',
)
/** So near to autumn’s frost it is the next season that is planned [default]. */
const ALMOST_OVER_DAYS = 60
/** Where only one was said the other lies about as far on the far side of late July, the warmest time [default]. */
const MIDDLE = '07-25'
const MIDSUMMER = '07-15'

/** What a climate is like, in a few words, with about when its frosts fall in the north [from memory: extension frost tables]. */
const CLIMATES: readonly { readonly name: string; readonly last: string; readonly first: string }[] = [
  { name: 'Long winters with deep snow', last: '05-31', first: '09-15' },
  { name: 'Cold winters, warm summers', last: '05-12', first: '10-05' },
  { name: 'Cool and wet, frost on and off', last: '04-25', first: '10-25' },
  { name: 'Mild winters, a few frosts', last: '03-25', first: '11-15' },
  { name: 'Frost on a night or two', last: '02-15', first: '12-10' },
]

/**
 * Frosts as they are typed: `last 8 May, first 12 October`, `8.5. to 12.10.`, `mid May`, `never`, `no idea`. Without a word that
 * says which, the one earlier in the year is spring’s; one alone is enough. The year is that of the season to come.
 *
 * @returns both frosts or that there are none, or questions
 */
export const readFrosts = (text: string, known: Known): Read<FrostsSaid> =>
  readBy(text, withoutFrosts(known), FROSTS, FROST_EXAMPLE, (sentence, pieces) =>
    new FrostReader(sentence, known, pieces).read(),
  )

/** Nothing but days is said here, and none of them is counted from a frost. */
function withoutFrosts(known: Known): Known {
  let made = frostless.get(known)
  if (!made) frostless.set(known, (made = { ...known, frosts: null, barePoints: true }))
  return made
}
const frostless = new WeakMap<Known, Known>()

interface FrostDay {
  readonly day: Day
  readonly which: 'last' | 'first' | null
}

class FrostReader extends SentenceReader {
  read(): Read<FrostsSaid> {
    const meaning = this.meaning()
    this.askUnreadRuns(`Say it like: ${FROST_EXAMPLE}`)
    return {
      meaning: meaning && this.questions.length === 0 ? [meaning] : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  private meaning(): FrostsSaid | null {
    const days = this.days()
    if (days.length === 0) {
      if (this.of('unknown').length || this.of('hardly').length) this.askClimate(this.of('hardly').length > 0)
      else if (this.of('never').length) return { kind: 'never' }
      else this.ask(`When is it? Say it like: ${FROST_EXAMPLE}, or: never.`)
      return null
    }
    if (this.of('never').length)
      this.ask('Does it freeze, or never?', [{ name: 'It never freezes', text: 'never' }])
    const [one, other] = days
    if (days.length > 2) this.ask('That is more than two days: say the last and the first frost.')
    if (one && other && one.which !== null && one.which === other.which)
      this.ask(`Both are the ${one.which} frost: which is the other?`)
    if (one && other && one.which === null && other.which === null) this.askOfOneSpring(one, other)
    return one ? seasonOf(one, other ?? null, this.known.today) : null
  }

  /** `Late April or early May`: two days so near to each other are hardly the frosts of spring and of autumn. */
  private askOfOneSpring(one: FrostDay, other: FrostDay) {
    const [a, b] = [one.day, other.day].sort((x, y) => (x.slice(5) < y.slice(5) ? -1 : 1))
    if (!a || !b || daysBetween(a, `${a.slice(0, 4)}${b.slice(4)}` as Day) >= SHORTEST_SUMMER_DAYS) return
    const which = a.slice(5) < MIDSUMMER ? 'last' : 'first'
    this.ask(
      `${this.monthDay(a.slice(5))} or ${this.monthDay(b.slice(5))}: which is the ${which} frost?`,
      (which === 'last' ? [b, a] : [a, b]).map((day) => ({
        name: this.monthDay(day.slice(5)),
        text: `${which} ${this.monthDay(day.slice(5))}`,
      })),
    )
  }

  /** A day of any year, as it is written where it is read: `May 8`, `8 May`. */
  private monthDay(monthDay: string): string {
    const [month = '', day] = monthDay.split('-').map(Number)
    const name = MONTHS[Number(month) - 1] ?? ''
    return this.known.order === 'month first' ? `${name} ${day}` : `${day} ${name}`
  }

  /** Each day with the word that says which frost it is. */
  private days(): FrostDay[] {
    const out: FrostDay[] = []
    let which: FrostDay['which'] = null
    for (const piece of this.pieces) {
      if (piece.slot === 'which') {
        const said = piece.value as 'last' | 'first'
        // `8 May last, 12 October first`: said behind its day.
        const before = out.at(-1)
        if (before?.which === null && !this.startsPart(piece))
          out[out.length - 1] = { ...before, which: said }
        else which = said
      }
      if (piece.slot !== 'day') continue
      const read = (piece.value as DaySaid).ahead
      if (!read?.day) {
        this.ask(
          read?.problem ?? `There is no ${this.words(piece)}.`,
          (read?.choices ?? []).map(({ name, day }) => ({ name, text: this.anew(piece, day) })),
          piece,
        )
        continue
      }
      if (/^(?:(?:on|around|about|in|by) )?the \d+ ?(?:st|nd|rd|th)$/i.test(this.words(piece)))
        this.ask(
          `${this.words(piece)} of which month?`,
          ['April', 'May', 'June'].map((month) => ({
            name: month,
            text: this.anew(piece, `${this.words(piece)} of ${month}`),
          })),
          piece,
        )
      this.heard.push({ text: this.words(piece), ...this.range(piece), as: 'day', means: read.day.slice(5) })
      out.push({ day: read.day, which })
      which = null
    }
    return out
  }
  private startsPart({ from }: Piece): boolean {
    return present(this.sentence.tokens[from]).parted
  }

  private askClimate(hardly: boolean) {
    const said = (monthDay: string) => this.monthDay(monthDay)
    this.ask(
      hardly
        ? 'It hardly ever freezes: plan by the nights, or by a rare frost?'
        : 'What is your winter like? It is a guess until you say a day.',
      [
        ...(hardly ? [{ name: 'Plan by the nights', text: 'never' }] : []),
        ...(hardly ? CLIMATES.slice(-2) : CLIMATES).map(({ name, last, first }) => ({
          name: `${name}: about ${said(last)} to ${said(first)}`,
          text: `last ${said(last)}, first ${said(first)}`,
        })),
      ],
    )
  }
}

/** Both frosts in the season to come; what was not said follows from the other. */
function seasonOf(one: FrostDay, other: FrostDay | null, today: Day): FrostsSaid {
  if (!other) {
    const isSpring = one.which ? one.which === 'last' : one.day.slice(5) < MIDSUMMER
    const mirrored = addDays(one.day, 2 * daysBetween(one.day, dayFrom(`${one.day.slice(0, 4)}-${MIDDLE}`)))
    const spring = isSpring ? one.day : mirrored
    const autumn = isSpring ? mirrored : one.day
    return { kind: 'frosts', ...inOneSeason(spring, autumn, today), guessed: [isSpring ? 'first' : 'last'] }
  }
  const spring = springOf(one, other)
  const autumn = spring === one ? other : one
  return { kind: 'frosts', ...inOneSeason(spring.day, autumn.day, today), guessed: [] }
}

/** Which of two days is the last frost: as it was said, else the earlier in the year. */
function springOf(one: FrostDay, other: FrostDay): FrostDay {
  if (one.which === 'last' || other.which === 'first') return one
  if (other.which === 'last' || one.which === 'first') return other
  return one.day.slice(5) <= other.day.slice(5) ? one : other
}

/** The last frost before the first, in the season that is to come. */
function inOneSeason(spring: Day, autumn: Day, today: Day): { lastFrost: Day; firstFrost: Day } {
  const inYear = (day: Day, year: number) =>
    dayFrom(`${year}-${day.slice(5) === '02-29' ? '02-28' : day.slice(5)}`)
  const now = Number(today.slice(0, 4))
  const firstFrost = present(
    [now, now + 1, now + 2]
      .map((year) => inYear(autumn, year))
      .find((day) => addDays(day, -ALMOST_OVER_DAYS) > today),
  )
  const year = Number(firstFrost.slice(0, 4))
  const same = inYear(spring, year)
  return { lastFrost: same < firstFrost ? same : inYear(spring, year - 1), firstFrost }
}
