import { FILLER_RULE, grammarOf, rule } from './chart'
import type { MaterialSaid } from './material-term'
import type { Count } from './numbers'
import { patterns, phraseList, type Sentence, wordsOf } from './pattern'
import type { Said } from './quantities'
import WORDS from './lexicon/recipe-words.json' with { type: 'json' }

/*
 * What a recipe is made of, stated as patterns. What a piece comes to in the whole is decided in recipe.ts.
 */

/** How much of a material; a share is a fraction, a rest what is left to make a whole. */
export type Amount =
  | { readonly kind: 'parts' | 'litres' | 'grams' | 'share'; readonly value: number }
  | { readonly kind: 'rest' }
  | { readonly kind: 'vague' }

const lists = {
  part: phraseList(WORDS.part),
  small: phraseList(WORDS.small),
  filler: phraseList(WORDS.filler),
  rest: phraseList(WORDS.rest),
  equal: phraseList(WORDS.equal),
  volume: phraseList(WORDS.volume),
  weight: phraseList(WORDS.weight),
  per: phraseList(WORDS.per),
  mix: phraseList(WORDS.mix),
}
const amount = (
  pattern: string,
  of: (bound: never, sentence: Sentence, at: number, to: number) => Amount | null,
  cost?: number,
) => rule<Amount>('amount', pattern, of, amountMeans, cost)
const amountMeans = (one: Amount): string => {
  if (one.kind === 'rest') return 'what is left'
  if (one.kind === 'vague') return 'how much is asked'
  const n = Number(one.value.toPrecision(3))
  return {
    parts: `${n} ${n === 1 ? 'part' : 'parts'}`,
    litres: `${n} L`,
    grams: `${n} g`,
    share: `${Number((one.value * 100).toPrecision(3))} %`,
  }[one.kind]
}

export const RECIPE = grammarOf(
  [
    amount('{n:number} <part> ( of )?', ({ n }: { n: Count }) => ({ kind: 'parts', value: n.n }), 0.9),
    amount('a|an|one <part> ( of )?', () => ({ kind: 'parts', value: 1 }), 0.9),
    amount(
      '{n:number} ( of )?',
      ({ n }: { n: Count }, sentence, at, to) => {
        // `one quarter compost` is a share of the whole; `1/2` and `half` too.
        const share =
          n.n > 0 &&
          n.n < 1 &&
          /half|third|quarter|fifth|tenth|eighth|\/|[¼½¾⅓⅔]/i.test(wordsOf(sentence, at, to))
        return { kind: share ? 'share' : 'parts', value: n.n }
      },
      1.05,
    ),
    amount(
      '{n:figure} %|percent ( of )?',
      ({ n }: { n: number }) => ({ kind: 'share', value: n / 100 }),
      0.9,
    ),
    amount('{n:figure} per cent ( of )?', ({ n }: { n: number }) => ({ kind: 'share', value: n / 100 }), 0.8),
    amount('{v:volume} ( of )?', ({ v }: { v: Said }) => ({ kind: 'litres', value: v.base })),
    amount(
      '{v:volume} bucket|can|jug|tub|bag|pail|bale|sack|bin|brick ( full )? ( of )?',
      ({ v }: { v: Said }) => ({ kind: 'litres', value: v.base }),
      0.9,
    ),
    amount('{m:mass} ( of )?', ({ m }: { m: Said }) => ({ kind: 'grams', value: m.base }), 1.02),
    amount('<rest> ( of )? ( it )?', () => ({ kind: 'rest' }), 0.9),
    amount('<small> ( of )?', () => ({ kind: 'vague' }), 0.85),
    rule<true>(
      'equal',
      '( {n:number} / a / one ) <part> each of?',
      () => true,
      () => 'as much of each',
      0.6,
    ),
    rule<readonly number[]>(
      'ratio',
      '{r:split}',
      ({ r }: { r: readonly number[] }) => r,
      (all) => all.join(' : '),
      0.8,
    ),
    rule<true>(
      'equal',
      '<equal>',
      () => true,
      () => 'as much of each',
      0.8,
    ),
    rule<readonly number[]>(
      'ratio',
      '{a:figure} : {b:figure}',
      ({ a, b }: { a: number; b: number }) => [a, b],
      (all) => all.join(' : '),
      0.9,
    ),
    rule<readonly number[]>(
      'ratio',
      '{a:figure} : {b:figure} : {c:figure}',
      ({ a, b, c }: { a: number; b: number; c: number }) => [a, b, c],
      (all) => all.join(' : '),
      0.7,
    ),
    rule<readonly number[]>(
      'ratio',
      '{a:figure} - {b:figure} - {c:figure}',
      ({ a, b, c }: { a: number; b: number; c: number }) => [a, b, c],
      (all) => all.join(' : '),
      0.7,
    ),
    rule<readonly number[]>(
      'ratio',
      '{a:figure} : {b:figure} : {c:figure} : {d:figure}',
      ({ a, b, c, d }: { a: number; b: number; c: number; d: number }) => [a, b, c, d],
      (all) => all.join(' : '),
      0.5,
    ),
    rule<readonly number[]>(
      'ratio',
      '{a:number} to {b:number}',
      ({ a, b }: { a: Count; b: Count }) => (a.low === null && b.low === null ? [a.n, b.n] : null),
      (all) => all.join(' : '),
      0.95,
    ),
    rule<Said>(
      'per',
      '<per> ( finished )? {v:volume} <mix>?',
      ({ v }: { v: Said }) => v,
      (v) => `in ${Number(v.base.toPrecision(3))} L`,
      0.9,
    ),
    rule<Said>(
      'per',
      '<per> {v:bare-volume} <mix>?',
      ({ v }: { v: Said }) => v,
      (v) => `in ${Number(v.base.toPrecision(3))} L`,
      0.8,
    ),
    rule<Said>(
      'one part',
      '( where|with )? ( a|one|1|each )? part|scoop|bucket is|being|= ( a )? {v:volume}',
      ({ v }: { v: Said }) => v,
      (v) => `a part is ${Number(v.base.toPrecision(3))} L`,
      0.5,
    ),
    rule<true>(
      'volume',
      '<volume>',
      () => true,
      () => 'by volume',
      0.5,
    ),
    rule<true>(
      'weight',
      '<weight>',
      () => true,
      () => 'by weight',
      0.5,
    ),
    rule<MaterialSaid>(
      'material',
      '{m:material}',
      ({ m }: { m: MaterialSaid }) => m,
      ({ name }) => name,
    ),
    // `No perlite` says what is not in it.
    rule<true>(
      'filler',
      '( no|without ( any )? {m:material} / {m:material} ( - )? free ( mix )? )',
      () => true,
      () => 'left out',
      0.7,
    ),
    rule<true>(
      'or',
      'or',
      () => true,
      () => 'either',
    ),
    FILLER_RULE,
  ],
  patterns(lists),
)
