import { present } from '../present'
import { at } from '../numeric/at'
import { fractionValue } from '../units/fraction'
import type { Found, Sentence } from './pattern'
import type { Token } from './token'

/** A number that was said; of a range the larger, with the smaller beside it. */
export interface Count {
  readonly n: number
  readonly low: number | null
}

const ONES =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'
const SMALL = new Map([
  ...ONES.split(' ').map((word, i): [string, number] => [word, i]),
  ...'twenty thirty forty fifty sixty seventy eighty ninety'
    .split(' ')
    .map((word, i): [string, number] => [word, (i + 2) * 10]),
  ['fourty', 40],
])
const FRACTIONS: ReadonlyMap<string, number> = new Map(
  Object.entries({
    half: 1 / 2,
    third: 1 / 3,
    quarter: 1 / 4,
    fifth: 1 / 5,
    eighth: 1 / 8,
    tenth: 1 / 10,
  }),
)

/**
 * The value of a written figure: `12`, `1,200`, `2,5`, `1/2`, `½`; undefined for a date or a time.
 *
 * @example figure('1,200') // 1200
 */
export function figure(written: string): number | undefined {
  const glyph = fractionValue(written)
  if (glyph !== undefined) return glyph
  const ratio = /^(\d+)\/(\d+)$/.exec(written)
  // `20/5` is a day; a fraction is less than a whole, of what people measure in.
  if (ratio)
    return MEASURED.test(at(ratio, 2)) && Number(ratio[1]) < Number(ratio[2])
      ? Number(ratio[1]) / Number(ratio[2])
      : undefined
  if (/^\d{1,3}(?:[ ,]\d{3})+$/.test(written)) return Number(written.replace(/[ ,]/g, ''))
  return /^\d*[.,]?\d+$/.test(written) ? Number(written.replace(',', '.')) : undefined
}

const MEASURED = /^(?:[234568]|10|12|16|32)$/

const isFraction = ({ plain, kind }: Token) => kind === 'number' && (figure(plain) ?? 1) < 1
const joins = (token: Token | undefined) => token !== undefined && !token.parted && !token.quoted

/** A whole number in words, from its first word on: where it ends, and how much. */
function inWords(tokens: readonly Token[], at: number): Found<number>[] {
  const word = (i: number) => (i === at || joins(tokens[i]) ? tokens[i]?.lower : undefined)
  const below100 = (i: number): { to: number; n: number } | null => {
    const n = SMALL.get(word(i) ?? '')
    if (n === undefined) return null
    const unit = SMALL.get(word(i + 1) ?? '')
    return n >= 20 && unit !== undefined && unit > 0 && unit < 10
      ? { to: i + 2, n: n + unit }
      : { to: i + 1, n }
  }
  const out: Found<number>[] = []
  const head =
    below100(at) ??
    (/^an?$/.test(word(at) ?? '') && /^(?:hundred|thousand)$/.test(word(at + 1) ?? '')
      ? { to: at + 1, n: 1 }
      : null)
  if (!head) return out
  if (!/^an?$/.test(word(at) ?? '')) {
    out.push({ to: head.to, value: head.n })
    if (head.to === at + 2) out.push({ to: at + 1, value: present(SMALL.get(present(word(at)))) })
  }
  if (word(head.to) === 'thousand') out.push({ to: head.to + 1, value: head.n * 1000 })
  if (word(head.to) === 'hundred') {
    const hundreds = head.n * 100
    out.push({ to: head.to + 1, value: hundreds })
    const and = word(head.to + 1) === 'and' ? head.to + 2 : head.to + 1
    const rest = below100(and)
    if (rest) out.push({ to: rest.to, value: hundreds + rest.n })
  }
  return out
}

/** A fraction said by itself: `half`, `a quarter of`, `three quarters`, `half a`. */
function fractions(tokens: readonly Token[], at: number): Found<number>[] {
  const word = (i: number) => (i === at || joins(tokens[i]) ? tokens[i]?.plain : undefined)
  const out: Found<number>[] = []
  const head = /^(?:an?|1|one)$/.test(word(at) ?? '') ? 1 : SMALL.get(word(at) ?? '')
  const i = head === undefined ? at : at + 1
  const one = FRACTIONS.get(word(i) ?? '')
  // `a third tray` is the tray after the second; a fraction that is no half is said with its `of`.
  if (one === undefined || (head !== undefined && head > 1 && one === 1 / 2)) return out
  if (head === undefined && one < 1 / 2 && /^(?:tray|flat|row|column)$/.test(word(i + 1) ?? '')) return out
  const value = (head ?? 1) * one
  if (value > 1) return out
  const of = word(i + 1) === 'of' ? i + 2 : i + 1
  if (word(of) !== 'dozen' && !(/^an?$/.test(word(of) ?? '') && word(of + 1) === 'dozen')) {
    out.push({ to: i + 1, value })
    if (/^(?:an?|the)$/.test(word(of) ?? '')) out.push({ to: of + 1, value })
    else if (of > i + 1) out.push({ to: of, value })
  }
  return out
}

/** A gross is twelve dozen, a score twenty [from memory]. */
const MANY: ReadonlyMap<string, number> = new Map(Object.entries({ gross: 144, score: 20 }))
/** Dozens, couples and pairs. */
function collective(tokens: readonly Token[], at: number): Found<number>[] {
  const word = (i: number) => (i === at || joins(tokens[i]) ? tokens[i]?.plain : undefined)
  const out: Found<number>[] = []
  const of = (i: number) => (word(i) === 'of' ? [i, i + 1] : [i])
  const push = (to: number, value: number) => of(to).forEach((end) => out.push({ to: end, value }))
  if (word(at) === 'half' && /^an?$/.test(word(at + 1) ?? '') && word(at + 2) === 'dozen') push(at + 3, 6)
  if (/^an?$/.test(word(at) ?? '') && word(at + 1) === 'half' && word(at + 2) === 'dozen') push(at + 3, 6)
  const lead = /^an?$/.test(word(at) ?? '')
    ? [{ to: at + 1, value: 1 }]
    : [...inWords(tokens, at), ...digits(tokens, at)]
  if (word(at) === 'dozen') lead.push({ to: at, value: 1 })
  for (const { to, value } of lead)
    if (word(to) === 'dozen') {
      push(to + 1, value * 12)
      if (word(to + 1) === 'and' && /^an?$/.test(word(to + 2) ?? '') && word(to + 3) === 'half')
        push(to + 4, value * 12 + 6)
    }
  for (const { to, value } of lead) {
    const many = to > at ? MANY.get(word(to) ?? '') : undefined
    if (many !== undefined) push(to + 1, value * many)
  }
  const pair = /^an?$/.test(word(at) ?? '') ? at + 1 : at
  if (/^(?:couple|pair)$/.test(word(pair) ?? '')) {
    const of = word(pair + 1) === 'of' ? pair + 2 : pair + 1
    if (word(of) === 'dozen') push(of + 1, 24)
    else push(pair + 1, 2)
  }
  return out
}

function digits(tokens: readonly Token[], at: number): Found<number>[] {
  const token = tokens[at]
  if (token?.kind !== 'number') return []
  const value = figure(token.plain)
  if (value === undefined) return []
  const next = tokens[at + 1]
  // `2½` is one number.
  const out: Found<number>[] =
    next?.glued && fractionValue(next.plain) !== undefined ? [] : [{ to: at + 1, value }]
  if (Number.isInteger(value) && next && joins(next) && isFraction(next))
    out.push({ to: at + 2, value: value + present(figure(next.plain)) })
  // `3-1/2 inch`.
  const part = tokens[at + 2]
  if (Number.isInteger(value) && next?.plain === '-' && next.glued && part?.glued && isFraction(part))
    out.push({ to: at + 3, value: value + present(figure(part.plain)) })
  return out
}

const single = (tokens: readonly Token[], at: number): Found<number>[] => {
  const token = tokens[at]
  if (!token || token.quoted) return []
  if (token.kind === 'sign') return []
  const plain = [...digits(tokens, at), ...(token.kind === 'word' ? inWords(tokens, at) : [])]
  // `two and a half`, `3 and a half`: and a half, where no unit stands between.
  const halves = plain.flatMap(({ to, value }) => {
    const [and, a, part] = [tokens[to], tokens[to + 1], tokens[to + 2]]
    const share = FRACTIONS.get(part?.plain ?? '')
    return Number.isInteger(value) &&
      joins(and) &&
      and?.lower === 'and' &&
      /^an?$/.test(a?.lower ?? '') &&
      share
      ? [{ to: to + 3, value: value + share }]
      : []
  })
  return [
    ...halves,
    ...collective(tokens, at),
    ...plain,
    ...(token.kind === 'word' ? fractions(tokens, at) : []),
  ]
}

const isRangeWord = (token: Token | undefined) =>
  token !== undefined && !token.parted && /^(?:-|to|or)$/.test(token.lower)

/** A number at a place: in figures, words, dozens or fractions, or a range of two. */
export function numberAt({ tokens }: Sentence, at: number): Found<Count>[] {
  const out: Found<Count>[] = []
  const before = tokens[at - 1]
  for (const { to, value } of single(tokens, at)) {
    if (isRangeWord(tokens[to]) && joins(tokens[to + 1]))
      for (const high of single(tokens, to + 1)) {
        // Three numbers joined by dashes are those of a label.
        const ofLabel = tokens[high.to]?.plain === '-' && tokens[high.to + 1]?.kind === 'number'
        if (high.value > value && !ofLabel) out.push({ to: high.to, value: { n: high.value, low: value } })
      }
    if (!(before?.plain === '-' && tokens[at]?.glued && tokens[at - 2]?.kind === 'number'))
      out.push({ to, value: { n: value, low: null } })
  }
  return out
}

export const wholeAt = (sentence: Sentence, at: number): Found<number>[] =>
  sentence.term('number', at).flatMap(({ to, value }) => {
    const { n, low } = value as Count
    return low === null && Number.isInteger(n) ? [{ to, value: n }] : []
  })

/** A number, or one thing: `a`, `an`. */
export function countAt(sentence: Sentence, at: number): Found<Count>[] {
  const one = /^an?$/.test(sentence.tokens[at]?.lower ?? '')
    ? [{ to: at + 1, value: { n: 1, low: null } }]
    : []
  return [...(sentence.term('number', at) as Found<Count>[]), ...one]
}

/** The first twelve numbers as they are written in words. */
export const IN_FIGURES: ReadonlyMap<string, string> = new Map(
  'one two three four five six seven eight nine ten eleven twelve'
    .split(' ')
    .map((word, i): [string, string] => [word, String(i + 1)]),
)
