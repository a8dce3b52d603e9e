import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
import type { Day } from '../calendar/day'
import { dayAtHead } from './day-words'
import type { Named } from './name-book'
import { plainName, type Word } from '../text/words'
import type { Ask, Listening, Meaning, Wish } from './wish'

/** What is gathered while a sentence is read. */
export interface Draft {
  amount: Wish['amount']
  named: readonly Named[]
  cropText: string
  outOn: Day | null
  sowOn: Day | null
  sown: boolean
  season: Wish['season']
  times: number | null
  everyDays: number | null
  untilOn: Day | null
  containerId: string | null
  recipeId: string | null
  placeId: string | null
  up: number | null
  /** Rows of cells, whose length is still to be asked. */
  rows: number | null
  seedsPerCell: number | null
  kinds: number | null
  each: number | null
  /** The day that was said is one of sowing: the sentence began with it. */
  verb: 'sow' | null
  frost: 'said' | null
  asks: Ask[]
}

export interface Match {
  readonly words: number
  readonly as: Meaning
  readonly means: string
  readonly set?: (draft: Draft) => void
}
type Phrase = (text: string, words: readonly Word[], at: number, listening: Listening) => Match | null

const number = (text: string | undefined) =>
  text === undefined ? 1 : text === 'a' || text === 'an' ? 1 : Number(text)
export const ask = (question: string, instead: Ask['instead'] = null): Ask => ({ question, instead })
const UNIT_DAYS: Readonly<Record<string, number>> = { day: 1, week: 7, fortnight: 14, month: 28 }

/** A phrase by a pattern of plain words. */
const said = (
  pattern: string,
  as: Meaning,
  means: (m: RegExpExecArray) => string,
  set?: (d: Draft, m: RegExpExecArray) => void,
): Phrase => {
  const rule = new RegExp(`^(?:${pattern})(?= |$)`)
  return (text) => {
    const match = rule.exec(text)
    return (
      match && { words: match[0].split(' ').length, as, means: means(match), set: (d) => set?.(d, match) }
    )
  }
}

const MORE_OR_LESS = '(?:about |around |roughly |at least |some |up to )?'
const GOOD = '(?: (?:more|good|strong|healthy|young|nice))*'
const UNITS: Readonly<Record<string, NonNullable<Wish['amount']>['of']>> = {
  plant: 'plants',
  seedling: 'plants',
  start: 'plants',
  transplant: 'plants',
  head: 'plants',
  seed: 'seeds',
  cell: 'cells',
  plug: 'cells',
  tray: 'trays',
  flat: 'trays',
}
const UNIT = `(${Object.keys(UNITS).join('|')})`
const plainAmount = ({ n, of }: NonNullable<Wish['amount']>) => `${n} ${n === 1 ? of.slice(0, -1) : of}`

function setAmount(draft: Draft, n: number, of: NonNullable<Wish['amount']>['of']) {
  if (draft.amount && draft.named.length)
    draft.asks.push(ask('One crop at a time: plan this one, then say the next.'))
  draft.amount = { n, of }
}
const amountOf = (as: (m: RegExpExecArray) => NonNullable<Wish['amount']>) =>
  [
    (m: RegExpExecArray) => plainAmount(as(m)),
    (d: Draft, m: RegExpExecArray) => setAmount(d, as(m).n, as(m).of),
  ] as const

const AMOUNTS: readonly Phrase[] = [
  said(
    `(\\d+)(?: (?:of|out of) (?:the )?\\d+)?(?: (?:plant|seed|cell|seedling))? (?:(?:are|is|have come|came|come|has come|now|already) )*up`,
    'count',
    (m) => `${m[1]} up`,
    (d, m) => (d.up = Number(m[1])),
  ),
  said(
    `${MORE_OR_LESS}(\\d+) (?:-|to|or) (\\d+)${GOOD}(?: ${UNIT})?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[2]), of: present(UNITS[m[3] ?? 'plant']) })),
  ),
  said(
    `${MORE_OR_LESS}(\\d+)${GOOD}(?: ${UNIT})?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[1]), of: present(UNITS[m[2] ?? 'plant']) })),
  ),
  said(`${MORE_OR_LESS}(\\d+) (?:x|×)`, 'amount', ...amountOf((m) => ({ n: Number(m[1]), of: 'plants' }))),
  said(`(?:x|×) (\\d+)`, 'amount', ...amountOf((m) => ({ n: Number(m[1]), of: 'plants' }))),
  said(
    `(a|\\d+) dozen${GOOD}(?: (plant|seed|cell))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: number(m[1]) * 12, of: present(UNITS[m[2] ?? 'plant']) })),
  ),
  said(
    `half a dozen${GOOD}(?: (plant|seed|cell))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: 6, of: present(UNITS[m[1] ?? 'plant']) })),
  ),
  said(
    `(?:a )?couple(?: of)?(?: (plant|seed|cell|tray|flat))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: 2, of: present(UNITS[m[1] ?? 'plant']) })),
  ),
  said(`half (?:a )?(tray|flat)(?: of)?`, 'amount', ...amountOf(() => ({ n: 0.5, of: 'trays' }))),
  said(
    `an? (tray|flat|cell)(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: 1, of: present(UNITS[elementAt(m, 1)]) })),
  ),
  said(
    `(?:a |1 )?(?:packet|pack) of (\\d+)(?: seed)?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[1]), of: 'seeds' })),
  ),
  said(
    `(a|\\d+) (?:row)(?: of)?`,
    'amount',
    () => 'rows',
    (d, m) => (d.rows = number(m[1])),
  ),
  said(
    `(?:a few|few|some|a handful(?: of)?|many|several|a lot(?: of)?)`,
    'amount',
    () => 'not a number',
    (d) => d.asks.push(ask('How many? Say a number.')),
  ),
]

const PHRASES: readonly Phrase[] = [
  ...AMOUNTS,
  containerCount,
  said(
    `(\\d+|a) (?:seed )?(?:an?|per|to an?|to the|to each|in an?|in each|each) cell`,
    'seeds a cell',
    (m) => `${number(m[1])} a cell`,
    (d, m) => (d.seedsPerCell = number(m[1])),
  ),
  said(
    `(?:of |in |from )?(\\d+) (?:different )?(?:kind|variety|sort|type)(?: of)?`,
    'kinds',
    (m) => `${m[1]} kinds`,
    (d, m) => (d.kinds = Number(m[1])),
  ),
  said(
    `(\\d+|1) (?:of )?each`,
    'kinds',
    (m) => `${m[1]} of each`,
    (d, m) => (d.each = Number(m[1])),
  ),
  said(
    `(?:(\\d+) (?:time|x|×) )?(?:every|each) (?:(\\d+) )?(day|week|fortnight|month)(?: (\\d+) (?:time|x|×))?`,
    'repeats',
    (m) =>
      `every ${number(m[2]) * present(UNIT_DAYS[elementAt(m, 3)])} days${(m[1] ?? m[4]) ? `, ${m[1] ?? m[4]} times` : ''}`,
    (d, m) => {
      d.everyDays = number(m[2]) * present(UNIT_DAYS[elementAt(m, 3)])
      const times = m[1] ?? m[4]
      if (times) d.times = Number(times)
    },
  ),
  said(
    `(?:(\\d+) (?:time|x|×) )?(weekly|fortnightly|monthly)(?: (\\d+) (?:time|x|×))?`,
    'repeats',
    (m) => `${m[2]}${(m[1] ?? m[3]) ? `, ${m[1] ?? m[3]} times` : ''}`,
    (d, m) => {
      d.everyDays = present({ weekly: 7, fortnightly: 14, monthly: 28 }[elementAt(m, 2)])
      const times = m[1] ?? m[3]
      if (times) d.times = Number(times)
    },
  ),
  said(
    `(\\d+) time`,
    'repeats',
    (m) => `${m[1]} times`,
    (d, m) => (d.times = Number(m[1])),
  ),
  ...['plant(?:ed|ing)? out', 'set out', 'go(?:es)? out', 'out', 'ready'].map((verb) =>
    dated(`${verb}(?: (?:on|by|in|for|from))?`, 'out'),
  ),
  dated('(?:sow|start|seed)(?:ing)?(?: (?:on|by|in|for|from))?', 'sow'),
  dated('(?:sown|started|sowed|sow) (?:on )?', 'sown'),
  dated('(?:by|for|on|in|at|before|from)', 'by'),
  dated('until|to|till', 'until'),
  dated('', 'by'),
  said(
    `(?:for |in |this |next )*(?:the )?(spring|summer|autumn|fall)`,
    'season',
    (m) => (/a|f/.test(first(elementAt(m, 1))) ? 'autumn' : 'spring and summer'),
    (d, m) => (d.season = /^(?:autumn|fall)$/.test(elementAt(m, 1)) ? 'autumn' : 'spring'),
  ),
  said(
    'before (?:the )?(?:first )?frost',
    'season',
    () => 'autumn, before the frost',
    (d) => {
      d.season = 'autumn'
      d.frost = 'said'
    },
  ),
  named('containers', 'container', (d, id) => (d.containerId = id)),
  named('recipes', 'mix', (d, id) => (d.recipeId = id)),
  named<string | null>('places', 'place', (d, id, name) => {
    d.placeId = id
    if (id === null)
      d.asks.push(
        ask(`There is no ${name.toLowerCase()} here yet: add it under Frosts and places, or leave it out.`),
      )
  }),
  said(
    `(?:in |a |an )*(\\d+) s`,
    'container',
    (m) => `${m[1]}-cell trays`,
    (d, m) => (d.containerId = `tray-${m[1]}`),
  ),
  said('(?:i|we) (?:want|need|would like)(?: to (?:raise|grow|sow|have))?', 'filler', () => ''),
  said(
    '(?:sow|start)',
    'filler',
    () => 'the day is the day of sowing',
    (d) => (d.verb = 'sow'),
  ),
  said(
    '(?:raise|grow|please|thank|thanks|plan|of|the|a|an|in all|in total|altogether|from seed|each|and)',
    'filler',
    () => '',
  ),
  said('(?:plant|seedling|start|transplant|head)', 'filler', () => 'plants'),
  said(
    'seed',
    'amount',
    () => 'seeds',
    (d) => d.amount && (d.amount = { ...d.amount, of: 'seeds' }),
  ),
]

/** A number and a container: so many of those. */
function containerCount(
  text: string,
  _words: readonly Word[],
  _at: number,
  listening: Listening,
): Match | null {
  const match = /^(\d+|an?) /.exec(text)
  const found = match && longestName(text.slice(match[0].length), listening.containers)
  if (!match || !found) return null
  const rest = text.slice(match[0].length).split(' ').slice(found.words)
  const of = rest[0] === 'of' ? 1 : 0
  const n = number(match[1])
  return {
    words: 1 + found.words + of,
    as: 'amount',
    means: `${n} × ${found.one.name}`,
    set: (draft) => {
      setAmount(draft, n, 'trays')
      draft.containerId = found.one.id
    },
  }
}

/** Say where by themselves. */
const SAYS_WHERE: ReadonlySet<string> = new Set(
  ['outside', 'outdoors'].map((name) => plainName(name).join(' ')),
)

/** `in a 72-cell tray`, `in lean and light`, `on the windowsill`. */
function named<Id extends string | null = string>(
  list: 'containers' | 'recipes' | 'places',
  as: Meaning,
  set: (draft: Draft, id: Id, name: string) => void,
): Phrase {
  return (text, _words, _at, listening) => {
    const lead = present(
      /^(?:(?:in|into|on|under|with|using|at) )?(?:(?:a|an|the|my|our|their) )?/.exec(text),
    )[0]
    const all: readonly { id: string | null; name: string; shown?: string }[] = listening[list]
    const found = longestName(text.slice(lead.length), all)
    // A bare name of a mix or a place is as likely a variety.
    if (!found || (lead === '' && list !== 'containers' && !SAYS_WHERE.has(plainOf(found.one.name))))
      return null
    return {
      words: found.words + (lead ? lead.trim().split(' ').length : 0),
      as,
      means: found.one.shown ?? found.one.name,
      set: (draft) => set(draft, found.one.id as Id, found.one.name),
    }
  }
}

const plains = new Map<string, string>()
function plainOf(name: string): string {
  let plain = plains.get(name)
  if (plain === undefined) plains.set(name, (plain = plainName(name).join(' ')))
  return plain
}

/** `200-cell plug tray` is also a 200-cell tray, and a 200-cell. */
const spellings = (name: string): string[] => {
  const cells = /^\d+ cell(?= )/.exec(name)?.[0]
  return cells ? [name, cells, `${cells} tray`] : [name]
}

/** The longest name of a list that a text begins with; `72-cell tray` also as `72 cell`. */
function longestName<One extends { readonly name: string }>(text: string, list: readonly One[]) {
  let best: { one: One; words: number } | null = null
  for (const one of list)
    for (const name of spellings(plainOf(one.name)))
      if (name && (text === name || text.startsWith(`${name} `))) {
        const words = name.split(' ').length
        if (!best || words > best.words) best = { one, words }
      }
  return best
}

/** A day with what it is for. */
function dated(lead: string, role: 'out' | 'sow' | 'sown' | 'by' | 'until'): Phrase {
  const rule = new RegExp(lead ? `^(?:${lead})(?: |(?<= ))` : '^')
  return (text, words, at, listening) => {
    const match = rule.exec(text)
    if (!match) return null
    const leads = match[0].trim() ? match[0].trim().split(' ').length : 0
    const day = dayAtHead(text.slice(match[0].length), listening, role === 'sown')
    if (!day) return null
    // A bare number of weeks is no day, nor is a month without its word before it.
    if (role === 'by' && !lead && !/\d{4}-|[./]|frost|th |st |nd |rd /.test(text) && !/[a-z]{3}/.test(text))
      return null
    return {
      words: day.words + leads,
      as: 'day',
      means: day.day ?? '',
      set: (draft) => {
        if (!day.day)
          return void draft.asks.push(
            ask(day.problem ?? `There is no ${textOf(words, at + leads, day.words)}. Write it like 20 May.`),
          )
        if (role === 'until') draft.untilOn = day.day
        else if (role === 'sow' || role === 'sown') {
          draft.sowOn = day.day
          draft.sown = role === 'sown'
        } else if (role === 'by' && draft.verb === 'sow') draft.sowOn = day.day
        else draft.outOn = day.day
        if (day.frost === 'first') draft.season = 'autumn'
      },
    }
  }
}

/** The phrase that takes most words from a place on; null where none does. */
export function longestPhrase(words: readonly Word[], at: number, listening: Listening): Match | null {
  const text = words
    .slice(at, at + 12)
    .map(({ plain }) => plain)
    .join(' ')
  let best: Match | null = null
  for (const phrase of PHRASES) {
    const match = phrase(text, words, at, listening)
    if (match && (!best || match.words > best.words)) best = match
  }
  return best
}

/** Words as they were written. */
export const textOf = (words: readonly Word[], at: number, count: number) =>
  words
    .slice(at, at + count)
    .map(({ text }) => text)
    .join(' ')
