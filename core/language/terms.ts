import { at as elementAt } from '../numeric/at'
import { dayTerm, ORDINALS, type ReadDay } from './days'
import { sentenceOf } from './chart'
import { measureTerms } from './measure-terms'
import { IN_FIGURES } from './numbers'
import type { Found, Sentence, Term } from './pattern'
import { tokensOf } from './token'
import { vesselTerms } from './vessels'
import type { Known, KnownSowing } from './reading'

/** A day in either tense: as what is to come, and as what was. */
export interface DaySaid {
  readonly ahead: ReadDay | null
  readonly was: ReadDay | null
}

/** Names of a list, found by their words. */
function namesTerm<One extends { readonly name: string }>(all: readonly One[]): Term {
  const byFirst = new Map<string, { words: readonly string[]; one: One }[]>()
  for (const one of all) {
    const words = tokensOf(one.name).map(({ plain }) => plain)
    const [head] = words
    if (head !== undefined) byFirst.set(head, [...(byFirst.get(head) ?? []), { words, one }])
  }
  return ({ tokens }, at) =>
    (byFirst.get(elementAt(tokens, at).plain) ?? [])
      .filter(({ words }) =>
        words.every((word, i) => tokens[at + i]?.plain === word && (i === 0 || !tokens[at + i]?.parted)),
      )
      .map(({ words, one }) => ({ to: at + words.length, value: one }))
}

/** `twice`, `4 times`, `3 ×`, `three sowings`: how often. */
const times: Term = (sentence, at) => {
  const word = elementAt(sentence.tokens, at).lower
  const out: Found[] = []
  const often = { once: 1, twice: 2, thrice: 3 }[word]
  if (often) out.push({ to: at + 1, value: often })
  for (const { to, value } of sentence.term('whole', at))
    if (
      /^(?:time|x|×|sowing|succession|round|batch|batche|go|lot)$/.test(sentence.tokens[to]?.plain ?? '') &&
      !sentence.tokens[to]?.parted
    )
      out.push({ to: to + 1, value })
  return out
}

const time: Term = ({ tokens }, at) => {
  const token = elementAt(tokens, at)
  const next = tokens[at + 1]
  if (token.lower === 'noon' || token.lower === 'midday') return [{ to: at + 1, value: '12:00' }]
  if (token.kind !== 'number') return []
  const clock = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(token.plain)
  const half = /^[ap]\.?m$/.exec(next?.lower ?? '')?.[0]
  const to = half ? at + 2 : at + 1
  const hours = clock
    ? Number(clock[1])
    : half && /^\d{1,2}$/.test(token.plain)
      ? Number(token.plain)
      : undefined
  if (hours === undefined || (half && (hours < 1 || hours > 12))) return []
  const of24 = half ? (hours % 12) + (half.startsWith('p') ? 12 : 0) : hours
  return [{ to, value: `${String(of24).padStart(2, '0')}:${clock ? clock[2] : '00'}` }]
}

const TRAY = /^(?:tray|flat)$/
/** `Third tray`, `tray three`, `T3`: one tray by its number, said in another way. */
function trayInWords({ tokens }: Sentence, at: number): Found[] {
  const [one, next] = [elementAt(tokens, at), tokens[at + 1]]
  if (!next || next.parted) return []
  const ordinal = ORDINALS.indexOf(one.lower) + 1
  if (ordinal > 0 && TRAY.test(next.lower)) return [{ to: at + 2, value: [ordinal] }]
  const unit = IN_FIGURES.get(next.lower)
  if (unit !== undefined && TRAY.test(one.lower)) return [{ to: at + 2, value: [Number(unit)] }]
  return one.lower === 't' && next.glued && /^\d{1,4}$/.test(next.plain)
    ? [{ to: at + 2, value: [Number(next.plain)] }]
    : []
}

/** `tray 3`, `trays 3, 4 and 5`, `trays 3-9`, `#3`: the numbers of trays. */
const trays: Term = (sentence, at) => {
  const { tokens } = sentence
  const plain = (i: number) => tokens[i]?.plain
  const inWords = trayInWords(sentence, at)
  // `Third tray 12 up`: twelve of the third.
  if (inWords.length || (at > 0 && ORDINALS.includes(elementAt(tokens, at - 1).lower))) return inWords
  let i = at
  if (plain(i) === 'tray' || plain(i) === 'flat') i++
  else if (plain(i) !== '#') return []
  else i++
  if (plain(i) === 'no' || plain(i) === 'number' || plain(i) === '#') i++
  const number = (k: number) => (/^\d{1,6}$/.test(plain(k) ?? '') ? Number(plain(k)) : undefined)
  const head = number(i)
  if (head === undefined || (tokens[i]?.parted && i > at)) return []
  const several = elementAt(tokens, at).lower.endsWith('s')
  const numbers = [head]
  const out: Found[] = []
  i++
  out.push({ to: i, value: [...numbers] })
  for (;;) {
    const last = elementAt(numbers, numbers.length - 1)
    const joined = plain(i)
    const next = number(i + 1)
    if (
      several &&
      /^(?:-|to|through)$/.test(joined ?? '') &&
      next !== undefined &&
      next > last &&
      next - last < 200
    ) {
      for (let n = last + 1; n <= next; n++) numbers.push(n)
      i += 2
    } else if (
      /^(?:and|&|\+)$/.test(joined ?? '') &&
      next !== undefined &&
      (several || plain(i + 1) !== undefined)
    ) {
      numbers.push(next)
      i += 2
    } else if (several && tokens[i]?.parted && number(i) !== undefined) {
      numbers.push(Number(plain(i)))
      i++
    } else return out
    out.push({ to: i, value: [...numbers] })
  }
}

/** Everything a sentence of a household can be made of. */
export function termsOf(known: Known) {
  const day = dayTerm(known, 'to come')
  const wasDay = dayTerm(known, 'was')
  const terms: Record<string, Term> = {
    ...measureTerms(known.units),
    /** `28/36`: so many of so many. */
    outof: ({ tokens }, at) => {
      const [, n, of] = /^(\d+)\/(\d+)$/.exec(elementAt(tokens, at).plain) ?? []
      return n !== undefined && Number(n) <= Number(of)
        ? [{ to: at + 1, value: [Number(n), Number(of)] }]
        : []
    },
    time,
    times,
    trays,
    day(sentence, at) {
      const ahead = day(sentence, at)
      const was = wasDay(sentence, at)
      const ends = new Set([...ahead, ...was].map(({ to }) => to))
      return [...ends].map((to): Found<DaySaid> => ({
        to,
        value: {
          ahead: ahead.find((one) => one.to === to)?.value ?? null,
          was: was.find((one) => one.to === to)?.value ?? null,
        },
      }))
    },
    crop({ tokens }, at) {
      if (elementAt(tokens, at).quoted) return []
      const found = known.names.at(tokens, at)
      return found ? [{ to: at + found.length, value: found.named }] : []
    },
    batch: ({ tokens }, at) => {
      const no = tokens[at + 1]?.plain === 'no' ? 2 : 1
      const number = tokens[at + no]
      return elementAt(tokens, at).plain === 'batch' && number && /^\d{1,6}$/.test(number.plain)
        ? [{ to: at + no + 1, value: Number(number.plain) }]
        : []
    },
    recipe: namesTerm(known.recipes),
    place: namesTerm(known.places),
    // A sowing by its name, or a group of a tray that is called by one of its own.
    sowing: namesTerm<KnownSowing>([
      ...known.sowings,
      ...known.trays.flatMap(({ groups }) =>
        groups.map(({ name, cropId, sowingId }) => ({ id: sowingId ?? '', name, cropId })),
      ),
    ]),
    ...vesselTerms(known.vessels),
  }
  return terms
}

const termsCache = new WeakMap<Known, ReturnType<typeof termsOf>>()

/** A text ready to be matched; what it is read with is made ready once. */
export function sentenceFor(text: string, known: Known): Sentence {
  let terms = termsCache.get(known)
  if (!terms) termsCache.set(known, (terms = termsOf(known)))
  return sentenceOf(text, tokensOf(text), terms)
}
