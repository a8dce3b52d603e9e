import { plainWord } from '../text/words'
import { present } from '../present'
import { at } from '../numeric/at'
import type { Token } from './token'

/*
 * Patterns of words, as the grammar states them:
 *   sow|start     one of these words, compared in the singular
 *   <act>         one of the phrases of a list (lexicon)
 *   {n:number}    a term: something with a value that words.ts, quantities.ts … know how to read
 *   ( a / b c )   either
 *   x? x+         perhaps; once or more
 *   ,             a comma may stand here; elsewhere a pattern never reaches over one
 */

/** A term that stands at a place: how far it reaches, and what it is. */
export interface Found<Value = unknown> {
  readonly to: number
  readonly value: Value
}
export type Term = (sentence: Sentence, at: number) => readonly Found[]

/** A list of phrases, each with what it stands for. */
interface PhraseList {
  readonly byFirst: ReadonlyMap<
    string,
    readonly { readonly words: readonly string[]; readonly value: unknown }[]
  >
}

/** What patterns are matched against. */
export interface Sentence {
  readonly text: string
  readonly tokens: readonly Token[]
  /** What stands at a place, of a kind of term; each is looked for once. */
  readonly term: (name: string, at: number) => readonly Found[]
}

/** The words from one place to another, as they were typed. */
export const wordsOf = ({ text, tokens }: Sentence, from: number, to: number): string =>
  text.slice(at(tokens, from).from, at(tokens, to - 1).to)

export type Bound = Readonly<Record<string, unknown>>
interface Match {
  readonly to: number
  readonly bound: Bound
}
type Node = (sentence: Sentence, at: number, bound: Bound, first: boolean) => readonly Match[]

/** A pattern made ready, and the words and terms it can begin with. */
export interface Pattern {
  readonly match: (sentence: Sentence, at: number) => readonly Match[]
  readonly begins: ReadonlySet<string>
  /** Terms it can begin with: where none of them stands, and no such word, it need not be tried. */
  readonly terms: readonly string[]
}

const NONE: readonly Match[] = []
const NO_TERMS: ReadonlySet<string> = new Set()
const COMMA = 'comma'

/** Whether a pattern may go on at this word: it stands at the start, or nothing parts it from the one before. */
const goesOn = (token: Token | undefined, first: boolean, bound: Bound) =>
  token !== undefined && (first || !token.parted || bound[COMMA] === true)
const past = (bound: Bound): Bound => (bound[COMMA] === undefined ? bound : { ...bound, [COMMA]: undefined })

interface Part {
  readonly node: Node
  readonly begins: ReadonlySet<string>
  readonly terms: ReadonlySet<string>
  readonly optional: boolean
}

const literal = (words: readonly string[]): Part => {
  const all = new Set(words.map((word) => (/\p{L}/u.test(word) ? plainWord(word) : word)))
  return {
    node: ({ tokens }, at, bound, first) => {
      const token = tokens[at]
      if (!goesOn(token, first, bound) || present(token).quoted) return NONE
      return all.has(present(token).plain) || words.includes(present(token).lower)
        ? [{ to: at + 1, bound: past(bound) }]
        : NONE
    },
    begins: new Set([...all, ...words]),
    terms: NO_TERMS,
    optional: false,
  }
}

const listed = (list: PhraseList, name: string | null): Part => ({
  node: ({ tokens }, at, bound, first) => {
    const token = tokens[at]
    if (!goesOn(token, first, bound)) return NONE
    const out: Match[] = []
    for (const { words, value } of list.byFirst.get(present(token).plain) ?? [])
      if (
        words.every(
          (word, i) => tokens[at + i]?.plain === word && (i === 0 || !present(tokens[at + i]).parted),
        )
      )
        out.push({ to: at + words.length, bound: name ? { ...past(bound), [name]: value } : past(bound) })
    return out
  },
  begins: new Set(list.byFirst.keys()),
  terms: NO_TERMS,
  optional: false,
})

const termed = (name: string | null, term: string): Part => ({
  node: (sentence, at, bound, first) => {
    if (!goesOn(sentence.tokens[at], first, bound)) return NONE
    const found = sentence.term(term, at)
    return found.length === 0
      ? NONE
      : found.map(({ to, value }) => ({ to, bound: name ? { ...past(bound), [name]: value } : past(bound) }))
  },
  begins: new Set(),
  terms: new Set([term]),
  optional: false,
})

const sequence = (parts: readonly Part[]): Part => {
  const begins = new Set<string>()
  const terms = new Set<string>()
  for (const part of parts) {
    for (const word of part.begins) begins.add(word)
    for (const term of part.terms) terms.add(term)
    if (!part.optional) break
  }
  return {
    node: (sentence, at, bound, first) => {
      let now: readonly Match[] = [{ to: at, bound }]
      for (const { node } of parts) {
        const next: Match[] = []
        for (const one of now) next.push(...node(sentence, one.to, one.bound, first && one.to === at))
        if (next.length === 0) return NONE
        now = next
      }
      return now
    },
    begins,
    terms,
    optional: parts.every(({ optional }) => optional),
  }
}

const either = (ways: readonly Part[]): Part => ({
  node: (sentence, at, bound, first) => ways.flatMap(({ node }) => node(sentence, at, bound, first)),
  begins: new Set(ways.flatMap(({ begins }) => [...begins])),
  terms: new Set(ways.flatMap(({ terms }) => [...terms])),
  optional: ways.some(({ optional }) => optional),
})

const perhaps = (part: Part): Part => ({
  node: (sentence, at, bound, first) => [{ to: at, bound }, ...part.node(sentence, at, bound, first)],
  begins: part.begins,
  terms: part.terms,
  optional: true,
})

const repeated = (part: Part): Part => ({
  ...part,
  node: (sentence, at, bound, first) => {
    const out: Match[] = []
    let now = part.node(sentence, at, bound, first)
    while (now.length) {
      out.push(...now)
      now = now.flatMap((one) => (one.to > at ? part.node(sentence, one.to, one.bound, false) : NONE))
    }
    return out
  },
})

const comma: Part = {
  node: (_, at, bound) => [{ to: at, bound: { ...bound, [COMMA]: true } }],
  begins: new Set(),
  terms: NO_TERMS,
  optional: true,
}

/**
 * Makes patterns ready with the lists they name.
 *
 * @throws RangeError for a list or a bracket that is not there
 */
export function patterns(lists: Readonly<Record<string, PhraseList>>) {
  function parse(words: string[]): Part {
    const ways: Part[] = []
    let parts: Part[] = []
    while (words.length && !/^\)[?+]?$/.test(at(words, 0))) {
      const word = present(words.shift())
      if (word === '/') {
        ways.push(sequence(parts))
        parts = []
        continue
      }
      const suffix = word === '(' || word.length === 1 ? '' : (/[?+]$/.exec(word)?.[0] ?? '')
      const bare = suffix ? word.slice(0, -1) : word
      if (word === '(') {
        const inner = parse(words)
        const end = words.shift()
        if (end === undefined) throw new RangeError('pattern: a bracket is not closed')
        parts.push(suffixed(inner, end.slice(1)))
      } else parts.push(suffixed(atom(bare), suffix))
    }
    return ways.length ? either([...ways, sequence(parts)]) : sequence(parts)
  }
  function atom(word: string): Part {
    if (word === ',') return comma
    const list = /^<(?:(\w+):)?([\w-]+)>$/.exec(word)
    if (list) {
      const of = lists[at(list, 2)]
      if (!of) throw new RangeError(`pattern: no list '${list[2]}'`)
      return listed(of, list[1] ?? null)
    }
    const term = /^\{(?:(\w+):)?([\w-]+)\}$/.exec(word)
    return term ? termed(term[1] ?? null, at(term, 2)) : literal(word.split('|'))
  }
  const suffixed = (part: Part, suffix: string) =>
    suffix === '?' ? perhaps(part) : suffix === '+' ? repeated(part) : part
  return (pattern: string): Pattern => {
    const { node, begins, terms } = parse(pattern.split(/\s+/).filter(Boolean))
    return {
      match: (sentence, at) => node(sentence, at, {}, true).filter(({ to }) => to > at),
      begins,
      terms: [...terms],
    }
  }
}

/** A list of phrases, each standing for itself or for what it is given with. */
export function phraseList(phrases: Readonly<Record<string, unknown>> | readonly string[]): PhraseList {
  const all: [string, unknown][] = Array.isArray(phrases)
    ? (phrases as string[]).map((one) => [one, one])
    : Object.entries(phrases)
  const byFirst = new Map<string, { words: string[]; value: unknown }[]>()
  for (const [phrase, value] of all) {
    const words = (phrase.length === 1 ? [phrase] : phrase.split(/[\s-]+/)).map((word) =>
      /\p{L}/u.test(word) ? plainWord(word) : word,
    )
    const head = at(words, 0)
    byFirst.set(head, [...(byFirst.get(head) ?? []), { words, value }])
  }
  return { byFirst }
}

/** The meanings of a list turned round: `{ sown: ['sow', 'seeded'] }` to `{ sow: 'sown', seeded: 'sown' }`. */
export const byMeaning = (meanings: Readonly<Record<string, readonly string[]>>): PhraseList => {
  const lists = Object.entries(meanings).map(([value, phrases]) =>
    phraseList(Object.fromEntries(phrases.map((one) => [one, value]))),
  )
  const byFirst = new Map<string, { words: readonly string[]; value: unknown }[]>()
  for (const list of lists)
    for (const [head, those] of list.byFirst) byFirst.set(head, [...(byFirst.get(head) ?? []), ...those])
  return { byFirst }
}
