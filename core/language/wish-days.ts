import { present } from '../present'
import { daysBetween, type Day } from '../calendar/day'
import type { Piece } from './chart'
import type { ReadDay } from './days'
import type { DayPiece, RepeatSaid } from './wish-grammar'
import type { Wish } from './wish-said'
import { WishVessels } from './wish-vessels'

/** A day that just went by is hardly meant of next year [default]. */
const JUST_PAST_DAYS = 60
const FAR_AHEAD_DAYS = 250
/** So long before the last frost little is planted out [default]. */
const COLD_DAYS = 35
const SPAN = /\b(?:day|week|fortnight|month)s?\b/i
/** Nothing says what happens on it. */
const BARE_DAY =
  /^(?:in|on|at|around|about|sometime|early|mid|late|the|\d|january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|sept?|oct|nov|dec)\b/i

/** What a wish says of days: when it is sown and goes out, how often, until when. */
export abstract class WishDays extends WishVessels {
  protected askSown() {
    this.ask('When was it sown? Say it like: sown 13 March.', [
      { name: 'today', text: `${this.sentence.text}, sown today` },
      { name: 'a week ago', text: `${this.sentence.text}, sown a week ago` },
      { name: 'two weeks ago', text: `${this.sentence.text}, sown 2 weeks ago` },
      { name: 'four weeks ago', text: `${this.sentence.text}, sown 4 weeks ago` },
    ])
  }

  /** The days it is sown and goes out; a verb says which a bare day is of. */
  protected days(own: (...slots: readonly string[]) => readonly Piece[], cropId: string | null) {
    const verb = own('verb')[0]?.value as 'sow' | 'sown' | 'out' | undefined
    const out: {
      outOn: Day | null
      sowOn: Day | null
      sown: boolean
      season: Wish['season']
      untilOn: Day | null
    } = {
      outOn: null,
      sowOn: null,
      sown: false,
      season: (own('season')[0]?.value as Wish['season']) ?? null,
      untilOn: null,
    }
    if (own('frost').length) {
      out.season = 'autumn'
      if (!this.known.frosts) this.ask('It never freezes here: say a day instead.')
      else if (cropId && !this.known.autumnCrops.includes(cropId))
        this.ask(
          'It is not usually sown for autumn. Before which frost: the last frost of spring, or the first of autumn?',
        )
    }
    for (const piece of own('day')) {
      const { role: said, day } = piece.value as DayPiece
      const counted = (day.ahead ?? day.was)?.counted && /\bbefore\b|ahead of/i.test(this.words(piece))
      // `Sown after the last frost` that is still ahead is a plan.
      const toCome = day.ahead?.frost && day.ahead.day && day.ahead.day > this.known.today
      const role =
        said !== 'by'
          ? said === 'sown' && toCome
            ? 'sow'
            : said
          : /\bold$/i.test(this.words(piece))
            ? 'sown'
            : verb === 'sown'
              ? 'sown'
              : verb === 'out'
                ? 'out'
                : verb === 'sow' || (counted && (day.ahead ?? day.was)?.frost === 'last')
                  ? 'sow'
                  : 'by'
      const on = this.dayOf(piece, role, role === 'sown' ? day.was : day.ahead)
      if (role === 'by' && on && !day.ahead?.frost) this.askWhichDay(piece, on, day.ahead?.counted === true)
      if ((day.ahead ?? day.was)?.frost === 'first') out.season = 'autumn'
      if (!on) continue
      if (role === 'until') out.untilOn = on
      else if (role === 'sow' || role === 'sown') {
        out.sowOn = on
        out.sown = role === 'sown'
      } else out.outOn = on
      this.hear(piece, 'day', on)
    }
    if (verb === 'sown' && !out.sowOn && own('day').length === 0) {
      this.askSown()
      out.sown = true
    }
    return out
  }

  /** A bare day in the cold, `12 leeks in January`, may be that of sowing as well as that of planting out. */
  protected askWhichDay(piece: Piece, on: Day, counted: boolean) {
    const { frosts } = this.known
    const words = this.words(piece)
    // `Six weeks before 15 May` is as often the one as the other.
    const before = counted && /\b(?:before|ahead of)\b/i.test(words)
    if (!before && (!frosts || !BARE_DAY.test(words) || SPAN.test(words))) return
    const inYear = (day: Day) => `${on.slice(0, 4)}${day.slice(4)}` as Day
    const isCold = frosts && (daysBetween(on, inYear(frosts.last)) >= COLD_DAYS || on > inYear(frosts.first))
    if (!before && !isCold) return
    this.ask(
      `‘${words}’: sown then, or planted out?`,
      [
        { name: 'Sown then', text: this.anew(piece, `sow ${on}`) },
        { name: 'Planted out then', text: this.anew(piece, `out ${on}`) },
      ],
      piece,
    )
  }

  protected dayOf(piece: Piece, role: DayPiece['role'], read: ReadDay | null): Day | null {
    if (!read) {
      this.ask(`‘${this.words(piece)}’ is no day for what is sown already.`, [], piece)
      return null
    }
    if (read.choices) {
      this.ask(
        present(read.problem),
        read.choices.map(({ name, day }) => ({ name, text: this.anew(piece, `${LEAD_OF[role]} ${day}`) })),
        piece,
      )
      return null
    }
    if (!read.day) {
      this.ask(
        read.problem ??
          `There is no ${this.words(piece).replace(/^(?:by|on|for|in|before|after) /i, '')}. Write it like 20 May.`,
        [],
        piece,
      )
      return null
    }
    const { today } = this.known
    const day = read.day
    if (role === 'sown' && day > today) {
      const before = lastYear(day)
      this.ask(
        `${day} is still to come. Was it sown a year before, or is it to be sown then?`,
        [
          { name: `It was sown on ${before}`, text: this.anew(piece, `sown ${before}`) },
          { name: `It is to be sown on ${day}`, text: this.anew(piece, `sow ${day}`) },
        ],
        piece,
      )
    }
    if (role !== 'sown' && role !== 'until' && day < today)
      this.ask(
        `${day} is past. Was it sown then?`,
        [
          { name: `It was sown on ${day}`, text: this.anew(piece, `sown ${day}`) },
          { name: 'Leave the day out', text: this.anew(piece, '') },
        ],
        piece,
      )
    const year = /\d{4}/.test(this.words(piece))
    if (
      (role === 'sow' || role === 'by' || role === 'out') &&
      !year &&
      daysBetween(today, day) > FAR_AHEAD_DAYS
    ) {
      const before = lastYear(day)
      if (daysBetween(before, today) <= JUST_PAST_DAYS && daysBetween(before, today) > 0)
        this.ask(
          `${before} is past. Which is meant?`,
          [
            ...(role === 'sow'
              ? [{ name: `It was sown on ${before}`, text: this.anew(piece, `sown ${before}`) }]
              : []),
            { name: `${day}`, text: this.anew(piece, `${LEAD_OF[role]} ${day}`) },
          ],
          piece,
        )
    }
    return day
  }

  protected repeats(
    own: (...slots: readonly string[]) => readonly Piece[],
    { outOn, sowOn, untilOn }: { outOn: Day | null; sowOn: Day | null; untilOn: Day | null },
  ): Pick<Wish, 'times' | 'everyDays'> {
    const all = own('repeats').map(({ value }) => value as RepeatSaid)
    const everyDays = all.map((one) => one.everyDays).find((n) => n !== null) ?? 0
    const said = all.map((one) => one.times).find((n) => n !== null) ?? null
    const from = outOn ?? sowOn
    const counted =
      untilOn && everyDays
        ? Math.max(
            1,
            Math.floor(
              daysBetween(from ?? this.known.frosts?.last ?? this.known.today, untilOn) / everyDays,
            ) + 1,
          )
        : null
    if (untilOn && !everyDays)
      this.ask('How often until then?', [
        ...['every week', 'every 2 weeks', 'every 3 weeks'].map((often) => ({
          name: often,
          text: `${this.sentence.text}, ${often}`,
        })),
      ])
    if (everyDays && said === null && counted === null)
      this.ask(
        'How many times?',
        [3, 4, 6].map((n) => ({ name: `${n} times`, text: `${this.sentence.text}, ${n} times` })),
      )
    if (said && said > 1 && !everyDays)
      this.ask(
        'How far apart?',
        ['1 week', '2 weeks', '3 weeks'].map((span) => ({
          name: span,
          text: `${this.sentence.text}, ${span} apart`,
        })),
      )
    return { times: said ?? counted ?? 1, everyDays }
  }
}

const LEAD_OF: Readonly<Record<DayPiece['role'], string>> = {
  out: 'out',
  sow: 'sow',
  sown: 'sown',
  by: 'by',
  until: 'until',
}

const lastYear = (day: Day): Day => {
  const year = Number(day.slice(0, 4)) - 1
  return (day.endsWith('02-29') ? `${year}-02-28` : `${year}${day.slice(4)}`) as Day
}
