import { at as elementAt } from '../numeric/at'
import type { ContainerKind } from '../containers/container'
import { FLAT_MM } from '../containers/flat'
import { convert } from '../units/unit-table'
import { plainName } from '../text/words'
import { tokensOf } from './token'
import type { KnownVessel } from './vessel-measures'
import { grammarOf, rulesAt, type Rule } from './chart'
import { byMeaning, patterns, phraseList, type Found, type Sentence } from './pattern'
import { IN_FIGURES, type Count } from './numbers'
import type { Said } from './quantities'
import VESSELS from './lexicon/vessels.json' with { type: 'json' }

/** A container that no catalogue has, by what is known of it. */
export interface NewVessel {
  readonly name: string
  readonly kind: ContainerKind
  readonly cells: number
  readonly volumeMl: number
  readonly sizeMm: number
}

/** A container that was said: the one that is meant, or what it may be. */
export interface Vessel {
  readonly id: string | null
  readonly name: string
  /** Ids of what may be meant, where it is none alone. */
  readonly could: readonly string[]
  /** What is not in the catalogue. */
  readonly lacks: NewVessel | null
  /** So many of it stand in the carrier that was said; 1 where none was. */
  readonly each: number
}

/** Packs that fill a standard flat [common practice]. */
const PACKS_IN_A_FLAT: Readonly<Record<string, number>> = {
  'six-pack-small': 12,
  'six-pack': 12,
  'four-pack': 12,
  'nine-pack': 8,
}
/** Six-packs of which twelve fill a flat are the small ones. */
const IN_A_FLAT: Readonly<Record<string, string>> = { 'six-pack': 'six-pack-small' }
const NEAR_SIZE = 0.045
const NEAR_VOLUME = 0.12
const TRADE_POTS = [1, 2, 3, 5, 7, 10]

const lists = {
  named: byMeaning(VESSELS.named),
  asked: phraseList(VESSELS.asked),
  unknown: phraseList(
    Object.fromEntries(Object.entries(VESSELS.unknown).map(([name, one]) => [name, { name, ...one }])),
  ),
  pot: phraseList(VESSELS.pot),
  big: phraseList(VESSELS.big),
  bag: phraseList(VESSELS.bag),
  bucket: phraseList(VESSELS.bucket),
  box: phraseList(VESSELS.box),
  carrier: phraseList(VESSELS.carrier),
  celled: phraseList(VESSELS.celled),
  'celled-tray': phraseList(VESSELS.celledTray),
}

interface Catalogue {
  readonly all: readonly KnownVessel[]
  readonly byId: ReadonlyMap<string, KnownVessel>
  readonly byFirst: ReadonlyMap<string, readonly { words: readonly string[]; one: KnownVessel }[]>
}

function catalogueOf(all: readonly KnownVessel[]): Catalogue {
  const byFirst = new Map<string, { words: readonly string[]; one: KnownVessel }[]>()
  for (const one of all) {
    const words = tokensOf(one.name).map(({ plain }) => plain)
    const head = words[0]
    if (head === undefined) continue
    byFirst.set(head, [...(byFirst.get(head) ?? []), { words, one }])
  }
  return { all, byId: new Map(all.map((one) => [one.id, one])), byFirst }
}

const meant = ({ id, name }: KnownVessel, each = 1): Vessel => ({ id, name, could: [], lacks: null, each })
const unsure = (name: string, could: readonly string[], lacks: NewVessel | null = null): Vessel => ({
  id: null,
  name,
  could,
  lacks,
  each: 1,
})

/** The nearest by volume, for what is not there. */
function nearest(all: readonly KnownVessel[], wanted: NewVessel): readonly string[] {
  const away = ({ volumeMl, kind }: KnownVessel) =>
    Math.abs(Math.log(volumeMl / wanted.volumeMl)) + (kind === wanted.kind ? 0 : 0.7)
  return [...all]
    .sort((a, b) => away(a) - away(b))
    .slice(0, 2)
    .map(({ id }) => id)
}

const lacking = (all: readonly KnownVessel[], wanted: NewVessel): Vessel =>
  unsure(wanted.name, nearest(all, wanted), wanted)

function byCells(all: readonly KnownVessel[], cells: number): Vessel {
  const usual = all.find(({ id }) => id === `tray-${cells}`)
  const those = usual ? [usual] : all.filter((one) => one.kind === 'tray' && one.cells === cells)
  const [one] = those
  if (one && those.length === 1) return meant(one)
  const name = `${cells}-cell tray`
  if (those.length)
    return unsure(
      name,
      those.map(({ id }) => id),
    )
  // As many cells as lie in a standard flat, four fifths of it open and as deep as cells of that size are [common practice].
  const sizeMm = Math.round(Math.sqrt((FLAT_MM.short * FLAT_MM.long) / cells) * 0.92)
  return lacking(all, {
    name,
    kind: 'tray',
    cells,
    sizeMm,
    volumeMl: Math.round((sizeMm ** 2 * 55 * 0.62) / 1000),
  })
}

/** The nominal size in a name: `9 cm square pot`, `4 in block`, in mm. */
const sizeIn = (name: string): number | null => {
  const [, figure, glyph, unit] = /(?:^|, )(\d*(?:\.\d+)?)([½¼¾]?) (cm|in|mm)\b/.exec(name) ?? []
  if (unit === undefined) return null
  const n = Number(figure || 0) + ({ '½': 0.5, '¼': 0.25, '¾': 0.75 }[glyph ?? ''] ?? 0)
  return n * { cm: 10, in: 25.4, mm: 1 }[unit as 'cm' | 'in' | 'mm']
}

function bySize(
  all: readonly KnownVessel[],
  kind: ContainerKind,
  mm: number,
  said: string,
  word: string,
): Vessel {
  const near = all
    .filter((one) => one.kind === kind)
    .map((one) => ({ one, off: Math.abs((sizeIn(one.name) ?? one.topMm) / mm - 1) }))
    .filter(({ off }) => off <= NEAR_SIZE)
    .sort((a, b) => a.off - b.off)
  const shape = /square|round|paper|peat/.exec(word)?.[0]
  const fits = shape ? near.filter(({ one }) => one.name.toLowerCase().includes(shape)) : near
  const [best] = fits.length ? fits : near
  if (best) return meant(best.one)
  const volumeMl = kind === 'block' ? mm ** 3 / 1000 : (mm ** 3 * 0.62) / 1000
  return lacking(all, {
    name: `${said} ${kind}`,
    kind,
    cells: 1,
    sizeMm: Math.round(mm),
    volumeMl: Math.round(volumeMl),
  })
}

function byVolume(all: readonly KnownVessel[], { base, unit, n, text }: Said, word: string): Vessel {
  const bag = lists.bag.byFirst.has(plainName(word)[0] ?? '') && /bag|fabric|felt|smart|sack/.test(word)
  const bucket = /bucket|pail/.test(word)
  if (/gal$/.test(unit) && !bag && !bucket && TRADE_POTS.includes(n)) {
    const trade = all.find(({ id }) => id === `trade-${n}`)
    if (trade) return meant(trade)
  }
  const cup = /cup/.test(word)
  // A cup is no pot, nor one of paper.
  const kin = all.filter(({ name, kind }) =>
    bag
      ? /bag/.test(name)
      : bucket
        ? /bucket/.test(name)
        : cup
          ? /cup/.test(name)
          : kind === 'pot' && !/bag|bucket|cup|tube/.test(name),
  )
  const litres = (name: string) => {
    const [, figure, of] = /^(\d+(?:\.\d+)?) (gal|litre)/.exec(name) ?? []
    return figure ? Number(figure) * (of === 'gal' ? convert(1, 'us-gal', 'L') : 1) : null
  }
  const off = (one: KnownVessel) => Math.abs(Math.log((litres(one.name) ?? one.volumeMl / 1000) / base))
  const [best] = [...kin].sort((a, b) => off(a) - off(b))
  if (best && off(best) <= NEAR_VOLUME) return meant(best)
  return lacking(all, {
    name: `${text} ${word}`,
    kind: 'pot',
    cells: 1,
    volumeMl: Math.round(base * 1000),
    sizeMm: Math.round(Math.cbrt((base * 1e6) / 0.62)),
  })
}

/** So many of a container stand in a carrier: packs as they are sold, else what fits by size. */
function inCarrier(one: Vessel, byId: ReadonlyMap<string, KnownVessel>): Vessel {
  const known = byId.get(IN_A_FLAT[one.id ?? ''] ?? one.id ?? '')
  if (!known) return one
  const packs = PACKS_IN_A_FLAT[known.id]
  const across =
    Math.max(1, Math.floor(FLAT_MM.short / known.topMm)) * Math.max(1, Math.floor(FLAT_MM.long / known.topMm))
  return meant(
    known,
    packs ?? (known.kind === 'tray' && known.cells > 12 ? 1 : Math.max(1, Math.floor(across / known.cells))),
  )
}

/** Nothing stands behind, or only after a comma. */
const endsAt = ({ tokens }: Sentence, to: number) => tokens[to] === undefined || tokens[to].parted
const isProduct = ({ text }: Said) => /[x×]/.test(text)
const plural = (sentence: Sentence, to: number) => /s$/.test(elementAt(sentence.tokens, to - 1).lower)
const isNumberWord = (word: string) => IN_FIGURES.has(word) || word === 'couple'
const AFTER_LEAD = /^(?:an?|the|in|into|my|our|each|every|per|half|whole|full|from|using|use|with|on)$/

/** Containers by every measure people name them by, as a term. */
export function vesselTerms(known: readonly KnownVessel[]) {
  const catalogue = catalogueOf(known)
  const { all, byId } = catalogue
  const sizes = new Set(
    all.filter(({ kind, cells }) => kind === 'tray' && cells >= 18).map(({ cells }) => cells),
  )
  const led = (sentence: Sentence, at: number) => {
    const before = sentence.tokens[at - 1]
    return (
      before !== undefined &&
      !elementAt(sentence.tokens, at).parted &&
      (AFTER_LEAD.test(before.lower) || isNumberWord(before.lower) || before.kind === 'number')
    )
  }
  const ledByWord = (sentence: Sentence, at: number) =>
    led(sentence, at) &&
    elementAt(sentence.tokens, at - 1).kind === 'word' &&
    // `One 72 of dill`; of `tray six 50 up` fifty are up.
    (!isNumberWord(elementAt(sentence.tokens, at - 1).lower) ||
      sentence.tokens[at + 1]?.plain === 'of' ||
      endsAt(sentence, at + 1))
  const rule = (
    pattern: string,
    value: (bound: never, sentence: Sentence, at: number, to: number) => Vessel | null,
  ): Rule => ({
    slot: 'vessel',
    pattern,
    value: value as Rule['value'],
    means: ({ name }: Vessel) => name,
  })
  const rules: Rule[] = [
    // What is called so here is that, whatever it is elsewhere.
    rule('{name:own-vessel}', ({ name }: { name: KnownVessel }) => meant(name)),
    rule('{n:whole} <celled> <celled-tray>?', ({ n }: { n: number }, { tokens }, at) =>
      // `40 cells of chard` are cells, not a tray of them: a tray is said with its word, or joined by a hyphen.
      isTray(tokens, at) ? byCells(all, n) : null,
    ),
    rule('{n:whole} s', ({ n }: { n: number }, { tokens }, _at, to) =>
      elementAt(tokens, to - 1).glued || tokens[to - 1]?.text === "'s" ? byCells(all, n) : null,
    ),
    rule('{n:whole} <celled-tray>', ({ n }: { n: number }, sentence, at, to) =>
      n >= 6 &&
      n !== 1020 &&
      ((!plural(sentence, to) && (sizes.has(n) || led(sentence, at))) || led(sentence, at))
        ? byCells(all, n)
        : null,
    ),
    rule('{n:whole}', ({ n }: { n: number }, sentence, at) =>
      elementAt(sentence.tokens, at).kind === 'number' &&
      sizes.has(n) &&
      ledByWord(sentence, at) &&
      !isCounted(sentence, at)
        ? byCells(all, n)
        : null,
    ),
    rule('<celled-tray> of {n:whole} <celled>?', ({ n }: { n: number }, sentence, _at, to) =>
      sizes.has(n) || (n >= 6 && endsAt(sentence, to)) ? byCells(all, n) : null,
    ),
    rule('<celled-tray> of|with {n:whole} <celled> ( each )?', ({ n }: { n: number }) =>
      n > 1 ? byCells(all, n) : null,
    ),
    rule('{n:whole} ( to|per / in ) ( a|the )? flat|tray|1020', ({ n }: { n: number }) =>
      sizes.has(n) ? byCells(all, n) : null,
    ),
    // `10 × 7 cm pots` are ten of them.
    rule('{s:length} ( deep|tall )? <w:pot>', ({ s, w }: { s: Said; w: string }) =>
      isProduct(s) ? null : bySize(all, 'pot', s.base, s.text, w),
    ),
    rule('{s:length} ( soil|peat )? block', ({ s }: { s: Said }) =>
      isProduct(s) ? null : bySize(all, 'block', s.base, s.text, ''),
    ),
    rule('{n:count} ×|x|by {s:length} <w:box>', ({ n, s, w }: { n: Count; s: Said; w: string }) => {
      const inMm = s.base / s.n
      const [long, wide] = [n.n * inMm, s.base]
      return lacking(all, {
        name: `${n.n} × ${s.text} ${w}`,
        kind: 'open tray',
        cells: 1,
        // An open tray is filled about two inches deep [common practice].
        volumeMl: Math.round((long * wide * 50 * 0.92) / 1000),
        sizeMm: Math.round(Math.sqrt(long * wide)),
      })
    }),
    // `In 1 gal`: said without its pot.
    rule('{v:volume}', ({ v }: { v: Said }, sentence, at, to) =>
      /^(?:in|into)$/.test(sentence.tokens[at - 1]?.lower ?? '') &&
      /gal$|qt$|pt$/.test(v.unit) &&
      endsAt(sentence, to)
        ? byVolume(all, v, 'pot')
        : null,
    ),
    rule('{v:volume} ( <w:big> / <w:bag> / <w:bucket> )', ({ v, w }: { v: Said; w: string }) =>
      byVolume(all, v, w),
    ),
    rule('{v:bare-volume} ( <w:big> / <w:bag> / <w:bucket> )', ({ v, w }: { v: Said; w: string }) =>
      byVolume(all, v, w),
    ),
    rule('<name:named>', ({ name }: { name: string }) => {
      const one = byId.get(name)
      return one ? meant(one) : null
    }),
    rule('<of:asked>', ({ of }: { of: readonly string[] }, sentence, at, to) => {
      // `72-cell trays` are trays of 72.
      if (
        at > 0 &&
        elementAt(sentence.tokens, at - 1).kind === 'number' &&
        lists.celled.byFirst.has(elementAt(sentence.tokens, at).plain)
      )
        return null
      const could = of.filter((id) => byId.has(id))
      const name = sentence.text.slice(
        elementAt(sentence.tokens, at).from,
        elementAt(sentence.tokens, to - 1).to,
      )
      return could.length ? unsure(name, could) : null
    }),
    rule('<of:unknown>', ({ of }: { of: NewVessel }) => lacking(all, of)),
    rule('<carrier> of {v:vessel}', ({ v }: { v: Vessel }) => inCarrier(v, byId)),
  ]
  const grammar = grammarOf(rules, patterns(lists))
  const named = (sentence: Sentence, at: number): Found<KnownVessel>[] => {
    const token = elementAt(sentence.tokens, at)
    return (catalogue.byFirst.get(token.plain) ?? [])
      .filter(({ words }) => words.every((word, i) => sentence.tokens[at + i]?.plain === word))
      .map(({ words, one }) => ({ to: at + words.length, value: one }))
  }
  const vessel = (sentence: Sentence, at: number): Found<Vessel>[] => {
    const token = elementAt(sentence.tokens, at)
    if (token.quoted) return []
    // `3 1/2 in pots`: the half is of the three.
    const before = sentence.tokens[at - 1]
    if (/^(?:\d+\/\d+|[½¼¾⅓⅔⅛])$/.test(token.text) && before?.kind === 'number' && !token.parted) return []
    const fits = rulesAt(sentence, grammar, at)
    const out = new Map<string, Found<Vessel>>()
    for (const one of fits)
      for (const { to, bound } of one.ready.match(sentence, at)) {
        const value = one.value(bound, sentence, at, to) as Vessel | null
        // The same words by a rule before are the surer reading.
        if (value && !out.has(String(to))) out.set(String(to), { to, value })
      }
    return [...out.values()]
  }
  return { vessel, 'own-vessel': named }
}

/** `72-cell`, `72 cell tray`; not `72 cells`. */
function isTray(tokens: Sentence['tokens'], at: number): boolean {
  const cell = tokens.findIndex((token, i) => i > at && lists.celled.byFirst.has(token.plain))
  const after = tokens[cell + 1]
  const joined =
    elementAt(tokens, cell).from - elementAt(tokens, cell - 1).to <= 1 &&
    !/s$/.test(elementAt(tokens, cell).lower)
  return (after !== undefined && lists['celled-tray'].byFirst.has(after.plain)) || joined
}

/** A number before a thing that is counted is that many of it: `in 50 cells`, `with 24 okra`. */
const isCounted = ({ tokens, term }: Sentence, at: number) =>
  (at + 1 < tokens.length && term('crop', at + 1).length > 0) ||
  /^(?:cell|plant|seed|seedling|hole|day|week|month|%|ppm|mg|ml|l|g|pot|cup|st|nd|rd|th|s|row)$/.test(
    tokens[at + 1]?.plain ?? '',
  )
