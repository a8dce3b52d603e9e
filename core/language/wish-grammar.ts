import { at as elementAt } from '../numeric/at'
import { FILLER_RULE, grammarOf, rule, type Rule } from './chart'
import { byMeaning, patterns, phraseList, type Sentence, wordsOf } from './pattern'
import type { Count } from './numbers'
import type { Said } from './quantities'
import type { AreaWanted } from '../trays/area'
import type { DaySaid } from './terms'
import type { Vessel } from './vessels'
import WORDS from './lexicon/words.json' with { type: 'json' }

/*
 * What a wish, a line of what is growing and the groups of a tray are made of, stated as patterns. What a piece comes to in
 * the whole is decided in wish.ts.
 */

export type Unit = 'plants' | 'seeds' | 'cells' | 'trays'
export interface AmountSaid {
  readonly n: number
  readonly low: number | null
  readonly of: Unit
  /** Nobody said plants or cells: a bare number. */
  readonly bare: boolean
  readonly vessel: Vessel | null
}
export interface DayPiece {
  readonly role: 'out' | 'sow' | 'sown' | 'by' | 'until'
  readonly day: DaySaid
}
export interface RepeatSaid {
  readonly everyDays: number | null
  readonly times: number | null
}

const lists = {
  about: phraseList(WORDS.about),
  good: phraseList(WORDS.good),
  plants: phraseList(WORDS.plants),
  unit: byMeaning({ plants: WORDS.plants, seeds: WORDS.seeds, cells: WORDS.cells, trays: WORDS.trays }),
  seeds: phraseList(WORDS.seeds),
  cells: phraseList(WORDS.cells),
  few: phraseList(WORDS.few),
  each: phraseList(WORDS.each),
  'each-vessel': phraseList(WORDS['each-vessel']),
  kinds: phraseList(WORDS.kinds),
  trays: phraseList(WORDS.trays),
  want: phraseList(WORDS.want),
  filler: phraseList(WORDS.filler),
  sow: phraseList(WORDS.sow),
  sown: phraseList(WORDS.sown),
  out: phraseList(WORDS.out),
  on: phraseList(WORDS.on),
  until: phraseList(WORDS.until),
  direct: phraseList(WORDS.direct),
  broadcast: phraseList(WORDS.broadcast),
  over: phraseList(WORDS.over),
  next: phraseList(WORDS.next),
  into: phraseList(WORDS.into),
  care: byMeaning(WORDS.care),
  people: phraseList(WORDS.people),
  state: phraseList(WORDS['plant-state']),
}

const CELLS = /^(?:cell|pot|hole|block|plug|module|cup|pack|pellet|station)$/
const SPAN: Readonly<Record<string, number>> = { day: 1, week: 7, fortnight: 14, month: 28 }
const NUMBERED: Readonly<Record<string, number>> = { weekly: 7, fortnightly: 14, biweekly: 14, monthly: 28 }
const one = (n: number, of: Unit) => `${n} ${n === 1 || (n < 1 && of === 'trays') ? of.slice(0, -1) : of}`

/** `24 pot marigolds` are no pots: a crop is called so. */
const beginsCrop = (sentence: Sentence, from: number, to: number) =>
  !/s$/.test(elementAt(sentence.tokens, to - 1).lower) &&
  Array.from({ length: to - from }, (_, i) => from + i).some((at) =>
    sentence.term('crop', at).some((crop) => crop.to > to),
  )

const amount = (pattern: string, of?: Unit, cost?: number) =>
  rule<AmountSaid>(
    'amount',
    pattern,
    ({ n, u }: { n: Count | number; u?: Unit }, sentence, at) => {
      const { n: value, low } = typeof n === 'number' ? { n, low: null } : n
      const unit = u ?? of ?? 'plants'
      // Half a plant is nobody's wish; half a tray is.
      if (unit !== 'trays' && !Number.isInteger(value)) return null
      // Three numbers of a label, a ratio, a day: no amount.
      if (sentence.tokens[at - 1]?.plain === '-' && sentence.tokens[at]?.glued) return null
      return { n: value, low, of: unit, bare: u === undefined && of === undefined, vessel: null }
    },
    ({ n, low, of }) => (low === null ? one(n, of) : `up to ${one(n, of)}`),
    cost,
  )

const day = (role: DayPiece['role'], pattern: string, cost?: number) =>
  rule<DayPiece>(
    'day',
    pattern,
    // `12 tomato starts for 1 June` are plants.
    ({ d }: { d: DaySaid }, { tokens }, at) =>
      role === 'sow' && /^(?:starts|seeds|sowings)$/.test(elementAt(tokens, at).lower)
        ? null
        : { role, day: d },
    ({ day: { ahead, was } }) => (role === 'sown' ? was : ahead)?.means ?? '',
    cost,
  )

/** How it is cared for: kept in the note of the sowing, as it was said. */
const care = (pattern: string, cost?: number) =>
  rule<string>(
    'care',
    pattern,
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'kept as a note',
    cost,
  )

const WISH_RULES: readonly Rule[] = [
  amount('<about>? <about>? {n:number} <good>? <good>? <u:unit> of?'),
  amount('<about>? <about>? {n:number} <good>? <good>? of?', undefined, 1.1),
  amount('{n:whole} x|× of?'),
  amount('{n:number} of a|the <trays> of?', 'trays', 0.8),
  amount('x|× {n:whole}'),
  amount('( a|1|one )? packet|pack|sachet of {n:whole} <seeds>? of?', 'seeds'),
  rule<AmountSaid>(
    'amount',
    'a|an|one|1 ( whole|full|single )? <u:unit> of?',
    ({ u }: { u: Unit }) => ({ n: 1, low: null, of: u, bare: false, vessel: null }),
    ({ n, of }) => one(n, of),
  ),
  rule<AmountSaid>(
    'amount',
    '<about>? {n:count} ( x|× )? ( of )? ( the|my|our|whole|full )? {v:vessel} ( full )? ( of|for|with )?',
    ({ n: { n, low }, v }: { n: Count; v: Vessel }, sentence, at, to) =>
      beginsCrop(sentence, at, to)
        ? null
        : { n: n * v.each, low: low && low * v.each, of: 'trays', bare: false, vessel: v },
    ({ n, vessel }) => `${n} × ${vessel?.name}`,
    0.9,
  ),
  // `Six-packs × 2`.
  rule<AmountSaid>(
    'amount',
    '{v:vessel} x|× {n:whole} of?',
    ({ v, n }: { v: Vessel; n: number }) => ({
      n: n * v.each,
      low: null,
      of: 'trays',
      bare: false,
      vessel: v,
    }),
    ({ n, vessel }) => `${n} × ${vessel?.name}`,
    0.7,
  ),
  // `A 50-cell tray of broccoli`, said without its article.
  rule<AmountSaid>(
    'amount',
    '( the|my|our|whole|full )? {v:vessel} ( full )? of',
    ({ v }: { v: Vessel }, { tokens }, _at, to) =>
      /s$/.test(elementAt(tokens, to - 2).lower)
        ? null
        : { n: v.each, low: null, of: 'trays', bare: false, vessel: v },
    ({ n, vessel }) => `${n} × ${vessel?.name}`,
  ),
  rule<AmountSaid>(
    'amount',
    'between|from {a:whole} and|to {b:whole} <good>? <u:unit>? of?',
    ({ a, b, u }: { a: number; b: number; u?: Unit }) =>
      a < b ? { n: b, low: a, of: u ?? 'plants', bare: u === undefined, vessel: null } : null,
    ({ n, of }) => `up to ${one(n, of)}`,
    0.7,
  ),
  rule<AmountSaid>(
    'amount',
    'a|one|{n:whole} <trays> and a half of?',
    ({ n }: { n?: number }) => ({ n: (n ?? 1) + 0.5, low: null, of: 'trays', bare: false, vessel: null }),
    ({ n, of }) => one(n, of),
    0.7,
  ),
  rule<AmountSaid>(
    'amount',
    '{n:whole} half <trays> of?',
    ({ n }: { n: number }) =>
      n > 1 ? { n: n / 2, low: null, of: 'trays', bare: false, vessel: null } : null,
    ({ n, of }) => one(n, of),
    0.8,
  ),
  // `3 trays of 12 tomatoes` are thirty-six; of `3 trays of 50` the tray is one of 50.
  rule<AmountSaid>(
    'amount',
    '{n:whole} <trays> of {k:whole} <good>? <plants>? of?',
    ({ n, k }: { n: number; k: number }) => ({
      n: n * k,
      low: null,
      of: 'plants',
      bare: false,
      vessel: null,
    }),
    ({ n, of }) => one(n, of),
    1.2,
  ),
  rule<number>(
    'of each tray',
    '( in|to|into )? each|every ( one )? of ( the|my|our )? {k:whole} <trays>',
    ({ k }: { k: number }) => k,
    (k) => `in each of ${one(k, 'trays')}`,
    0.8,
  ),
  // `4 rows of 6` are twenty-four.
  rule<AmountSaid>(
    'amount',
    '{n:whole} row of {k:whole} ( of )?',
    ({ n, k }: { n: number; k: number }) => ({
      n: n * k,
      low: null,
      of: 'plants',
      bare: false,
      vessel: null,
    }),
    ({ n, of }) => one(n, of),
    0.8,
  ),
  rule<number>(
    'rows',
    '( a / {n:whole} ) row of?',
    ({ n }: { n?: number }) => n ?? 1,
    () => 'rows',
  ),
  rule<true>(
    'few',
    '<few> ( of )? <plants>? ( of )?',
    () => true,
    () => 'how many is asked',
  ),
  rule<number>(
    'per cell',
    '( at|with )? {n:number} <good>? <seeds>? ( of )? <each-vessel>',
    ({ n }: { n: Count }) => (Number.isInteger(n.n) ? n.n : null),
    (n) => `${n} a cell`,
  ),
  rule<number>(
    'per cell',
    '<seeds>? a|an <each-vessel>',
    () => null,
    () => '',
  ),
  rule<number>(
    'per cell',
    'in ( clump|cluster|bunch ) of {n:whole}',
    ({ n }: { n: number }) => n,
    (n) => `${n} a cell`,
    0.8,
  ),
  // `72 onions in 12 cells`: so many to a cell.
  rule<number>(
    'in cells',
    'in|into|across|over {k:whole} <cells>',
    // `In 72 cell` is a tray of them.
    ({ k }: { k: number }, { tokens }, _at, to) => (/s$/.test(elementAt(tokens, to - 1).lower) ? k : null),
    (k) => `in ${one(k, 'cells')}`,
    0.8,
  ),
  rule<true>(
    'filler',
    'multi ( - )? sown|sow|sowing',
    () => true,
    () => '',
    0.6,
  ),
  // `2 tomatoes per cell`: the number before the name is that of a cell.
  rule<true>(
    'of a cell',
    '<each-vessel>',
    (_: unknown, { tokens }, _at, to) =>
      CELLS.test(elementAt(tokens, to - 1).plain) && tokens[to]?.plain !== 'of' ? true : null,
    () => 'in each cell',
    1.4,
  ),
  rule<number>(
    'per cell',
    'one|a|single <seeds>? <each-vessel>',
    () => 1,
    () => '1 a cell',
  ),
  rule<number>(
    'per cell',
    '( so )? double|doubled ( them )? up',
    () => 2,
    () => '2 a cell',
  ),
  rule<number>(
    'each',
    '{n:number} <plants>? <each> of?',
    ({ n }: { n: Count }) => (Number.isInteger(n.n) ? n.n : null),
    (n) => `${n} of each`,
  ),
  rule<number>(
    'kinds',
    '( of|in|from )? {n:whole} <kinds> of?',
    ({ n }: { n: number }) => n,
    (n) => `${n} kinds`,
  ),
  rule<RepeatSaid>(
    'repeats',
    '( {t:times} , )? every|each ( other / second / {n:number} )? day|week|fortnight|month ( , {t:times} )?',
    ({ n, t }: { n?: Count; t?: number }, { tokens }, at, to) => {
      const words = tokens.slice(at, to).map(({ plain }) => plain)
      const unit = words.find((word) => SPAN[word] !== undefined) ?? 'week'
      const other = words.includes('other') || words.includes('second') ? 2 : 1
      return { everyDays: (n?.n ?? other) * (SPAN[unit] ?? 7), times: t ?? null }
    },
    ({ everyDays, times }) => `every ${everyDays} days${times ? `, ${times} times` : ''}`,
  ),
  // `10 a week for 6 weeks`.
  rule<RepeatSaid>(
    'repeats',
    'a|per day|week|fortnight|month ( for {n:whole} day|week|fortnight|month )?',
    ({ n }: { n?: number }, { tokens }, at, to) => {
      const everyDays = SPAN[elementAt(tokens, at + 1).plain] ?? 7
      const span = SPAN[elementAt(tokens, to - 1).plain] ?? 7
      return { everyDays, times: n ? Math.max(1, Math.round((n * span) / everyDays)) : null }
    },
    ({ everyDays, times }) => `every ${everyDays} days${times ? `, ${times} times` : ''}`,
    0.7,
  ),
  rule<RepeatSaid>(
    'repeats',
    '( {t:times} , )? weekly|fortnightly|biweekly|monthly ( , {t:times} )?',
    ({ t }: { t?: number }, { tokens }, at, to) => ({
      everyDays:
        tokens
          .slice(at, to)
          .map(({ plain }) => NUMBERED[plain])
          .find(Boolean) ?? 7,
      times: t ?? null,
    }),
    ({ everyDays, times }) => `every ${everyDays} days${times ? `, ${times} times` : ''}`,
  ),
  rule<RepeatSaid>(
    'repeats',
    '( in )? {t:times} , {n:count} day|week|fortnight|month apart',
    ({ n, t }: { n: Count; t: number }, { tokens }, _at, to) => ({
      everyDays: n.n * (SPAN[elementAt(tokens, to - 2).plain] ?? 7),
      times: t,
    }),
    ({ everyDays, times }) => `${times} times, ${everyDays} days apart`,
  ),
  rule<RepeatSaid>(
    'repeats',
    '{n:count} day|week|fortnight|month apart',
    ({ n }: { n: Count }, { tokens }, _at, to) => ({
      everyDays: n.n * (SPAN[elementAt(tokens, to - 2).plain] ?? 7),
      times: null,
    }),
    ({ everyDays }) => `${everyDays} days apart`,
  ),
  rule<RepeatSaid>(
    'repeats',
    '( in )? {t:times}',
    ({ t }: { t: number }) => ({ everyDays: null, times: t }),
    ({ times }) => `${times} times`,
    1.05,
  ),
  day('out', '<out> <on>? <on>? {d:day}', 0.9),
  day('sow', '<sow> <on>? <on>? {d:day}', 0.9),
  day('sown', '<sown> <on>? <on>? {d:day}', 0.9),
  day('by', '<on>? <on>? {d:day}'),
  day('until', '<until> {d:day}', 0.95),
  // `Seed 9 tomatoes` is to be done.
  rule<'sow'>(
    'verb',
    'seed',
    (_: unknown, { tokens }, at, to) =>
      at === 0 && elementAt(tokens, 0).lower === 'seed' && tokens[to]?.kind === 'number' ? 'sow' : null,
    () => 'to be sown',
    0.3,
  ),
  rule<'sow'>(
    'verb',
    '<sow>',
    (_: unknown, { tokens }, at) => (/s$/.test(elementAt(tokens, at).lower) ? null : 'sow'),
    () => 'to be sown',
    0.92,
  ),
  rule<'sown'>(
    'verb',
    '( i|we )? ( have )? just? <sown>',
    () => 'sown',
    () => 'sown already',
    1.05,
  ),
  rule<'out'>(
    'verb',
    '<out>',
    () => 'out',
    () => 'the day is the day of planting out',
    1.2,
  ),
  rule<'spring' | 'autumn'>(
    'season',
    '( for|in|this|the|as|a|an )? ( the|a|this )? spring|summer|autumn|fall ( crop|sowing|planting|garden|harvest )?',
    (_: unknown, { tokens }, at, to) =>
      tokens.slice(at, to).some(({ plain }) => plain === 'autumn' || plain === 'fall') ? 'autumn' : 'spring',
    (of) => (of === 'autumn' ? 'for autumn' : 'for spring and summer'),
  ),
  rule<'autumn'>(
    'frost',
    'before ( the )? ( first )? frost',
    () => 'autumn',
    () => 'before the first frost of autumn',
    0.95,
  ),
  rule<{ v: Vessel; count: number | null }>(
    'container',
    '( in|into|on|over|using|with|inside )? ( a|an|the|my|our|some|one )? {v:vessel}',
    ({ v }: { v: Vessel }) => ({ v, count: null }),
    ({ v }) => v.name,
    1.05,
  ),
  // `Scatter leeks in a pot`: the crop between.
  rule<true>(
    'broadcast',
    '<broadcast>',
    () => true,
    () => 'scattered, not in cells',
    1.1,
  ),
  rule<{ v: Vessel; count: number | null }>(
    'container',
    'straight|directly in|into|to ( a|an|the|my|our|some|one )? {v:vessel}',
    ({ v }: { v: Vessel }) => ({ v, count: null }),
    ({ v }) => v.name,
    0.7,
  ),
  rule<{ v: Vessel; count: number | null }>(
    'container',
    'in|into|on|over|using|across|inside {n:count} ( of )? ( the|my|our )? {v:vessel}',
    // `In half tray of 24` is a container of that name.
    ({ v, n }: { v: Vessel; n: Count }, sentence, at, to) =>
      sentence.term('own-vessel', at + 1).some((one) => one.to === to) ? null : { v, count: n.n * v.each },
    ({ v, count }) => `in ${count} × ${v.name}`,
    0.85,
  ),
  rule<{ v: Vessel; count: number | null; broadcast: true }>(
    'container',
    '<broadcast> ( them / it / the seed )? <over>? {n:count}? ( of )? ( a|an|the|whole|full )? {v:vessel}',
    ({ v, n }: { v: Vessel; n?: Count }, sentence, at, to) =>
      // `A half seed tray` is a container of that name.
      n &&
      n.n < 1 &&
      [1, 2, 3, 4].some((k) =>
        (sentence.term('vessel', at + k) as { to: number; value: Vessel }[]).some(
          (one) => one.to === to && one.value.name.toLowerCase().startsWith('half'),
        ),
      )
        ? null
        : { v, count: n && n.n !== 1 ? n.n : null, broadcast: true },
    ({ v, count }) => `scattered over ${count === null || count === 1 ? '' : `${count} × `}${v.name}`,
    0.8,
  ),
  rule<{ n: number }>(
    'together',
    'in|into|on ( {n:count} / the / my / our / same / the same )? ( shared|same|single|whole|full )? <trays> ( together )?',
    ({ n }: { n?: Count }) => (n && !Number.isInteger(n.n) ? null : { n: n?.n ?? 0 }),
    ({ n }) => (n ? `in ${one(n, 'trays')} together` : 'in the usual trays'),
    1.1,
  ),
  rule<{ v: Vessel | null }>(
    'next',
    '( and )? ( then )? ( to be )? <next> ( them|it )? ( <into> ( a|an|the|my|our )? {v:vessel} )?',
    ({ v }: { v?: Vessel }, { tokens }, at, to) =>
      v === undefined &&
      tokens.slice(at, to).every(({ plain }) => /^(?:then|late|later|pot|prick|transplant)$/.test(plain))
        ? null
        : { v: v ?? null },
    ({ v }) => (v ? `then into ${v.name}` : 'then pricked out'),
    0.95,
  ),
  rule<{ id: string; name: string }>(
    'mix',
    'in|into|with|using|on ( a|an|the|my|our )? {r:recipe}',
    ({ r }: { r: { id: string; name: string } }) => ({ id: r.id, name: r.name }),
    ({ name }) => name,
  ),
  rule<{ id: string | null; name: string }>(
    'place',
    '( up )? in|into|on|under|at|by|inside ( a|an|the|my|our|their )? {p:place}',
    ({ p }: { p: { id: string | null; name: string; shown?: string } }) => ({
      id: p.id,
      name: p.shown ?? p.name,
    }),
    ({ name }) => name,
  ),
  rule<{ id: string | null; name: string }>(
    'place',
    '{p:place}',
    ({ p }: { p: { id: string | null; name: string; shown?: string } }, { tokens }, at) =>
      /^outsid|^outdoor/.test(elementAt(tokens, at).plain) ? { id: p.id, name: p.shown ?? p.name } : null,
    ({ name }) => name,
  ),
  rule<{ n: number; of: number | null }>(
    'up',
    '<about>? {n:whole} ( ( of / out of ) ( them|the|these|those )? {t:whole}? )? <plants>? <state> ( now / already / so far / today )?',
    ({ n, t }: { n: number; t?: number }) => ({ n, of: t ?? null }),
    ({ n }) => `${n} up`,
    0.8,
  ),
  rule<{ n: number; of: number | null }>(
    'up',
    '{o:outof} ( of them )? <plants>? <state>',
    ({ o: [n, of] }: { o: readonly [number, number] }) => ({ n, of }),
    ({ n, of }) => `${n} of ${of} up`,
    0.6,
  ),
  rule<{ n: number; of: number | null }>(
    'up',
    '{n:whole} ( of / out of ) ( the|my|our )? {t:whole}',
    ({ n, t }: { n: number; t: number }) => ({ n, of: t }),
    ({ n, of }) => `${n} of ${of} up`,
    1.2,
  ),
  rule<{ n: number; of: null }>(
    'up of each',
    '{n:whole} ( of )? each ( are|is|have|has )? <state>',
    ({ n }: { n: number }) => ({ n, of: null }),
    ({ n }) => `${n} of each up`,
    0.7,
  ),
  rule<{ n: number; of: number | null }>(
    'up',
    'none|nothing|no ( of them )? ( yet )? <state>? ( yet / so far )?',
    (_: unknown, { tokens }, at, to) =>
      to - at > 1 && elementAt(tokens, to - 1).plain !== 'no' ? { n: 0, of: null } : null,
    () => 'none up',
    0.8,
  ),
  rule<'all' | 'half'>(
    'up share',
    '( all|half ) ( of them|the )? <state>',
    (_: unknown, { tokens }, at) => (elementAt(tokens, at).plain === 'half' ? 'half' : 'all'),
    (of) => (of === 'all' ? 'all up' : 'half of them up'),
  ),
  rule<true>(
    'standing',
    '( just )? <state>',
    () => true,
    () => 'up',
    1.3,
  ),
  rule<true>(
    'direct',
    '( and )? <direct>',
    () => true,
    () => 'no potting up',
  ),
  rule<{ mm: number; text: string }>(
    'depth',
    '( at )? <about>? {l:length} deep',
    ({ l }: { l: Said }) => ({ mm: l.base, text: l.text }),
    ({ text }) => `${text} deep`,
  ),
  care('<about>? {l:length} tall|high|long|across', 0.7),
  rule<{ n: number }>(
    'packet',
    '{n:count} ( whole|full )? ( seed )? packet|pack|sachet|envelope of?',
    // `A 6-pack` is a container.
    ({ n }: { n: Count }, sentence, at, to) =>
      [at, at + 1].some((i) =>
        sentence
          .term('vessel', i)
          .some((one) => one.to >= (elementAt(sentence.tokens, to - 1).plain === 'of' ? to - 1 : to)),
      )
        ? null
        : { n: n.n },
    ({ n }) => one(n, 'trays').replace(/tray/, 'packet'),
  ),
  rule<string>(
    'care',
    '( and )? ( kept|keep )? ( at|around|about|to )? {t:temperature} ( mix|soil|air|compost )?',
    ({ t }: { t: Said }) => `at ${t.text}`,
    (c) => c,
    0.9,
  ),
  care(
    '( at|with|of )? ( ph {n:number} / {n:number} ppm|ms / ec {n:number} / {n:figure} - {p:figure} - {k:figure} )',
    0.8,
  ),
  care('( at )? <about>? {n:number} degree ( c|f|celsius|fahrenheit )?', 0.8),
  care('{n:number} hour|hr ( of light )? ( a|per day )?', 0.6),
  rule<string>(
    'care',
    '( at )? {t:time}',
    ({ t }: { t: string }) => `at ${t}`,
    (c) => c,
    0.9,
  ),
  rule<string>(
    'care',
    '( and )? <c:care>',
    ({ c }: { c: string }) => c,
    (c) => c,
    0.9,
  ),
  care(
    '( and )? ( cold|chill|chilled|chilling|stratify|stratified|refrigerate|refrigerated ) ( them|seed )? ( in the fridge|freezer )? ( for )? {n:count} day|week|month ( first|before|beforehand )?',
    0.7,
  ),
  care(
    '( and|then|later )? thin|thinned ( them )? ( later|out )? to ( one|1|two|2|three|3 / the best|strongest ) ( each|plant|seedling / <each-vessel> )?',
    0.6,
  ),
  care(
    '( with|after|needs )? {n:count} day|week|month ( of )? ( cold|chilling|stratification / in the ( fridge|freezer|cold ) ) ( first|before|beforehand / before sowing )?',
    0.7,
  ),
  care('( and )? not|never|without ( in|on|under|at|with )? ( the|a|my|any )? {p:place}', 0.6),
  rule<string>(
    'care',
    '( and )? <next> ( once|twice / {n:whole} times )',
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'kept as a note: the schedule says how often',
    0.6,
  ),
  rule<string>(
    'for whom',
    'for ( {n:number} / a / an )? ( of )? ( my|our|the|her|his|their|a|an )? <people>? <p:people> ( of {k:whole} )?',
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'kept as a note',
  ),
  rule<unknown>(
    'crop',
    '{c:crop}',
    ({ c }: { c: unknown }) => c,
    () => '',
  ),
  FILLER_RULE,
  rule<true>(
    'filler',
    '<want>',
    () => true,
    () => '',
    0.5,
  ),
  rule<true>(
    'filler',
    '<plants>',
    () => true,
    () => 'plants',
    0.95,
  ),
  rule<true>(
    'seeds',
    '<seeds>',
    () => true,
    () => 'seeds',
    0.9,
  ),
]
type Area = AreaWanted
const area = (
  pattern: string,
  of: (bound: never, sentence: Parameters<Rule['value']>[1], at: number, to: number) => Partial<Area> | null,
  cost = 0.7,
) =>
  rule<Area>(
    'area',
    pattern,
    (bound, sentence, at, to) => {
      const said = of(bound, sentence, at, to)
      return said && { along: null, from: null, count: 1, share: null, side: null, rest: false, ...said }
    },
    ({ along, from, count, share, rest }) =>
      rest
        ? 'what is left'
        : share !== null
          ? `${Math.round(share * 100)} % of the tray`
          : `${count === 1 ? along : `${count} ${along}s`}${from === null ? '' : from > 0 ? ` from ${from}` : ' at the end'}`,
    cost,
  )
const alongOf = (words: readonly { plain: string }[]): Area['along'] =>
  words.some(({ plain }) => /^col(?:umn)?$/.test(plain)) ? 'column' : 'row'
const SIDES = {
  left: 'left',
  right: 'right',
  top: 'top',
  back: 'top',
  bottom: 'bottom',
  front: 'bottom',
  other: 'right',
} as const
const sideOf = (words: readonly { plain: string }[]): Area['side'] =>
  words.map(({ plain }) => SIDES[plain as keyof typeof SIDES]).find(Boolean) ?? null
const AREAS: readonly Rule[] = [
  area('( in )? ( the )? row|column|col {k:whole}', ({ k }: { k: number }, { tokens }, at, to) => ({
    along: alongOf(tokens.slice(at, to)),
    from: k,
  })),
  area('( in )? ( the )? row|column|col {r:number}', ({ r }: { r: Count }, { tokens }, at, to) =>
    r.low === null ? null : { along: alongOf(tokens.slice(at, to)), from: r.low, count: r.n - r.low + 1 },
  ),
  area(
    '( in )? ( the )? row|column|col {k:whole} and|& {l:whole}',
    ({ k, l }: { k: number; l: number }, { tokens }, at, to) =>
      l === k + 1 ? { along: alongOf(tokens.slice(at, to)), from: k, count: 2 } : null,
    0.6,
  ),
  area(
    '( in )? ( the )? first|top|left|front {n:whole}? row|column|col ( of )?',
    ({ n }: { n?: number }, { tokens }, at, to) => ({
      along: alongOf(tokens.slice(at, to)),
      from: 1,
      count: n ?? 1,
    }),
  ),
  area(
    '( in )? ( the )? last|bottom|right|back {n:whole}? row|column|col ( of )?',
    ({ n }: { n?: number }, { tokens }, at, to) => ({
      along: alongOf(tokens.slice(at, to)),
      from: -(n ?? 1),
      count: n ?? 1,
    }),
  ),
  area(
    '( in )? ( the )? second|third|fourth|fifth|sixth row|column|col ( of )?',
    (_: unknown, { tokens }, at, to) => {
      const words = tokens.slice(at, to)
      return {
        along: alongOf(words),
        from:
          2 +
          ['second', 'third', 'fourth', 'fifth', 'sixth'].findIndex((one) =>
            words.some(({ lower }) => lower === one),
          ),
      }
    },
  ),
  area(
    '{n:whole} row|column|col ( of )?',
    ({ n }: { n: number }, { tokens }, at, to) => ({ along: alongOf(tokens.slice(at, to)), count: n }),
    0.8,
  ),
  area(
    'a|one row|column|col ( of )?',
    (_: unknown, { tokens }, at, to) => ({ along: alongOf(tokens.slice(at, to)), count: 1 }),
    0.8,
  ),
  area(
    '( in )? ( the )? ( left|right|top|bottom|back|front|other )? half ( of )? ( the )? ( tray|it )? ( of )?',
    (_: unknown, { tokens }, at, to) => ({ share: 0.5, side: sideOf(tokens.slice(at, to)) }),
    0.9,
  ),
  area('( a )? quarter ( of )? ( the )? tray ( of )?', () => ({ share: 0.25 }), 0.6),
  area(
    '( in )? ( all )? ( the )? rest|remainder|remaining ( of )? ( the )? ( tray|cell|it|row )? ( with|of|in|is|are )?',
    () => ({ rest: true }),
  ),
  area('( the )? whole tray ( of )?', () => ({ share: 1 })),
]

const make = patterns(lists)
export const WISH = grammarOf(WISH_RULES, make)
/** The groups of a tray: rows and columns are known there. */
export const GROUPS = grammarOf([...WISH_RULES.filter(({ slot }) => slot !== 'rows'), ...AREAS], make)
