import { at as elementAt, first as firstOf, last as lastOf } from '../numeric/at'
import { FILLER_RULE, grammarOf, rule, sentenceOf, tilings, type Piece } from './chart'
import { materialNames, type MaterialSaid } from './material-term'
import type { Count } from './numbers'
import { byMeaning, patterns, phraseList, type Found, type Sentence, type Term } from './pattern'
import type { Said } from './quantities'
import type { Known, Read } from './reading'
import { SentenceReader } from './sentence-reader'
import { termsOf } from './terms'
import { tokensOf } from './token'
import FEEDS from './lexicon/feeds.json' with { type: 'json' }
import WORDS from './lexicon/store-words.json' with { type: 'json' }

/** One thing in the supplies, as it was said. */
export interface StoreSaid {
  readonly kind: 'material' | 'feed'
  readonly id: string
  /** So many packs of a kind, a fraction for a part of one; 0 where it ran out. */
  readonly packs: number | null
  /** What it comes in: `brick`, `bag`. */
  readonly pack: string | null
  /** What each of them holds, or all there is where no pack was said: L or g. */
  readonly size: { readonly of: 'volume' | 'mass'; readonly base: number; readonly text: string } | null
  /** So much is left of what was in it, a fraction. */
  readonly left: number | null
}
const STORES_EXAMPLE = '2 bricks of coir, half a bag of perlite'
const MAX_STORES = 2000

const lists = {
  pack: byMeaning(WORDS.pack),
  left: phraseList(WORDS.left),
  none: phraseList(WORDS.none),
  vague: phraseList(WORDS.vague),
  filler: phraseList(WORDS.filler),
}
interface Packs {
  readonly n: number
  readonly pack: string
  readonly size: Said | null
  readonly of: 'volume' | 'mass' | null
}
const packs = (pattern: string, of: (bound: never) => Packs | null, cost?: number) =>
  rule<Packs>(
    'packs',
    pattern,
    of,
    ({ n, pack, size }) =>
      `${Number(n.toPrecision(3))} ${n === 1 || n < 1 ? pack : pack.endsWith('x') ? `${pack}es` : `${pack}s`}${size ? ` of ${size.text}` : ''}`,
    cost,
  )
const STORES = grammarOf(
  [
    packs(
      '{n:count} ( of )? ( a|the )? <p:pack> ( of )?',
      ({ n, p }: { n: Count; p: string }) => ({ n: n.n, pack: p, size: null, of: null }),
      0.9,
    ),
    packs('<p:pack> ( of )?', ({ p }: { p: string }) => ({ n: 1, pack: p, size: null, of: null }), 1.2),
    packs(
      '{n:count} ( × / x )? {v:volume} <p:pack> ( of )?',
      ({ n, v, p }: { n: Count; v: Said; p: string }) => ({ n: n.n, pack: p, size: v, of: 'volume' }),
      0.7,
    ),
    packs(
      '{n:count} ( × / x )? {v:mass} <p:pack> ( of )?',
      ({ n, v, p }: { n: Count; v: Said; p: string }) => ({ n: n.n, pack: p, size: v, of: 'mass' }),
      0.7,
    ),
    packs(
      '( a|the )? {v:volume} <p:pack> ( of )?',
      ({ v, p }: { v: Said; p: string }) => ({ n: 1, pack: p, size: v, of: 'volume' }),
      0.8,
    ),
    packs(
      '( a|the )? {v:mass} <p:pack> ( of )?',
      ({ v, p }: { v: Said; p: string }) => ({ n: 1, pack: p, size: v, of: 'mass' }),
      0.8,
    ),
    // `12 coir discs`, `two 650 g coir bricks`: the number stands before the name, what it comes in behind.
    rule<number>(
      'many',
      '{n:count} ( × / x )?',
      ({ n }: { n: Count }) => n.n,
      (n) => `${Number(n.toPrecision(3))}`,
      1.05,
    ),
    rule<Said>(
      'volume',
      '{v:volume} ( of )?',
      ({ v }: { v: Said }) => v,
      (v) => v.text,
    ),
    rule<Said>(
      'mass',
      '{m:mass} ( of )?',
      ({ m }: { m: Said }) => m,
      (m) => m.text,
      1.01,
    ),
    rule<number>(
      'left',
      '{n:number} ( of )? ( a|the )? <left>',
      ({ n }: { n: Count }) => (n.n > 0 && n.n <= 1 ? n.n : null),
      (n) => `${Math.round(n * 100)} % left`,
      0.8,
    ),
    rule<number>(
      'left',
      '{n:number} ( of )? ( the|my|a )?',
      ({ n }: { n: Count }) => (n.n > 0 && n.n < 1 && n.low === null ? n.n : null),
      (n) => `${Math.round(n * 100)} % left`,
      1.0,
    ),
    rule<number>(
      'left',
      '{n:figure} %|percent <left>?',
      ({ n }: { n: number }) => (n <= 100 ? n / 100 : null),
      (n) => `${Math.round(n * 100)} % left`,
      0.8,
    ),
    rule<number>(
      'left',
      '( nearly|almost )? full',
      () => 1,
      () => 'full',
      1.0,
    ),
    rule<true>(
      'none',
      '<none> ( left|any )?',
      () => true,
      () => 'none left',
      0.9,
    ),
    rule<true>(
      'vague',
      '<vague> ( left )?',
      () => true,
      () => 'how much is asked',
      0.9,
    ),
    rule<MaterialSaid>(
      'goods',
      '{m:goods}',
      ({ m }: { m: MaterialSaid }) => m,
      ({ name }) => name,
    ),
    FILLER_RULE,
    rule<true>(
      'filler',
      '<left>',
      () => true,
      () => '',
      0.5,
    ),
  ],
  patterns(lists),
)

/** What a pack is called, by each word for it. */
const PACK_NAMES = new Map(
  Object.entries(WORDS.pack).flatMap(([pack, words]) => words.map((word): [string, string] => [word, pack])),
)

interface Item {
  readonly goods: Piece
  readonly said: readonly Piece[]
}
const FEED = 'feed:'
export const isFeed = (id: string): boolean => id.startsWith(FEED)
export const withoutKind = (id: string): string => id.replace(FEED, '')
const ready = new WeakMap<Known, Record<string, Term>>()

/** What is in the shed, as it is said: `2 bricks of coir, half a bag of perlite, about a third of the fish left`. */
export function readStores(text: string, known: Known): Read<StoreSaid> {
  const told = (question: string): Read<StoreSaid> => ({
    meaning: [],
    heard: [],
    questions: [{ question, about: null, choices: [] }],
  })
  if (text.length > MAX_STORES) return told(`That is long: at most ${MAX_STORES} letters at a time.`)
  let terms = ready.get(known)
  if (!terms) ready.set(known, (terms = { ...termsOf(known), goods: goodsTerm(known) }))
  const sentence = sentenceOf(text, tokensOf(text), terms)
  if (sentence.tokens.length === 0) return told(`Say it like: ${STORES_EXAMPLE}.`)
  return new StoresReader(sentence, known, firstOf(tilings(sentence, STORES)).pieces).read()
}

/** Materials and feeds by their names; a feed by the words its name begins with. */
export function goodsTerm({ materials, feeds }: Known): Term {
  const { term } = materialNames(materials)
  const byFirst = new Map<string, { words: readonly string[]; id: string }[]>()
  const known = new Set(feeds.map(({ id }) => id))
  const add = (name: string, id: string) => {
    const words = tokensOf(name).map(({ plain }) => plain)
    const [head] = words
    if (head !== undefined && known.has(id)) byFirst.set(head, [...(byFirst.get(head) ?? []), { words, id }])
  }
  for (const { id, name } of feeds) {
    add(firstOf(name.split(',')), id)
    add(name, id)
  }
  for (const [name, ids] of Object.entries(FEEDS as Record<string, string[]>))
    for (const id of ids) add(name, id)
  return (sentence: Sentence, at: number): Found<MaterialSaid>[] => {
    const fed = (byFirst.get(elementAt(sentence.tokens, at).plain) ?? []).filter(({ words }) =>
      words.every((word, i) => sentence.tokens[at + i]?.plain === word),
    )
    const ends = new Map<number, Set<string>>()
    for (const { words, id } of fed)
      ends.set(at + words.length, (ends.get(at + words.length) ?? new Set()).add(`${FEED}${id}`))
    for (const { to, value } of term(sentence, at) as Found<MaterialSaid>[])
      for (const id of value.ids) ends.set(to, (ends.get(to) ?? new Set()).add(id))
    return [...ends].map(([to, ids]) => ({
      to,
      value: {
        ids: [...ids],
        name: sentence.tokens
          .slice(at, to)
          .map(({ text }) => text)
          .join(' '),
      },
    }))
  }
}

class StoresReader extends SentenceReader {
  /** What a material comes in. */
  private packsOf(id: string): readonly { readonly name: string }[] {
    return this.known.materials.find((one) => one.id === id)?.packs ?? []
  }

  read(): Read<StoreSaid> {
    this.askUnreadRuns(`Say it like: ${STORES_EXAMPLE}`, true)
    const items = this.items()
    if (items.length === 0) this.ask(`Of what? Say it like: ${STORES_EXAMPLE}.`)
    const meaning = items.flatMap((item) => this.one(item) ?? [])
    return { meaning, heard: this.taking(), questions: this.questions }
  }

  /** Between commas stands what is said of one thing; a part that names none is said of the one before. */
  private items(): Item[] {
    const goods = this.of('goods')
    const items = goods.map((piece) => ({ goods: piece, said: [] as Piece[] }))
    for (const piece of this.of('many', 'packs', 'volume', 'mass', 'left', 'none', 'vague')) {
      const part = this.partOf(piece.from)
      const here = items.filter(({ goods: { from } }) => from >= part.from && from < part.to)
      const before = items.filter(({ goods: { from } }) => from < piece.from).at(-1)
      // Of several in one part an amount is of the name behind it: `2 bricks coir and 10 L sand`.
      const behind = here.find(({ goods: { from } }) => from > piece.from)
      const own =
        here.length === 0
          ? before
          : here.length === 1
            ? here[0]
            : this.isShare(piece)
              ? (before ?? behind)
              : (behind ?? before)
      own?.said.push(piece)
    }
    return items
  }
  private partOf(at: number): { from: number; to: number } {
    const { tokens } = this.sentence
    let from = at
    while (from > 0 && !elementAt(tokens, from).parted) from--
    const next = tokens.findIndex((token, i) => i > at && token.parted)
    return { from, to: next < 0 ? tokens.length : next }
  }
  private isShare = ({ slot }: Piece) => slot === 'left'

  private one({ goods, said }: Item): StoreSaid | null {
    const { ids, name } = goods.value as MaterialSaid
    const nameOf = (id: string) =>
      (id.startsWith(FEED) ? this.known.feeds : this.known.materials).find(
        (one) => one.id === id.replace(FEED, ''),
      )?.name ?? id
    if (ids.length > 1) {
      this.ask(
        `Which is meant by “${name}”?`,
        ids.map((id) => ({ name: nameOf(id), text: this.anew(goods, nameOf(id).replace(/,/g, '')) })),
        goods,
      )
      return null
    }
    const id = firstOf(ids)
    const of = (slot: string) => said.find((one) => one.slot === slot)
    const many = of('many')
    const named = of('packs')?.value as Packs | undefined
    const pack =
      named?.pack ?? PACK_NAMES.get(lastOf(this.words(goods).toLowerCase().split(' ')).replace(/s$/, ''))
    const packed: Packs | undefined =
      many && pack !== undefined ? { size: null, of: null, ...named, pack, n: many.value as number } : named
    if (many && !packed) this.ask(`${this.words(many)} of what size?`, this.sizes(id, goods, many), many)
    const volume = of('volume')?.value as Said | undefined
    const mass = of('mass')?.value as Said | undefined
    const left = (of('left')?.value as number | undefined) ?? null
    const size = packed?.size
      ? { of: packed.of ?? 'volume', base: packed.size.base, text: packed.size.text }
      : volume
        ? { of: 'volume' as const, base: volume.base, text: volume.text }
        : mass
          ? { of: 'mass' as const, base: mass.base, text: mass.text }
          : null
    const none = of('none') !== undefined
    if (of('vague') || (!packed && !many && !size && left === null && !none))
      this.ask(`How much ${name}?`, this.sizes(id, goods, of('vague')), of('vague') ?? goods)
    else if (packed && !packed.size && !size && !none)
      this.askPack(id, packed, of('packs') ?? many ?? goods, name)
    return {
      kind: id.startsWith(FEED) ? 'feed' : 'material',
      id: id.replace(FEED, ''),
      packs: none ? 0 : (packed?.n ?? (size ? 1 : null)),
      pack: packed?.pack ?? null,
      size,
      left,
    }
  }

  private sizes(id: string, goods: Piece, vague: Piece | undefined) {
    const named = this.packsOf(id)[0]?.name
    const whole = vague && vague.to <= goods.from ? { from: vague.from, to: goods.to } : goods
    const amounts = this.known.units === 'us' ? ['1 gallon', '1 cu ft'] : ['10 L', '50 L']
    return [
      ...(named ? [`1 ${named.replace(/ of .*$/, '')} of`] : []),
      ...amounts.map((one) => `${one} of`),
    ].map((words) => ({
      name: words.replace(/ of$/, ''),
      text: this.anew(whole, `${words} ${this.words(goods)}`),
    }))
  }

  /** A brick is a brick where the catalogue knows one size of it; else its size is asked. */
  private askPack(id: string, packed: Packs, piece: Piece, name: string) {
    const fits = this.packsOf(id).filter((one) => one.name.toLowerCase().includes(packed.pack))
    if (fits.length === 1) return
    const isSmall = id.startsWith(FEED) || /bottle|box/.test(packed.pack)
    const [us, metric] = isSmall
      ? [
          ['8 fl oz', '1 pint', '1 quart'],
          ['250 ml', '500 ml', '1 L'],
        ]
      : [
          ['8 qt', '1 cu ft', '2 cu ft'],
          ['10 L', '25 L', '50 L'],
        ]
    const sizes = this.known.units === 'us' ? us : metric
    this.ask(
      `How large is a ${packed.pack} of ${name}?`,
      sizes.map((size) => ({
        name: size,
        text: this.anew(piece, `${Number(packed.n.toPrecision(3))} × ${size} ${packed.pack} of`),
      })),
      piece,
    )
  }
}
