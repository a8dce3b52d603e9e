import { at as elementAt } from '../numeric/at'
import type { Rate } from '../feed/rate'
import type { RatioMeaning } from '../feed/strength'
import { FILLER_RULE, grammarOf, rule, type Grammar } from './chart'
import type { Count } from './numbers'
import { patterns, phraseList, type Sentence } from './pattern'
import WORDS from './lexicon/rule-words.json' with { type: 'json' }

/*
 * What a rule of feeding is made of, stated as patterns. What a piece comes to in the whole is decided in rule.ts.
 */

/** So much of a label’s rate is nobody’s habit. */
const MOST_OF_LABEL = 20
const ASKED_PERCENT = 5
const SLIGHTLY = 0.1

/** An amount of feed: by volume in L, by mass in g; or of a tool nobody has measured. */
export interface Measure {
  readonly of: 'volume' | 'mass'
  readonly base: number
  readonly text: string
  readonly unknown?: string
  /** Tools of the household that it may be. */
  readonly named?: readonly string[]
}

const lists = {
  full: phraseList(WORDS.share['1']),
  rate: phraseList(WORDS.rate),
  weak: phraseList(WORDS.weak),
  under: phraseList(WORDS.under),
  over: phraseList(WORDS.over),
  per: phraseList(WORDS.per),
  filler: phraseList(WORDS.filler),
  each: phraseList(WORDS.each),
}
export const print = (n: number) => `${Number(n.toPrecision(3))}`
const ratio = (n: number, meaning: RatioMeaning | null): Rate | null =>
  n >= 1 ? { kind: 'ratio', n, meaning } : null
const RATE_MEANS: { readonly [K in Rate['kind']]: (rate: Extract<Rate, { kind: K }>) => string } = {
  amount: ({ of, base, perL }) =>
    `${print(of === 'mass' ? base : base * 1000)} ${of === 'mass' ? 'g' : 'mL'} in ${print(perL)} L`,
  ratio: ({ n, meaning }) => `1 ${meaning ?? ':'} ${print(n)}`,
  label: ({ share, upTo }) =>
    `${print(share * 100)}${upTo ? ` to ${print(upTo * 100)}` : ''} % of the label’s rate`,
  strength: ({ nMgPerL }) => `${print(nMgPerL)} mg/L of nitrogen`,
  'label numbers': ({ n, p2o5, k2o }) => `a label of ${n}-${p2o5}-${k2o}`,
}
const rate = (
  pattern: string,
  of: (bound: never, sentence: Sentence, at: number, to: number) => Rate | null,
  cost?: number,
) => rule<Rate>('rate', pattern, of, (one) => (RATE_MEANS[one.kind] as (rate: Rate) => string)(one), cost)
const share = (n: number, upTo?: number): Rate | null =>
  n > 0 && n <= MOST_OF_LABEL ? { kind: 'label', share: n, ...(upTo === undefined ? {} : { upTo }) } : null
const isFraction = (n: number) => n > 0 && n < 1

/** `1:20` reads like a time: it is a ratio here. */
export const RULE: Grammar = grammarOf(
  [
    rate('<full> ( strength|rate )?', () => share(1)),
    rate('{n:number} ( <rate> )?', ({ n }: { n: Count }, { tokens }, at, to) => {
      const plain =
        elementAt(tokens, to - 1).kind === 'number' &&
        to - at === 1 &&
        !/[/½¼¾⅓⅔⅛]/.test(elementAt(tokens, at).plain)
      if (n.low !== null) return isFraction(n.n) ? share(n.low, n.n) : null
      // A bare whole number is of nothing.
      return isFraction(n.n) && !plain ? share(n.n) : null
    }),
    rate('{n:figure} <rate>', ({ n }: { n: number }) => (n <= MOST_OF_LABEL ? share(n) : null), 1.1),
    rate('{n:figure} %|percent <rate>', ({ n }: { n: number }) => share(n / 100), 0.8),
    rate('{n:figure} %|percent', ({ n }: { n: number }) => (n > ASKED_PERCENT ? share(n / 100) : null), 0.9),
    rule<Count>(
      'between',
      '{n:number} {mg-per-l} ( of )? ( n|nitrogen )?',
      ({ n }: { n: Count }) => (n.low === null ? null : n),
      ({ n, low }) => `${low} to ${n} mg/L`,
      0.8,
    ),
    // How often is the plan's: a rule says how strong.
    rule<true>(
      'often',
      '( every|each ( other / {n:number} )? day|week|fortnight|watering|feed|time|month / ( once / twice / {n:number} time ) a|per day|week|month / weekly|fortnightly|daily|monthly / at each|every watering|feed )',
      () => true,
      () => 'how often is set in the plan',
      0.8,
    ),
    rule<number>(
      'percent',
      '{n:figure} %|percent',
      ({ n }: { n: number }) => (n > 0 && n <= ASKED_PERCENT ? n : null),
      (n) => `${n} %`,
      0.9,
    ),
    rate(
      '<under> {n:number} <rate>?',
      ({ n }: { n: Count }) => (isFraction(n.n) ? share(n.n * (1 - SLIGHTLY)) : null),
      0.9,
    ),
    rate(
      '<over> {n:number} <rate>?',
      ({ n }: { n: Count }) => (isFraction(n.n) ? share(n.n * (1 + SLIGHTLY)) : null),
      0.9,
    ),
    rate('double|twice <rate>?', () => share(2)),
    rate(
      '{a:number} ( to|or|- ) {b:number} <rate>?',
      ({ a, b }: { a: Count; b: Count }) =>
        isFraction(a.n) && isFraction(b.n) ? share(Math.min(a.n, b.n), Math.max(a.n, b.n)) : null,
      0.85,
    ),
    rate(
      '( 1|one ) ( part )? : {n:figure} ( part )? ( of )? ( water )?',
      ({ n }: { n: number }) => ratio(n, null),
      0.8,
    ),
    rate('{t:one-to}', ({ t }: { t: number }) => ratio(t, null), 0.8),
    rate(
      '1|one ( part )? in {n:number} ( part )? ( of )? ( water )?',
      ({ n }: { n: Count }) => (n.n >= 2 ? ratio(n.n, 'in') : null),
      0.8,
    ),
    rate(
      '1|one ( part )? ( of feed )? to {n:number} ( part )? ( of )? ( water )?',
      ({ n }: { n: Count }) => (n.n >= 2 ? ratio(n.n, 'to') : null),
      0.75,
    ),
    rate(
      '{n:number} ( part )? ( of )? ( water )? to 1|one ( part )?',
      ({ n }: { n: Count }) => (n.n >= 2 ? ratio(n.n, 'to') : null),
      0.75,
    ),
    rate('{n:figure} : 1|one ( part )?', ({ n }: { n: number }) => ratio(n, null), 0.8),
    rate(
      '{n:number} {mg-per-l} ( of )? ( n|nitrogen )?',
      ({ n }: { n: Count }) => (n.n > 0 && n.low === null ? { kind: 'strength', nMgPerL: n.n } : null),
      0.8,
    ),
    rate(
      '{n:figure} - {p:figure} - {k:figure}',
      ({ n, p, k }: { n: number; p: number; k: number }) => ({ kind: 'label numbers', n, p2o5: p, k2o: k }),
      0.8,
    ),
    rate(
      '{a:measure} <per>? <per>? {w:water}',
      ({ a, w }: { a: Measure; w: Measure }) =>
        a.unknown || w.unknown || !(a.base > 0) || !(w.base > 0)
          ? null
          : { kind: 'amount', of: a.of, base: a.base, perL: w.base },
      0.8,
    ),
    rate(
      '{a:measure} ( of )? {n:figure} - {p:figure} - {k:figure} <per>? <per>? {w:water}',
      ({ a, w }: { a: Measure; w: Measure }) =>
        a.unknown || w.unknown || !(a.base > 0) || !(w.base > 0)
          ? null
          : { kind: 'amount', of: a.of, base: a.base, perL: w.base },
      0.6,
    ),
    rate(
      '{a:measure} <per>? <per>? {w:water} <each>',
      ({ a, w }: { a: Measure; w: Measure }) =>
        a.unknown || w.unknown || !(a.base > 0) || !(w.base > 0)
          ? null
          : { kind: 'amount', of: a.of, base: a.base, perL: w.base, eachL: w.base },
      0.6,
    ),
    rule<readonly Measure[]>(
      'unmeasured',
      '{a:measure} <per>? <per>? {w:water}',
      ({ a, w }: { a: Measure; w: Measure }) => (a.unknown || w.unknown ? [a, w] : null),
      () => 'how large it is, is asked',
      0.85,
    ),
    rule<Measure>(
      'each',
      '{a:measure} <each>',
      ({ a }: { a: Measure }) => a,
      ({ text: said }) => `${said} for each plant`,
      0.85,
    ),
    rule<Measure>(
      'alone',
      '{a:measure}',
      ({ a }: { a: Measure }) => a,
      ({ text: said }) => said,
      1.1,
    ),
    rule<true>(
      'weak',
      '<weak> <rate>?',
      () => true,
      () => 'how weak is asked',
      1.1,
    ),
    FILLER_RULE,
  ],
  patterns(lists),
)
