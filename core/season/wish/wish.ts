import { addDays, daysBetween, type Day } from '../day'
import { dayAtHead, type Calendar } from './days'
import type { Named, NameBook } from './names'
import { plainName, wordsOf, type Word } from './words'

/** What a word of a wish was taken for. */
export type Meaning =
  | 'amount'
  | 'crop'
  | 'variety'
  | 'season'
  | 'day'
  | 'repeats'
  | 'container'
  | 'mix'
  | 'place'
  | 'kinds'
  | 'seeds a cell'
  | 'filler'

/** Some words, and what they were taken for. */
export interface Heard {
  readonly text: string
  readonly as: Meaning
  readonly means: string
}

/** Something that has to be said before it can be planned; what to say instead, where that is known. */
export interface Ask {
  readonly question: string
  /** Words of the sentence, and what they may have meant. */
  readonly instead: { readonly text: string; readonly choices: readonly string[] } | null
}

export interface Wish {
  readonly amount: {
    readonly n: number
    readonly of: 'plants' | 'seeds' | 'cells' | 'trays'
  } | null
  readonly cropId: string | null
  readonly packetId: string | null
  /** As it is written on the label; empty where only the crop was named. */
  readonly variety: string
  readonly outOn: Day | null
  readonly sowOn: Day | null
  /** It stands already: it was sown on that day. */
  readonly sown: boolean
  readonly season: 'spring' | 'autumn' | null
  /** The same again, so many times in all and so many days apart. */
  readonly times: number
  readonly everyDays: number
  readonly containerId: string | null
  readonly recipeId: string | null
  readonly placeId: string | null
  readonly seedsPerCell: number | null
  readonly kinds: { readonly count: number; readonly each: number } | null
  /** Every word, in the order it was said. */
  readonly heard: readonly Heard[]
  /** Words that were not understood: nothing is planned with them until somebody says so. */
  readonly unread: readonly string[]
  readonly asks: readonly Ask[]
}

/** What a wish is heard with. */
export interface Listening extends Calendar {
  readonly names: NameBook
  readonly containers: readonly { readonly id: string; readonly name: string }[]
  readonly recipes: readonly { readonly id: string; readonly name: string }[]
  readonly places: readonly { readonly id: string; readonly name: string }[]
  /** Crops that are also sown for autumn. */
  readonly autumnCrops: ReadonlySet<string>
}

export const WISH_EXAMPLE = '48 good plants of sweet basil by 20 May'

/** What is gathered while a sentence is read. */
interface Draft {
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
  seedsPerCell: number | null
  kinds: number | null
  each: number | null
  /** The day that was said is one of sowing: the sentence began with it. */
  verb: 'sow' | null
  frost: 'said' | null
  asks: Ask[]
}

interface Match {
  readonly words: number
  readonly as: Meaning
  readonly means: string
  readonly set?: (draft: Draft) => void
}
type Phrase = (text: string, words: readonly Word[], at: number, listening: Listening) => Match | null

const number = (text: string | undefined) =>
  text === undefined ? 1 : text === 'a' || text === 'an' ? 1 : Number(text)
const ask = (question: string, instead: Ask['instead'] = null): Ask => ({ question, instead })
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
    `${MORE_OR_LESS}(\\d+) (?:-|to|or) (\\d+)${GOOD}(?: ${UNIT})?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[2]), of: UNITS[m[3] ?? 'plant']! })),
  ),
  said(
    `${MORE_OR_LESS}(\\d+)${GOOD}(?: ${UNIT})?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[1]), of: UNITS[m[2] ?? 'plant']! })),
  ),
  said(`${MORE_OR_LESS}(\\d+) (?:x|×)`, 'amount', ...amountOf((m) => ({ n: Number(m[1]), of: 'plants' }))),
  said(`(?:x|×) (\\d+)`, 'amount', ...amountOf((m) => ({ n: Number(m[1]), of: 'plants' }))),
  said(
    `(a|\\d+) dozen${GOOD}(?: (plant|seed|cell))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: number(m[1]) * 12, of: UNITS[m[2] ?? 'plant']! })),
  ),
  said(
    `half a dozen${GOOD}(?: (plant|seed|cell))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: 6, of: UNITS[m[1] ?? 'plant']! })),
  ),
  said(
    `(?:a )?couple(?: of)?(?: (plant|seed|cell|tray|flat))?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: 2, of: UNITS[m[1] ?? 'plant']! })),
  ),
  said(`half (?:a )?(tray|flat)(?: of)?`, 'amount', ...amountOf(() => ({ n: 0.5, of: 'trays' }))),
  said(`an? (tray|flat|cell)(?: of)?`, 'amount', ...amountOf((m) => ({ n: 1, of: UNITS[m[1]!]! }))),
  said(
    `(?:a |1 )?(?:packet|pack) of (\\d+)(?: seed)?(?: of)?`,
    'amount',
    ...amountOf((m) => ({ n: Number(m[1]), of: 'seeds' })),
  ),
  said(
    `(?:a|\\d+) (?:row)(?: of)?`,
    'amount',
    () => 'rows',
    (d) => d.asks.push(ask('How long is a row? Say it in cells or trays: 24 cells, 1 tray.')),
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
    (m) => `every ${number(m[2]) * UNIT_DAYS[m[3]!]!} days${(m[1] ?? m[4]) ? `, ${m[1] ?? m[4]} times` : ''}`,
    (d, m) => {
      d.everyDays = number(m[2]) * UNIT_DAYS[m[3]!]!
      const times = m[1] ?? m[4]
      if (times) d.times = Number(times)
    },
  ),
  said(
    `(?:(\\d+) (?:time|x|×) )?(weekly|fortnightly|monthly)(?: (\\d+) (?:time|x|×))?`,
    'repeats',
    (m) => `${m[2]}${(m[1] ?? m[3]) ? `, ${m[1] ?? m[3]} times` : ''}`,
    (d, m) => {
      d.everyDays = { weekly: 7, fortnightly: 14, monthly: 28 }[m[2]!]!
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
    (m) => (/a|f/.test(m[1]![0]!) ? 'autumn' : 'spring and summer'),
    (d, m) => (d.season = /^(?:autumn|fall)$/.test(m[1]!) ? 'autumn' : 'spring'),
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
  named('places', 'place', (d, id) => (d.placeId = id)),
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

/** `in a 72-cell tray`, `in lean and light`, `on the windowsill`. */
function named(
  list: 'containers' | 'recipes' | 'places',
  as: Meaning,
  set: (draft: Draft, id: string) => void,
): Phrase {
  return (text, _words, _at, listening) => {
    const lead = /^(?:(?:in|into|on|under|with|using|at) )?(?:(?:a|an|the|my|our|their) )?/.exec(text)![0]
    const found = longestName(text.slice(lead.length), listening[list])
    // A bare name of a mix or a place is as likely a variety.
    if (!found || (lead === '' && list !== 'containers')) return null
    return {
      words: found.words + (lead ? lead.trim().split(' ').length : 0),
      as,
      means: found.one.name,
      set: (draft) => set(draft, found.one.id),
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

/** Words that name nothing: what follows them says something that was not understood. */
const LEADS = new Set(
  'for on in with by at from to until before after near under like without next because if into until than'.split(
    ' ',
  ),
)
const NO_NAMES = new Set(
  'asap soon now quickly again maybe too my our his her their everyone someone'.split(' '),
)

/** Reads a wish; every word of it is accounted for. */
export function readWish(text: string, listening: Listening): Wish {
  const words = wordsOf(text)
  const draft: Draft = {
    amount: null,
    named: [],
    cropText: '',
    outOn: null,
    sowOn: null,
    sown: false,
    season: null,
    times: null,
    everyDays: null,
    untilOn: null,
    containerId: null,
    recipeId: null,
    placeId: null,
    seedsPerCell: null,
    kinds: null,
    each: null,
    verb: null,
    frost: null,
    asks: [],
  }
  const heard: (Heard & { at: number; words: number })[] = []
  const loose: number[] = []
  let cropAt = -1
  let cropEnd = -1
  for (let i = 0; i < words.length;) {
    const best = words[i]!.quoted ? null : longest(words, i, listening)
    const crop = words[i]!.quoted ? null : listening.names.at(words, i)
    if (crop && (!best || crop.length >= best.words)) {
      const sliceText = textOf(words, i, crop.length)
      // Of two names side by side the last is the crop, the first tells which: strawberry popcorn.
      if (draft.named.length && !(cropEnd === i && !words[i]!.parted)) {
        if (!crop.named.some(({ cropId }) => draft.named.some((one) => one.cropId === cropId)))
          draft.asks.push(ask('One crop at a time: plan this one, then say the next.'))
      } else if (draft.named.length) loose.push(...range(cropAt, cropEnd))
      draft.named = crop.named
      draft.cropText = sliceText
      cropAt = i
      cropEnd = i + crop.length
      heard.push({ text: sliceText, as: 'crop', means: '', at: i, words: crop.length })
      i += crop.length
    } else if (best) {
      best.set?.(draft)
      heard.push({
        text: textOf(words, i, best.words),
        as: best.as,
        means: best.means,
        at: i,
        words: best.words,
      })
      i += best.words
    } else {
      loose.push(i)
      i++
    }
  }
  return settle(draft, words, heard, loose, [cropAt, cropEnd], listening)
}

function longest(words: readonly Word[], at: number, listening: Listening): Match | null {
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

const range = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => from + i)
const textOf = (words: readonly Word[], at: number, count: number) =>
  words
    .slice(at, at + count)
    .map(({ text }) => text)
    .join(' ')

/** What is left over is the variety where it stands beside the crop, else not understood; and what is still to be asked. */
function settle(
  draft: Draft,
  words: readonly Word[],
  heard: (Heard & { at: number; words: number })[],
  loose: readonly number[],
  [cropAt, cropEnd]: readonly [number, number],
  { names, autumnCrops }: Listening,
): Wish {
  const isLoose = new Set(loose)
  const asks = [...draft.asks]
  const beside: number[] = []
  if (cropAt >= 0) {
    for (let i = cropAt - 1; isLoose.has(i) && !words[i + 1]!.parted && canName(words[i]!); i--)
      beside.unshift(i)
    for (
      let i = cropEnd;
      isLoose.has(i) && (words[i]!.quoted || (!words[i]!.parted && canName(words[i]!)));
      i++
    )
      beside.push(i)
  } else {
    // Without a crop the words that name something are asked about together.
    const first = loose.find((i) => canName(words[i]!))
    if (first !== undefined) for (let i = first; isLoose.has(i) && canName(words[i]!); i++) beside.push(i)
  }
  let cropIds = [...new Set(draft.named.map(({ cropId }) => cropId))]
  let packetId: string | null = null
  let variety = beside.map((i) => words[i]!.text).join(' ')
  const plainBeside = beside.flatMap((i) => words[i]!.plain.split(' '))
  const held = beside.length ? names.holding(plainBeside, cropIds.length === 1 ? cropIds[0]! : null) : []
  if (cropIds.length <= 1 && held.length === 1) {
    const [one] = held
    cropIds = [one!.cropId]
    packetId = one!.packetId
    variety = one!.packetId ? one!.name : ''
  } else if (held.length > 1 && cropIds.length <= 1)
    asks.push(ask(`Which of them?`, { text: variety, choices: held.map(({ name }) => name) }))
  const choices = (found: readonly Named[]) => found.map(({ name }) => name)
  if (cropIds.length > 1)
    asks.push(
      ask(`${draft.cropText} is what more than one crop is called.`, {
        text: draft.cropText,
        choices: choices(draft.named),
      }),
    )
  if (cropIds.length === 0 && held.length <= 1) {
    if (!variety) asks.push(ask(`Of what? Say it like: ${WISH_EXAMPLE}.`))
    else {
      const like = names.like(variety)
      asks.push(
        like.length
          ? ask(`'${variety}' is no crop that is known here. Did you mean one of these?`, {
              text: variety,
              choices: choices(like),
            })
          : ask(
              `'${variety}' is no crop that is known here. Add it under Crops and seed, or call it by a crop it is like.`,
            ),
      )
    }
  }
  const { kinds, each } = draft
  let { amount } = draft
  if (kinds && each) {
    if (amount?.of === 'plants' && amount.n !== kinds * each)
      asks.push(ask(`${kinds} kinds, ${each} of each, are ${kinds * each}, not ${amount.n}.`))
    amount = { n: kinds * each, of: 'plants' }
  }
  if (!amount && !asks.some(({ question }) => /number|row/.test(question)))
    asks.push(ask(`How many? Say it like: ${WISH_EXAMPLE}.`))
  if (amount && !(amount.n > 0)) asks.push(ask('How many? A wish is for more than 0.'))
  if (draft.frost && cropIds.length === 1 && !autumnCrops.has(cropIds[0]!))
    asks.push(
      ask(
        'It is not usually sown for autumn. Before which frost: the last frost of spring, or the first of autumn?',
      ),
    )
  const until = draft.untilOn
  const from = draft.outOn ?? draft.sowOn
  const everyDays = draft.everyDays ?? 0
  const times =
    draft.times ??
    (until && from && everyDays ? Math.max(1, Math.floor(daysBetween(from, until) / everyDays) + 1) : 1)
  if (draft.everyDays && draft.times === null && !(until && from))
    asks.push(ask('How many times? Say: 4 times every 2 weeks.'))
  if (draft.times && draft.times > 1 && !everyDays)
    asks.push(ask('How far apart? Say: 4 times every 2 weeks.'))
  const outOn = draft.outOn ?? (until && !draft.everyDays ? until : null)

  const runs: (Heard & { at: number })[] = heard
    .filter(({ as, at }) => !(as === 'crop' && at !== cropAt && isLoose.has(at)))
    .map(({ text, as, means, at }) => ({ text, as, means, at }))
  const taken = new Set(beside)
  if (beside.length && (cropIds.length === 1 || packetId))
    runs.push({
      text: beside.map((i) => words[i]!.text).join(' '),
      as: 'variety',
      means: variety,
      at: beside[0]!,
    })
  const unread = joined(
    loose.filter((i) => !taken.has(i)),
    words,
  )
  return {
    amount,
    cropId: cropIds.length === 1 ? cropIds[0]! : null,
    packetId,
    variety,
    outOn,
    sowOn: draft.sowOn,
    sown: draft.sown,
    season: draft.season,
    times,
    everyDays,
    containerId: draft.containerId,
    recipeId: draft.recipeId,
    placeId: draft.placeId,
    seedsPerCell: draft.seedsPerCell,
    kinds: kinds
      ? { count: kinds, each: each ?? Math.max(1, Math.round((amount?.n ?? kinds) / kinds)) }
      : null,
    heard: runs.sort((a, b) => a.at - b.at),
    unread,
    asks,
  }
}

const canName = ({ plain, quoted }: Word) =>
  quoted || (/^\p{L}/u.test(plain) && !LEADS.has(plain) && !NO_NAMES.has(plain))

/** Words that stand side by side, together. */
function joined(at: readonly number[], words: readonly Word[]): string[] {
  const runs: number[][] = []
  for (const i of at) {
    const run = runs.at(-1)
    if (run && run.at(-1) === i - 1 && !words[i]!.parted) run.push(i)
    else runs.push([i])
  }
  return runs.map((run) => textOf(words, run[0]!, run.length))
}

/** The days of a wish that is repeated: the first, and the same again. */
export const daysOfWish = (first: Day, { times, everyDays }: Pick<Wish, 'times' | 'everyDays'>): Day[] =>
  Array.from({ length: Math.max(1, times) }, (_, i) => addDays(first, i * everyDays))
