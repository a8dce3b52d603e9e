import { addDays, type Day } from '../calendar/day'
import { FILLER_RULE, grammarOf, rule, type Piece } from './chart'
import { at as elementAt } from '../numeric/at'
import type { Count } from './numbers'
import { patterns, phraseList } from './pattern'
import type { Known, Read } from './reading'
import { readBy, SentenceReader } from './sentence-reader'
import type { DaySaid } from './terms'

/** Days nobody is at the bench, the last of them included. */
export interface AwaySaid {
  readonly from: Day
  readonly to: Day
}
const AWAY_EXAMPLE = 'away 3 to 10 May'

const FILLER =
  `away gone i we am are will be is im were ill well going on holiday holidays vacation trip travelling traveling for from the and
  back home again out of town off in my our at to - not here nobody no one there this a`.split(/\s+/)
const lists = {
  filler: phraseList(FILLER),
  back: phraseList(['back', 'back on', 'home', 'home on', 'return', 'returning', 'be back', 'back home']),
  until: phraseList(['to', 'until', 'till', 'through', 'thru', '-', 'and', 'til']),
}
const AWAY = grammarOf(
  [
    // `3 to 10 May`: the month is said once.
    rule<{ first: number; last: DaySaid }>(
      'range',
      '( from )? ( the )? {n:whole} ( st|nd|rd|th )? <until> {d:day}',
      ({ n, d }: { n: number; d: DaySaid }) => (n >= 1 && n <= 31 ? { first: n, last: d } : null),
      () => 'from one day to another',
      0.8,
    ),
    rule<{ first: DaySaid; last: number }>(
      'range',
      '( from )? {d:day} <until> ( the )? {n:whole} ( st|nd|rd|th )?',
      ({ n, d }: { n: number; d: DaySaid }, sentence, _at, to) =>
        n >= 1 && n <= 31 && sentence.term('day', to - 1).length === 0 ? { first: d, last: n } : null,
      () => 'from one day to another',
      0.9,
    ),
    rule<{ first: DaySaid; last: number }>(
      'range',
      '( from )? {d:day} - {n:figure}',
      ({ n, d }: { n: number; d: DaySaid }) => (n >= 1 && n <= 31 ? { first: d, last: n } : null),
      () => 'from one day to another',
      0.9,
    ),
    rule<DaySaid>(
      'day',
      '( on|from|the )? {d:day}',
      ({ d }: { d: DaySaid }) => d,
      ({ ahead }) => ahead?.means ?? '',
    ),
    rule<DaySaid>(
      'back',
      '<back> ( on|by )? {d:day}',
      ({ d }: { d: DaySaid }) => d,
      () => 'back that day',
      0.8,
    ),
    // `The first two weeks of August`.
    rule<{ at: 'first' | 'last'; days: number; of: DaySaid }>(
      'weeks of',
      '( the )? first|last ( {n:count} )? week|day of|in {d:day}',
      ({ n, d }: { n?: Count; d: DaySaid }, { tokens }, at, to) => {
        const words = tokens.slice(at, to).map(({ plain }) => plain)
        const days = (n?.n ?? 1) * (words.includes('week') ? 7 : 1)
        return { at: words.includes('last') ? 'last' : 'first', days, of: d }
      },
      ({ at, days }) => `the ${at} ${days} days`,
      0.8,
    ),
    rule<DaySaid>(
      'weekend of',
      '( over )? ( the )? weekend of|around|on ( the )? {d:day}',
      ({ d }: { d: DaySaid }) => d,
      () => 'that weekend',
      0.8,
    ),
    rule<DaySaid>(
      'until',
      'until|till|til|through|thru {d:day}',
      ({ d }: { d: DaySaid }) => d,
      () => 'the last day away',
      1.1,
    ),
    rule<number>(
      'span',
      '( for )? {n:count} day|night|week|fortnight',
      ({ n }: { n: Count }, { tokens }, _at, to) =>
        Math.round(n.n * ({ week: 7, fortnight: 14 }[tokens[to - 1]?.plain ?? ''] ?? 1)),
      (n) => `${n} days`,
      0.9,
    ),
    rule<number>(
      'weekend',
      '( over )? ( this|the|next )? ( long )? weekend',
      () => 2,
      () => 'the weekend',
      0.95,
    ),
    rule<number>(
      'week',
      '( the )? ( whole )? ( next|this ) week',
      () => 7,
      () => 'the week',
      0.85,
    ),
    FILLER_RULE,
  ],
  patterns(lists),
)

/** Days away as they are typed: `away 3 to 10 May`, `gone for a week from Saturday`, `back on the 12th`. */
export const readAway = (text: string, known: Known): Read<AwaySaid> =>
  readBy(text, known, AWAY, AWAY_EXAMPLE, (sentence, pieces) =>
    new AwayReader(sentence, known, pieces).read(),
  )

const MONTH = /\b(?:january|february|march|april|may|june|july|august|september|october|november|december)\b/i
const monthOf = (day: Day): AwaySaid => {
  const from = `${day.slice(0, 8)}01` as Day
  const next = addDays(from, 31)
  return { from, to: addDays(`${next.slice(0, 8)}01` as Day, -1) }
}

class AwayReader extends SentenceReader {
  read(): Read<AwaySaid> {
    const said = this.days()
    this.askUnreadRuns(`Say it like: ${AWAY_EXAMPLE}`)
    if (said && said.to < said.from)
      this.ask(`It ends on ${said.to}, before it begins on ${said.from}.`, [
        { name: 'The other way round', text: `away ${said.to} to ${said.from}` },
      ])
    if (said && said.to < this.known.today) this.ask(`${said.to} is past. Is it of the year to come?`)
    return {
      meaning: said && this.questions.length === 0 ? [said] : [],
      heard: this.taking(),
      questions: this.questions,
    }
  }

  private days(): AwaySaid | null {
    const { today } = this.known
    const on = (day: DaySaid) => day.ahead?.day ?? null
    const range = this.of('range')[0]?.value as
      { first: number | DaySaid; last: number | DaySaid } | undefined
    const withDay = (day: Day, n: number) => `${day.slice(0, 8)}${String(n).padStart(2, '0')}` as Day
    if (range) {
      const last = typeof range.last === 'number' ? null : on(range.last)
      const first = typeof range.first === 'number' ? last && withDay(last, range.first) : on(range.first)
      const end = typeof range.last === 'number' ? first && withDay(first, range.last) : last
      return first && end ? { from: first, to: end } : this.nothing()
    }
    const weeks = this.of('weeks of')[0]?.value as
      { at: 'first' | 'last'; days: number; of: DaySaid } | undefined
    const month = weeks && on(weeks.of)
    if (weeks && month) {
      const { from, to } = monthOf(month)
      return weeks.at === 'first'
        ? { from, to: addDays(from, weeks.days - 1) }
        : { from: addDays(to, 1 - weeks.days), to }
    }
    const around = this.of('weekend of').flatMap(({ value }) => on(value as DaySaid) ?? [])[0]
    if (around) {
      const weekday = new Date(`${around}T00:00Z`).getUTCDay()
      const saturday = addDays(around, weekday === 0 ? -1 : 6 - weekday)
      return { from: saturday, to: addDays(saturday, 1) }
    }
    const pieces = this.of('day')
    const days = pieces.flatMap(({ value }) => on(value as DaySaid) ?? [])
    const until = this.of('until').flatMap(({ value }) => on(value as DaySaid) ?? [])[0]
    const whole = pieces.length === 1 && days[0] ? this.spanOf(elementAt(pieces, 0), days[0]) : null
    if (whole) return whole
    const back = this.of('back').flatMap(({ value }) => on(value as DaySaid) ?? [])[0]
    const span = this.of('span')[0]?.value as number | undefined
    const [first, last] = days
    if (this.of('weekend').length && !first) {
      const saturday = addDays(today, (6 - new Date(`${today}T00:00Z`).getUTCDay() + 7) % 7)
      const from = /next/i.test(this.words(this.of('weekend')[0] ?? { from: 0, to: 1 }))
        ? addDays(saturday, 7)
        : saturday
      return { from, to: addDays(from, 1) }
    }
    if (this.of('week').length && !first) {
      const monday = addDays(today, (8 - new Date(`${today}T00:00Z`).getUTCDay()) % 7 || 7)
      return /this/i.test(this.words(this.of('week')[0] ?? { from: 0, to: 1 }))
        ? { from: today, to: addDays(monday, -1) }
        : { from: monday, to: addDays(monday, 6) }
    }
    const end = last ?? until
    // From Friday to Sunday: the Sunday that comes after it.
    if (first && end) return { from: first, to: end < first && this.isWeekday() ? addDays(end, 7) : end }
    if (until) return { from: today, to: until }
    if (first && back) return { from: first, to: addDays(back, -1) }
    if (first && span) return { from: first, to: addDays(first, span - 1) }
    if (back) return { from: today, to: addDays(back, -1) }
    if (first) return { from: first, to: first }
    return this.nothing(span)
  }

  /** A week or a month that is named is all of it; of a part of a month its days are asked. */
  private spanOf(piece: Piece, day: Day): AwaySaid | null {
    const words = this.words(piece)
    if (/\bweek (?:of|in)\b/i.test(words)) return { from: day, to: addDays(day, 6) }
    if (/\d/.test(words) || !MONTH.test(words)) return null
    if (/\b(?:early|mid|middle|late|end|beginning|start)\b/i.test(words)) return this.nothing()
    return monthOf(day)
  }

  private isWeekday(): boolean {
    return /(?:sun|mon|tues|wednes|thurs|fri|satur)day/i.test(this.sentence.text)
  }

  private nothing(span?: number): null {
    this.ask(
      span ? 'From when?' : `From when to when? Say it like: ${AWAY_EXAMPLE}.`,
      span
        ? ['today', 'tomorrow', 'Saturday'].map((day) => ({
            name: `From ${day}`,
            text: this.more(`from ${day}`),
          }))
        : [],
    )
    return null
  }
}
