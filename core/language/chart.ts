import { at as elementAt, first } from '../numeric/at'
import type { Bound, Found, Pattern, Sentence } from './pattern'

/** Words that were taken together for one thing. */
export interface Piece {
  readonly slot: string
  /** The first word and the one behind the last. */
  readonly from: number
  readonly to: number
  readonly value: unknown
  /** What it was taken for, as a person reads it; empty for words that carry nothing. */
  readonly means: string
}

/** A rule of a grammar: words of this pattern fill this slot. */
export interface Rule {
  readonly slot: string
  readonly pattern: string
  /** What they stand for; null where they cannot, for all the pattern says. */
  readonly value: (bound: Bound, sentence: Sentence, at: number, to: number) => unknown
  readonly means: (value: never, bound: Bound) => string
  /** What a piece costs: of several ways to read a sentence the cheapest counts. One for each piece where it is not said. */
  readonly cost?: number
}
/** A rule as it is stated: typed by what its words stand for. */
export const rule = <Value>(
  slot: string,
  pattern: string,
  value: (bound: never, sentence: Sentence, at: number, to: number) => Value | null,
  means: (value: Value) => string,
  cost?: number,
): Rule => ({
  slot,
  pattern,
  value: value as Rule['value'],
  means: means as Rule['means'],
  ...(cost === undefined ? {} : { cost }),
})

/** A listed word that carries nothing: taken by every grammar, told of by none. */
export const FILLER_RULE = rule<true>(
  'filler',
  '<filler>',
  () => true,
  () => '',
  0.4,
)

interface ReadyRule extends Rule {
  readonly ready: Pattern
  readonly order: number
}

/** A grammar made ready: rules by the words they can begin with. */
export interface Grammar {
  readonly byFirst: ReadonlyMap<string, readonly ReadyRule[]>
  readonly byTerm: ReadonlyMap<string, readonly ReadyRule[]>
  readonly all: readonly ReadyRule[]
}

export function grammarOf(rules: readonly Rule[], make: (pattern: string) => Pattern): Grammar {
  const byFirst = new Map<string, ReadyRule[]>()
  const byTerm = new Map<string, ReadyRule[]>()
  const all = rules.map((rule, order): ReadyRule => ({ ...rule, ready: make(rule.pattern), order }))
  for (const ready of all) {
    for (const term of ready.ready.terms) byTerm.set(term, [...(byTerm.get(term) ?? []), ready])
    for (const word of ready.ready.begins) byFirst.set(word, [...(byFirst.get(word) ?? []), ready])
  }
  return { byFirst, byTerm, all }
}

/** One way to take every word of a sentence. */
interface Tiling {
  readonly cost: number
  readonly pieces: readonly Piece[]
}

const UNREAD_COST = 12
const KEPT = 6
export const UNREAD = 'unread'

/** Rules that can begin at a word: by the word itself, or by a term that stands there. */
export function rulesAt(sentence: Sentence, grammar: Grammar, at: number): readonly ReadyRule[] {
  const { plain, lower } = elementAt(sentence.tokens, at)
  const begins = new Uint8Array(grammar.all.length)
  const add = (rules: readonly ReadyRule[] | undefined) => {
    if (rules) for (const { order } of rules) begins[order] = 1
  }
  add(grammar.byFirst.get(plain))
  if (lower !== plain) add(grammar.byFirst.get(lower))
  for (const [term, those] of grammar.byTerm) if (sentence.term(term, at).length > 0) add(those)
  // In the order they are stated: of two the first counts.
  return grammar.all.filter(({ order }) => begins[order] === 1)
}

function piecesAt(sentence: Sentence, grammar: Grammar, at: number): { piece: Piece; cost: number }[] {
  const out: { piece: Piece; cost: number }[] = []
  const isThere = (slot: string, to: number, value: unknown) =>
    out.some(
      ({ piece }) =>
        piece.to === to && piece.slot === slot && JSON.stringify(piece.value) === JSON.stringify(value),
    )
  for (const rule of rulesAt(sentence, grammar, at))
    for (const { to, bound } of rule.ready.match(sentence, at)) {
      const value = rule.value(bound, sentence, at, to)
      if (value === null || isThere(rule.slot, to, value)) continue
      out.push({
        piece: { slot: rule.slot, from: at, to, value, means: rule.means(value as never, bound) },
        cost: rule.cost ?? 1,
      })
    }
  return out
}

/**
 * The cheapest ways to take every word of a sentence, all of one cost: few pieces, so that what binds tighter comes first,
 * and few words that nothing is made of. More than one where they differ in what they take words for.
 */
export function tilings(sentence: Sentence, grammar: Grammar): readonly Tiling[] {
  const n = sentence.tokens.length
  const best: Way[][] = Array.from({ length: n + 1 }, () => [])
  best[0] = [{ cost: 0, piece: null, before: null }]
  for (let at = 0; at < n; at++) {
    const here = elementAt(best, at)
    if (here.length === 0) continue
    const unread: Piece = { slot: UNREAD, from: at, to: at + 1, value: null, means: '' }
    const pieces = piecesAt(sentence, grammar, at)
    pieces.push({ piece: unread, cost: UNREAD_COST })
    for (const { piece, cost } of pieces)
      for (const one of here) keep(elementAt(best, piece.to), one, piece, cost)
  }
  const whole = elementAt(best, n)
  if (whole.length === 0) return []
  const least = first(whole).cost
  return whole
    .filter(({ cost }) => cost - least < 1e-9)
    .map((way) => ({ cost: way.cost, pieces: piecesOf(way) }))
}

/** A way to a place of the sentence: its last piece, and the way before it. */
interface Way {
  readonly cost: number
  readonly piece: Piece | null
  readonly before: Way | null
}
function piecesOf(way: Way): Piece[] {
  const pieces: Piece[] = []
  for (let one: Way | null = way; one?.piece; one = one.before) pieces.push(one.piece)
  return pieces.reverse()
}

/** Keeps a way among the few cheapest that end at a place. */
function keep(ways: Way[], before: Way, piece: Piece, cost: number) {
  const whole = before.cost + cost
  const last = ways[ways.length - 1]
  if (ways.length >= KEPT && last && last.cost <= whole) return
  const at = ways.findIndex((one) => one.cost > whole)
  ways.splice(at < 0 ? ways.length : at, 0, { cost: whole, piece, before })
  if (ways.length > KEPT) ways.pop()
}

/** A sentence whose terms are each looked for once. */
export function sentenceOf(
  text: string,
  tokens: Sentence['tokens'],
  terms: Readonly<Record<string, (sentence: Sentence, at: number) => readonly Found[]>>,
): Sentence {
  const memo = new Map<string, (readonly Found[] | undefined)[]>()
  const sentence: Sentence = {
    text,
    tokens,
    term(name, at) {
      let row = memo.get(name)
      if (!row) memo.set(name, (row = []))
      const known = row[at]
      if (known) return known
      const term = terms[name]
      if (!term) throw new RangeError(`pattern: no term '${name}'`)
      const found = at < tokens.length ? term(sentence, at) : []
      row[at] = found
      return found
    },
  }
  return sentence
}
