import { printFraction } from '../units/fraction'
import { printNumber } from '../units/format'
import { convert } from '../units/unit-table'
import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { density, elements, type Feed } from './feed'
import { concentrationOfLiquid, ratioMlPerL, strengthOf, type RatioMeaning } from './strength'

/** A rule people go by, as it was read. */
export type Rate =
  /** So much of the feed in so much water. */
  | {
      readonly kind: 'amount'
      readonly of: 'mass' | 'volume'
      readonly base: number
      readonly perL: number
      /** A dose for each plant, in so much water, L. */
      readonly eachL?: number
    }
  /** 1 : n; null where it was not said whether in n or to n. */
  | { readonly kind: 'ratio'; readonly n: number; readonly meaning: RatioMeaning | null }
  /** So much of the label's own rate, a fraction; up to another where a range was said. */
  | { readonly kind: 'label'; readonly share: number; readonly upTo?: number }
  /** mg/L of nitrogen outright. */
  | { readonly kind: 'strength'; readonly nMgPerL: number }
  /** Three label numbers, which say nothing about a strength until it is known how much goes in how much water. */
  | { readonly kind: 'label numbers'; readonly n: number; readonly p2o5: number; readonly k2o: number }

/**
 * Grams of feed in a litre that a rule comes to, or null where it says nothing about a strength: three label numbers,
 * a share of a label rate the label does not give, a strength in nitrogen of a feed without any.
 *
 * @param meaning of a ratio that did not say
 */
export function concentrationOf(rate: Rate, feed: Feed, meaning: RatioMeaning = 'in'): Figure | null {
  switch (rate.kind) {
    case 'amount': {
      const amount = given(
        'Feed',
        rate.of === 'mass' ? rate.base : rate.base * 1000,
        rate.of === 'mass' ? 'g' : 'mL',
        yours('the rule as you gave it'),
      )
      const water = given('Water', rate.perL, 'L', yours('the rule as you gave it'))
      const perL = derive(
        'Feed per litre',
        rate.of === 'mass' ? 'g/L' : 'mL/L',
        'a / V',
        { a: amount, V: water },
        ({ a, V }) => a / V,
      )
      return rate.of === 'mass' ? perL : concentrationOfLiquid(perL, density(feed))
    }
    case 'ratio':
      return concentrationOfLiquid(
        ratioMlPerL(given('n', rate.n, '', yours('the rule as you gave it')), rate.meaning ?? meaning),
        density(feed),
      )
    case 'label': {
      if (feed.labelRatePerL === null) return null
      const full = given(
        'Label rate',
        feed.labelRatePerL,
        feed.form === 'powder' ? 'g/L' : 'mL/L',
        yours('the label'),
      )
      const part = derive(
        'Feed per litre',
        full.unit,
        'f * r',
        {
          f: given(
            rate.upTo === undefined
              ? 'Share of the label rate'
              : 'Share of the label rate, the middle of the range',
            (rate.share + (rate.upTo ?? rate.share)) / 2,
            '',
            yours('the rule as you gave it'),
          ),
          r: full,
        },
        ({ f, r }) => f * r,
      )
      return feed.form === 'powder' ? part : concentrationOfLiquid(part, density(feed))
    }
    case 'strength':
      return feed.nPercent > 0
        ? derive(
            'Feed per litre',
            'g/L',
            'N / (w * 10)',
            {
              N: given('Strength', rate.nMgPerL, 'mg/L', yours('the rule as you gave it')),
              w: elements(feed).n,
            },
            ({ N, w }) => N / (w * 10),
          )
        : null
    case 'label numbers':
      return null
  }
}

/** mg/L of nitrogen that a rule comes to with a feed; null where it says nothing. */
export function strengthOfRate(rate: Rate, feed: Feed, meaning?: RatioMeaning): Figure | null {
  const concentration = concentrationOf(rate, feed, meaning)
  return concentration && strengthOf('Nitrogen', concentration, elements(feed).n)
}

export interface Spelling {
  readonly id: string
  readonly text: string
}

/** The same strength in every spelling a person may need: by the litre, by the gallon, as a ratio, as a share of the label. */
export function spellings(feed: Feed, nMgPerL: number): Spelling[] {
  if (feed.nPercent <= 0 || nMgPerL <= 0) return []
  const gPerL = nMgPerL / (feed.nPercent * 10)
  const mlPerL = gPerL / density(feed).value
  const ratio = 1000 / mlPerL
  const perGallon = (unitId: string, step: number) => {
    const amount = convert(mlPerL / 1000, 'L', unitId) * convert(1, 'us-gal', 'L')
    // Below one, a quarter is too coarse a step.
    return amount < 1 ? printNumber(amount, 2) : printFraction(amount, step)
  }
  const share =
    feed.labelRatePerL === null
      ? []
      : [
          {
            id: 'label',
            text: `${printNumber((feed.form === 'powder' ? gPerL : mlPerL) / feed.labelRatePerL, 2)} of the label rate`,
          },
        ]
  return [
    feed.form === 'powder'
      ? { id: 'g', text: `${printNumber(gPerL)} g to the litre` }
      : { id: 'ml', text: `${printNumber(mlPerL)} mL to the litre` },
    { id: 'tsp', text: `${perGallon('us-tsp', 0.25)} tsp to the US gallon` },
    ...(feed.form === 'powder'
      ? [
          {
            id: 'oz100',
            text: `${printNumber((gPerL * convert(100, 'us-gal', 'L')) / convert(1, 'oz', 'g'))} oz to 100 US gallons`,
          },
        ]
      : [
          { id: 'floz', text: `${perGallon('us-floz', 0.25)} fl oz to the US gallon` },
          { id: 'in', text: `1 part in ${printNumber(ratio)}` },
          { id: 'to', text: `1 part to ${printNumber(ratio - 1)} of water` },
        ]),
    ...share,
  ]
}

/**
 * Water to add so that what was mixed too strong becomes `wantedNMgPerL`, L; 0 when it is not too strong.
 *
 * @param volumeL what is in the vessel now
 * @example waterToRescue(given('Is', 200, 'mg/L', yours()), given('In', 4, 'L', yours()), given('Wanted', 100, 'mg/L', yours())).value // 4
 */
export function waterToRescue(nMgPerL: Figure, volumeL: Figure, wantedNMgPerL: Figure): Figure {
  return derive(
    'Water to add',
    'L',
    'max(0, V * (N / w - 1))',
    { V: volumeL, N: nMgPerL, w: wantedNMgPerL },
    ({ V, N, w }) => Math.max(0, V * (N / w - 1)),
    'The feed stays, the water grows.',
  )
}
