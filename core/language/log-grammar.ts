import { at as elementAt } from '../numeric/at'
import { SEEN, UNCLEAR, type SeenId } from '../signs/seen'
import { FILLER_RULE, grammarOf, rule, type Rule } from './chart'
import type { Count } from './numbers'
import { byMeaning, patterns, phraseList, type Sentence, wordsOf } from './pattern'
import type { Said } from './quantities'
import type { DaySaid } from './terms'
import type { Vessel } from './vessels'
import ACTS from './lexicon/acts.json' with { type: 'json' }
import WORDS from './lexicon/log-words.json' with { type: 'json' }

/*
 * What a line of the log is made of, stated as patterns. What a piece comes to in the whole is decided in log-line.ts.
 */

/** An act as it is said; `shift` is settled by where it went: a pot, a place or the ground. */
export type Act = keyof typeof ACTS
export interface ActSaid {
  readonly act: Act
  readonly denied: boolean
}
/** How many, as it is said of what stands there. */
export interface HowMany {
  /** So many; null where it follows from what is there. */
  readonly n: number | null
  readonly of: number | null
  /** So much of what is there, a fraction. */
  readonly share: number | null
  /** All but so many; so many did not. */
  readonly but: number | null
  readonly missing: boolean
  /** The rest of them, or a number nobody said: it is asked. */
  readonly vague: boolean
  /** So many more than before. */
  readonly more: boolean
}
const NOBODY: HowMany = {
  n: null,
  of: null,
  share: null,
  but: null,
  missing: false,
  vague: false,
  more: false,
}

/** A number with its unit that is no count: it is kept as it was measured. */
export interface Measured {
  readonly what: 'pH' | 'EC' | 'ppm' | 'temperature' | 'length' | 'humidity'
  /** pH, mS/cm, mg/L, °C, mm, a fraction. */
  readonly value: number
  readonly text: string
}

const EXCHANGED = /^(?:swapp?(?:ed)?|trad(?:e|ed)|exchanged?|bartered|gave|given)$/
const THINNED = /^(?:thinned|culled|snipped|pulled|lost|composted|gave|sold|planted|potted|moved|died)$/
const PESTS =
  /^(?:slug|snail|caterpillar|aphid|gnat|fly|flies|mite|whitefly|thrip|mouse|mice|vole|beetle|grub)$/
const CAME_UP = /^(?:up|germinated|germinating|sprouted|sprouting|emerged|come|came|showing|popped)$/
/** What an act is shown as. */
const ACT_MEANS: Readonly<Record<Act, string>> = {
  look: 'came up',
  thin: 'thinned',
  watered: 'watered',
  feed: 'fed',
  sown: 'sown',
  moved: 'potted up',
  shift: 'moved',
  carried: 'carried',
  out: 'planted out',
  lost: 'lost',
  given: 'given away',
  harvest: 'picked',
  flower: 'in flower',
  weighed: 'weighed',
  felt: 'felt',
  cleaned: 'cleaned',
  damage: 'damage',
  weather: 'weather',
  thought: 'a note: nothing happened yet',
  tended: 'tended',
}

// What says that nothing came up is a count, not a sign.
const COUNTED_AS_UP = new Set(['nothing up', 'not up', 'none up', 'no show', 'no sign'])
const IN_WORDS: Readonly<Record<string, string>> = { '2': 'two', '4': 'four' }
const seen = SEEN.flatMap(({ id, words }) =>
  words
    .filter((phrase) => !COUNTED_AS_UP.has(phrase))
    .flatMap((phrase) => [phrase, phrase.replace(/^[24](?= )/, (n) => IN_WORDS[n] ?? n)])
    .map((phrase): [string, SeenId] => [phrase, id]),
)
const lists = {
  act: byMeaning(ACTS),
  not: phraseList(WORDS.not),
  none: phraseList(WORDS.none),
  'look-base': phraseList(WORDS['look-base']),
  missing: phraseList(WORDS.missing),
  all: phraseList(WORDS.all),
  rest: phraseList(WORDS.rest),
  few: phraseList(WORDS.few),
  only: phraseList(WORDS.only),
  unit: phraseList(WORDS.unit),
  per: phraseList(['per', 'to', 'in', '/']),
  filler: phraseList(WORDS.filler),
  how: byMeaning(WORDS.how),
  garden: phraseList(WORDS.garden),
  inside: phraseList(WORDS.inside),
  next: phraseList(WORDS.next),
  good: phraseList(WORDS.good),
  strength: phraseList(WORDS.strength),
  feed: phraseList(WORDS.feed),
  treatment: phraseList(WORDS.treatment),
  sign: phraseList(Object.fromEntries(seen)),
  unclear: phraseList(
    Object.fromEntries(UNCLEAR.flatMap(({ words, could }) => words.map((phrase) => [phrase, could]))),
  ),
}

const count = (
  pattern: string,
  of: (bound: never, sentence: Sentence, at: number, to: number) => Partial<HowMany> | null,
  cost?: number,
) =>
  rule<HowMany>(
    'count',
    pattern,
    (bound, sentence, at, to) => {
      const said = of(bound, sentence, at, to)
      return said && { ...NOBODY, ...said }
    },
    countMeans,
    cost,
  )

function countMeans({ n, of, share, but, missing, vague, more }: HowMany): string {
  if (more) return `${n} more than before`
  if (vague) return 'how many is asked'
  if (but !== null) return but === 0 ? 'all' : `all but ${but}`
  if (share !== null)
    return share === 1 ? 'all' : share === 0 ? 'none' : `${Math.round(share * 100)} % of them`
  if (missing) return `${n} that did not come up`
  return n === 0 ? 'none' : of === null ? `${n}` : `${n} of ${of}`
}
const measured = (
  pattern: string,
  what: Measured['what'],
  of: (bound: never, sentence: Sentence) => number,
  cost = 0.85,
) =>
  rule<Measured>(
    'measured',
    pattern,
    (bound, sentence, at, to) => ({ what, value: of(bound, sentence), text: wordsOf(sentence, at, to) }),
    (value) => value.text,
    cost,
  )

/** Words that are kept as they were said: a number of its own kind, which is no count. */
const kept = (pattern: string, cost?: number) =>
  rule<string>(
    'kept',
    pattern,
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    (said) => `${said}, kept as said`,
    cost,
  )
/** What was not seen, or is gone. */
const noSign = (pattern: string, cost?: number) =>
  rule<string>(
    'no sign',
    pattern,
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'kept as a note',
    cost,
  )
const strength = (pattern: string, cost?: number) =>
  rule<string>(
    'strength',
    pattern,
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    (said) => said,
    cost,
  )

const IN_FRONT = '( in|into|on|onto|to|under|at|of|for|with )? ( a|an|the|my|our|some )?'

const LOG_RULES: readonly Rule[] = [
  rule<ActSaid>(
    'act',
    '<a:act>',
    ({ a }: { a: Act }) => ({ act: a, denied: false }),
    ({ act }) => ACT_MEANS[act],
  ),
  rule<ActSaid>(
    'act',
    'brought|took|carried|moved ( the|my|all|them|it|everything )? ( of )? ( the )? tray|flat|pot|plant|seedling|everything|them|it in|inside|indoors|out|outside|outdoors',
    () => ({ act: 'carried', denied: false }),
    () => 'carried',
    0.7,
  ),
  // `Tray 5 light`: how it lifts, not the lamps.
  rule<ActSaid>(
    'act',
    '( is|feels|felt|seems )? ( very|quite|really )? light|heavy',
    (_: unknown, { tokens }, at) =>
      tokens[at - 1]?.kind === 'number' ? { act: 'felt', denied: false } : null,
    ({ act }) => ACT_MEANS[act],
    0.7,
  ),
  // `Gave the leeks a good soak`: what was given says what was done.
  rule<ActSaid>(
    'act',
    'a ( good|quick|light|little|deep|long|big|small|proper|first )? drink|soak|soaking|watering|misting|shower',
    () => ({ act: 'watered', denied: false }),
    () => 'watered',
    0.8,
  ),
  rule<ActSaid>(
    'act',
    'a ( good|quick|light|little|weak|small|proper|first )? feed|feeding',
    () => ({ act: 'feed', denied: false }),
    () => 'fed',
    0.8,
  ),
  // `Meant to pot up`, `pot up`: the base of a verb is something to do; `to pots` is where they went.
  rule<ActSaid>(
    'act',
    '( to set|put up|out|off / ( to )? pot|prick|bump|step|plant|thin|move|harden up|on|out|off )',
    (_: unknown, { tokens }, _at, to) =>
      /s$/.test(elementAt(tokens, to - 2).lower) || elementAt(tokens, to - 1).parted
        ? null
        : { act: 'thought', denied: false },
    ({ act }) => ACT_MEANS[act],
    0.6,
  ),
  // Never, did not, has not: what follows did not happen.
  rule<ActSaid>(
    'act',
    '( i|we|they|it )? <not> ( even|yet|really )? <look-base> ( yet )?',
    () => ({ act: 'look', denied: true }),
    () => 'not up',
    0.8,
  ),
  rule<ActSaid>(
    'act',
    '( i|we )? <not> ( have|been|get|got|to )? ( yet )? <a:act>',
    ({ a }: { a: Act }) => (a === 'look' ? null : { act: a, denied: true }),
    ({ act }) => `not ${ACT_MEANS[act]}`,
    0.8,
  ),
  rule<ActSaid>(
    'act',
    '( i|we )? <not> ( get round to )? water|feed|sow|thin|move|fertilise|fertilize|mist|prick|pot|transplant|plant|turn|check|trim|spray ( out|up|on )?',
    () => ({ act: 'tended', denied: true }),
    () => 'not done',
    0.8,
  ),
  count(
    '<only>? <only>? {n:whole} ( ( of / out of ) ( the|my|these )? {t:whole} )? <unit>?',
    ({ n, t }: { n: number; t?: number }, { tokens }, at) =>
      tokens[at - 1]?.plain === '-' && tokens[at]?.glued ? null : { n, of: t ?? null },
  ),
  count(
    '<only>? {o:outof} <unit>?',
    ({ o }: { o: readonly [number, number] }, { tokens }) =>
      // `Sown 3/14` is a day; of so many that came up it is a count.
      o[1] > 31 || tokens.some(({ lower }) => CAME_UP.test(lower)) ? { n: o[0], of: o[1] } : null,
    0.7,
  ),
  count('<all> ( of )? ( the )? {n:whole} <unit>?', ({ n }: { n: number }) => ({ n, share: null })),
  count('( nearly|almost )? <all> ( of )? ( the )? <unit>?', (_: unknown, { tokens }, at) =>
    /^(?:nearly|almost)$/.test(elementAt(tokens, at).lower) ? { vague: true } : { share: 1 },
  ),
  count(
    '( all|everything|every|everyone ) ( of them )? but|except|bar|save ( for )? {n:count} <unit>?',
    ({ n }: { n: Count }) => (Number.isInteger(n.n) ? { but: n.n } : null),
    0.7,
  ),
  count(
    '<all> ( of them )? ( are|is|have|came|come )? up|germinated|sprouted|showing|emerged but|except|bar|save ( for )? {n:count} <unit>?',
    ({ n }: { n: Count }) => (Number.isInteger(n.n) ? { but: n.n } : null),
    0.5,
  ),
  count('<none> ( of )? ( the|them|these|those )? ( of them )? <unit>? ( yet )?', () => ({ n: 0 })),
  count(
    '<only>? {n:number} ( of )? ( them|the|these|those|it )',
    ({ n }: { n: Count }) =>
      n.n > 0 && n.n < 1 && n.low === null
        ? { share: n.n }
        : Number.isInteger(n.n) && n.low === null
          ? { n: n.n }
          : null,
    0.95,
  ),
  count(
    '<only>? {n:number}',
    ({ n }: { n: Count }) =>
      n.n > 0 && n.n < 1 && n.low === null
        ? { share: n.n }
        : n.low !== null && Number.isInteger(n.n)
          ? { vague: true }
          : null,
    1.05,
  ),
  count(
    '{n:figure} %|percent ( of )? ( them|the )?',
    ({ n }: { n: number }) => (n <= 100 ? { share: n / 100 } : null),
    0.9,
  ),
  count('{n:whole} ( more|extra ) <unit>?', ({ n }: { n: number }) => ({ n, more: true }), 0.85),
  count('another {n:whole} <unit>?', ({ n }: { n: number }) => ({ n, more: true }), 0.85),
  count('<rest> ( of )? ( them|it|the )?', () => ({ vague: true })),
  count('<few> ( of )? ( them|the )? <unit>?', () => ({ vague: true })),
  count('<not> <all> ( of )? ( them|the )?', () => ({ vague: true }), 0.8),
  count('{n:whole} <unit>? <missing>', ({ n }: { n: number }) => ({ n, missing: true }), 0.7),
  // `12 each of basil and dill`: of everything that is named.
  rule<HowMany>(
    'each',
    '{n:whole} <unit>? ( of )? each|apiece ( of )?',
    ({ n }: { n: number }) => ({ ...NOBODY, n }),
    ({ n }) => `${n} of each`,
    0.8,
  ),
  // `All the peppers but one`: the name between.
  count(
    'but|except|bar|save ( for )? ( the )? {n:count} ( small|smallest|weak|weakest|tiny )? ( one )? <unit>?',
    ({ n }: { n: Count }) => (Number.isInteger(n.n) && n.low === null ? { but: n.n } : null),
  ),
  rule<string>(
    'kept',
    '{n:whole} ( of {k:whole} )? ( the )? tray|flat|packet|pack',
    (_: unknown, sentence, at, to) =>
      sentence.tokens[to]?.kind === 'number' ? null : wordsOf(sentence, at, to),
    (kept) => `${kept}, kept as said`,
    0.6,
  ),
  rule<SeenId>(
    'sign',
    '( the )? {n:whole} pair|set ( of )? ( new|more|good|proper|real )? ( true|real|proper )? leaf|leave|leaves',
    ({ n }: { n: number }) => (n >= 2 ? 'four leaves' : 'true leaves'),
    (s) => SEEN.find(({ id }) => id === s)?.name.toLowerCase() ?? '',
    0.7,
  ),
  // `Basil up, dill not yet`.
  rule<ActSaid>(
    'act',
    '( not yet / still not ( yet )? )',
    (_: unknown, { tokens }, at, to) =>
      (to === tokens.length || tokens[to]?.parted) &&
      tokens.slice(0, at).some(({ lower }) => CAME_UP.test(lower))
        ? { act: 'look', denied: true }
        : null,
    () => 'not up',
    0.7,
  ),
  count('no <missing>', () => ({ share: 1 }), 0.7),
  rule<number>(
    'thin to',
    '( down )? to {n:count} ( each|strongest|best )?',
    ({ n }: { n: Count }) => n.n,
    (n) => `to ${n} each`,
    0.75,
  ),
  rule<number>(
    'thin to',
    '( down )? to {n:count} ( plant|seedling )? ( per / a / to a / in each ) cell|pot|hole|block|module|plug|pellet|cup',
    ({ n }: { n: Count }) => n.n,
    (n) => `to ${n} each`,
    0.5,
  ),
  rule<number>(
    'thin to',
    '( down )? to the strongest|best|strong',
    () => 1,
    () => 'to the strongest',
    0.9,
  ),
  rule<number[]>(
    'trays',
    '( in|into|from|of|to|on|for )? {t:trays}',
    ({ t }: { t: number[] }) => t,
    (t) => `tray ${t.join(', ')}`,
    0.8,
  ),
  rule<number>(
    'batch',
    '( with|from|of|in )? {b:batch}',
    ({ b }: { b: number }) => b,
    (b) => `batch ${b}`,
    0.8,
  ),
  rule<Said & { each: boolean }>(
    'litres',
    `( with|about|of|around )? {v:volume} ( of )? ( water )? ( each|apiece|per|a )? ( tray|flat|pot )?`,
    ({ v }: { v: Said }, { tokens }, at, to) => ({
      ...v,
      each:
        tokens.slice(at, to).some(({ plain }) => /^(?:each|apiece|per)$/.test(plain)) ||
        /^(?:tray|flat|pot)$/.test(elementAt(tokens, to - 1).plain),
    }),
    (v) => v.text,
    0.85,
  ),
  rule<Said>(
    'grams',
    '( with|about|of|around|at )? {m:mass} ( of )?',
    ({ m }: { m: Said }) => m,
    (m) => m.text,
    0.85,
  ),
  measured(
    '( is|at|of|was|about|around )? ( min|max|low|high )? {t:temperature}',
    'temperature',
    ({ t }: { t: Said }) => t.base,
  ),
  measured('ph ( is|of|at|was )? {n:number}', 'pH', ({ n }: { n: Count }) => n.n),
  measured('{n:number} ph', 'pH', ({ n }: { n: Count }) => n.n),
  measured('ec ( is|of|at|was )? {n:number} ( ms ( <per> cm )? )?', 'EC', ({ n }: { n: Count }) => n.n),
  measured('( at )? {n:number} ppm ( of )? ( n|nitrogen )?', 'ppm', ({ n }: { n: Count }) => n.n),
  measured(
    '( relative )? humidity|rh ( is|at|of|was )? {n:number} ( %|percent )?',
    'humidity',
    ({ n }: { n: Count }) => n.n / 100,
    0.7,
  ),
  measured(
    '{n:number} %|percent ( relative )? ( humidity|rh )',
    'humidity',
    ({ n }: { n: Count }) => n.n / 100,
    0.7,
  ),
  measured(
    '( to|at|about|now|is|are )? {l:length} ( tall|high|above|over|long|away|up )?',
    'length',
    ({ l }: { l: Said }) => l.base,
    0.9,
  ),
  // So much to a litre is a strength, not what was poured.
  kept(
    '( at )? ( {v:volume} / {m:mass} ) ( <per> / a ) ( a|the|each )? litre|liter|l|gallon|gal|quart|qt|pint|can|jug|bucket',
    0.7,
  ),
  // `2 basil per cell`: the number before it is that of a cell.
  rule<true>(
    'of a cell',
    '( per / a / to a / each|every / in each|every / to each|every ) cell|pot|hole|block|module|plug|pellet|cup|station',
    () => true,
    () => 'in each cell',
    0.8,
  ),
  // What a feed is called: kept as it was said.
  rule<string>(
    'feed',
    '( with|of|some|a|the )? <feed>',
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'a feed, kept as said',
    0.9,
  ),
  // Two seeds a pot are no count of what was sown; a low of 4 no count at all.
  kept(
    '{n:whole} ( seed )? ( per / a / to a / each|every / in each|every ) cell|pot|hole|block|module|plug|pellet|cup ( in {k:whole} {v:vessel} )?',
    0.6,
  ),
  kept('( overnight )? min|max|minimum|maximum|low|high ( of|was|is )? {n:number} ( degree )?', 0.8),
  // Twelve that are left were not thinned, lost or moved.
  rule<string>(
    'kept',
    '{n:whole} <unit>? left|remain|remaining|staying ( over )?',
    (_: unknown, sentence, at, to) =>
      sentence.tokens.slice(0, at).some(({ lower }) => THINNED.test(lower))
        ? wordsOf(sentence, at, to)
        : null,
    (kept) => `${kept}, kept as said`,
    0.7,
  ),
  // The bed, the row or the shelf of a number is no count.
  kept('( in|into|on|at|from )? ( the )? bed|row|column|shelf|rack|bench|plot|tier {n:whole}', 0.99),
  // So many trays are no plants.
  rule<string>(
    'kept',
    '{n:count} tray|flat|packet|pack|row ( of {k:whole} )? ( of )?',
    // `Half of tray 2`: the number behind it is the tray's own.
    (_: unknown, sentence, at, to) =>
      sentence.tokens[to]?.kind === 'number' ? null : wordsOf(sentence, at, to),
    (kept) => `${kept}, kept as said`,
    0.8,
  ),
  // So many hours, a day of so many: a number of its own kind, kept as it was said.
  kept('( for|after|about )? {n:count} hour|hr|minute|min|day|week|time|night|degree|inch|%', 1.2),
  kept('( on )? day|week|night|round|number {n:whole}', 0.9),
  kept('( with|at )? {n:figure} - {p:figure} - {k:figure}', 0.8),
  rule<string>(
    'strength',
    '<s:strength>',
    ({ s }: { s: string }) => s,
    (s) => s,
  ),
  strength('( at )? {n:number} strength', 0.9),
  // `Peroxide 1 in 10`; of what came up one in ten is a count.
  rule<string>(
    'strength',
    '( at )? 1|one in|to {n:whole}',
    (_: unknown, sentence, at, to) =>
      sentence.tokens.some(({ lower }) => CAME_UP.test(lower)) ? null : wordsOf(sentence, at, to),
    (s) => s,
    0.7,
  ),
  strength('1|one : {n:whole}', 0.8),
  // `1:20` is a dilution, unless it is said as a time.
  rule<string>(
    'strength',
    '( at )? {t:time}',
    (_: unknown, sentence, at, to) => {
      const said = wordsOf(sentence, at, to)
      return /^1:\d\d$/.test(said) ? said : null
    },
    (s) => s,
    0.8,
  ),
  // What came for what was given away.
  rule<string>(
    'kept',
    'for ( a|an|some / {n:whole} ) {c:crop}',
    (_: unknown, sentence, at, to) =>
      sentence.tokens.some(({ lower }) => EXCHANGED.test(lower)) ? wordsOf(sentence, at, to) : null,
    (kept) => `${kept}, kept as said`,
    0.9,
  ),
  rule<DaySaid>(
    'day',
    '( on|since|from|by )? {d:day}',
    ({ d }: { d: DaySaid }) => d,
    ({ was, ahead }) => (was ?? ahead)?.means ?? '',
    0.95,
  ),
  rule<string>(
    'time',
    '( at|around|about )? {t:time} ( o|clock )?',
    ({ t }: { t: string }) => t,
    (t) => `at ${t}`,
    0.85,
  ),
  rule<{ v: Vessel; n: number | null }>(
    'vessel',
    `( in|into|to|onto|up|on )? ( a|an|the|my|our )? {v:vessel}`,
    // `Half of tray 2` is a share of it.
    ({ v }: { v: Vessel }, { tokens }, _at, to) =>
      /^(?:tray|flat)$/.test(elementAt(tokens, to - 1).plain) && tokens[to]?.kind === 'number'
        ? null
        : { v, n: null },
    ({ v }) => v.name,
    0.95,
  ),
  rule<{ v: Vessel; n: number | null }>(
    'vessel',
    'in|into|to {n:count} ( of )? {v:vessel}',
    ({ v, n }: { v: Vessel; n: Count }) => ({ v, n: n.n }),
    ({ v, n }) => `${n} × ${v.name}`,
    0.9,
  ),
  rule<string>(
    'left',
    'from|off|out ( of )? ( the|my|our|a )? {p:place}',
    (_: unknown, sentence, at, to) => wordsOf(sentence, at, to),
    () => 'where it was before',
    0.9,
  ),
  rule<{ id: string | null; name: string }>(
    'place',
    `${IN_FRONT} {p:place}`,
    ({ p }: { p: { id: string | null; name: string; shown?: string } }) => ({
      id: p.id,
      name: p.shown ?? p.name,
    }),
    ({ name }) => name,
    0.98,
  ),
  rule<true>(
    'garden',
    '<garden>',
    () => true,
    () => 'into the ground',
    0.9,
  ),
  rule<true>(
    'inside',
    '<inside>',
    (_: unknown, _sentence, at, to) => (to - at > 1 ? true : null),
    () => 'inside',
    0.5,
  ),
  rule<true>(
    'inside',
    '<inside>',
    () => true,
    () => 'inside',
    1.05,
  ),
  rule<string>(
    'how',
    '<h:how>',
    ({ h }: { h: string }) => h,
    (h) => `from ${h}`,
  ),
  rule<SeenId>(
    'sign',
    '( a )? ( bit|little|very|slightly|rather )? <s:sign>',
    ({ s }: { s: SeenId }) => s,
    (s) => SEEN.find(({ id }) => id === s)?.name.toLowerCase() ?? '',
    0.9,
  ),
  noSign('<not> ( a bit|so|too|very|any )? <s:sign>', 0.75),
  noSign('<s:sign> ( is|are|has|have|all|seems|looks )? gone|cleared|over|better|away', 0.6),
  // So many slugs are no plants.
  rule<SeenId>(
    'sign',
    '( found|saw|caught|killed|picked )? ( off )? {n:count} <s:sign>',
    ({ s }: { s: SeenId }, { tokens }, _at, to) => (PESTS.test(elementAt(tokens, to - 1).plain) ? s : null),
    (s) => SEEN.find(({ id }) => id === s)?.name.toLowerCase() ?? '',
    0.8,
  ),
  noSign('<not> ( looking|doing|feeling )? <good>', 0.75),
  noSign('no ( new|more )? loss|losse|death|casualty|damage', 0.7),
  rule<SeenId>(
    'sign',
    '{n:whole} ( new|more|good|proper|real|set )? ( of )? ( true|real|proper )? leaf|leave|leaves',
    ({ n }: { n: number }) => (n >= 4 ? 'four leaves' : 'true leaves'),
    (s) => SEEN.find(({ id }) => id === s)?.name.toLowerCase() ?? '',
    0.8,
  ),
  noSign('<none> ( more )? <s:sign>', 0.75),
  rule<readonly SeenId[]>(
    'unclear',
    '<u:unclear>',
    ({ u }: { u: readonly SeenId[] }) => u,
    (u) => u.map((one) => SEEN.find(({ id }) => id === one)?.name.toLowerCase()).join(' or '),
    1.02,
  ),
  rule<true>(
    'next year',
    '<next>',
    () => true,
    () => 'comes back in a year',
    0.9,
  ),
  rule<string>(
    'treatment',
    '( with|in|of )? ( a|some|the )? ( {p:figure} %|percent )? <t:treatment> ( spray|drench|dust|powder|soak )? ( {p:figure} %|percent )?',
    ({ t }: { t: string }) => t,
    (t) => `${t}, kept by its name`,
    0.95,
  ),
  rule<unknown>(
    'crop',
    '{c:crop}',
    ({ c }: { c: unknown }) => c,
    () => '',
  ),
  rule<{ id: string; name: string; cropId: string }>(
    'sowing',
    '{s:sowing}',
    ({ s }: { s: { id: string; name: string; cropId: string } }) => s,
    ({ name }) => name,
    0.9,
  ),
  FILLER_RULE,
  rule<true>(
    'filler',
    '<unit>',
    () => true,
    () => '',
    0.9,
  ),
  rule<true>(
    'asked',
    '?',
    () => true,
    () => 'a question',
  ),
  rule<true>(
    'asked',
    'did|do|does|when|why|how|what|which|who|where',
    (_: unknown, _sentence, at) => (at === 0 ? true : null),
    () => 'a question',
    0.9,
  ),
]
export const LOG = grammarOf(LOG_RULES, patterns(lists))
