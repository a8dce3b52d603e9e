import { present } from '../present'
import { at, first } from '../numeric/at'
import { inFigures, parseNumber, parseQuantity } from '../units/parse'
import { printFraction } from '../units/fraction'
import { printNumber } from '../units/format'
import { convert } from '../units/unit-table'
import type { UnitSystem } from '../units/unit'
import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { density, elements, type Feed, type FeedForm } from './feed'
import { concentrationOfLiquid, ratioMlPerL, strengthOf, type RatioMeaning } from './strength'

/** A rule people go by, as it was read. */
export type Rate =
  /** So much of the feed in so much water. */
  | { readonly kind: 'amount'; readonly of: 'mass' | 'volume'; readonly base: number; readonly perL: number }
  /** 1 : n; null where it was not said whether in n or to n. */
  | { readonly kind: 'ratio'; readonly n: number; readonly meaning: RatioMeaning | null }
  /** So much of the label's own rate, a fraction; up to another where a range was said. */
  | { readonly kind: 'label'; readonly share: number; readonly upTo?: number }
  /** mg/L of nitrogen outright. */
  | { readonly kind: 'strength'; readonly nMgPerL: number }
  /** Three label numbers, which say nothing about a strength until it is known how much goes in how much water. */
  | { readonly kind: 'label numbers'; readonly n: number; readonly p2o5: number; readonly k2o: number }

export type ReadRate =
  { readonly ok: true; readonly rate: Rate } | { readonly ok: false; readonly message: string }

const SHARES: readonly (readonly [RegExp, number])[] = [
  [/^(?:full|whole|label|the label)$/, 1],
  [/^(?:a |one )?half$/, 0.5],
  [/^(?:a |one )?third$/, 1 / 3],
  [/^(?:a |one )?quarter$/, 0.25],
  [/^(?:a |one )?fifth$/, 0.2],
  [/^(?:a |one )?eighth$/, 0.125],
  [/^(?:a |one )?tenth$/, 0.1],
]
const EXAMPLES = '1 tbsp per gal, 5 ml/l, 15 ml to 4.5 litres, 1:200 or half'

/**
 * Read a rule in any of its spellings: `1 tbsp per gal`, `5 ml/l`, `15 ml to 4.5 litres`, `1:200`, `1 in 200`,
 * `500 to 1`, `2 fl oz per gallon`, `1 oz in 100 gal`, `half`, `a tenth to a fifth`, `45%`, `100 mg/L`, `5-5-5`, and with
 * the household's own tools and vessels by name: `half a cap per watering can`.
 *
 * @param form a bare `oz` of a liquid is a fluid ounce
 * @example readRate('1:200', 'liquid', 'metric') // ({ ok: true, rate: { kind: 'ratio', n: 200, meaning: null } })
 */
export function readRate(
  text: string,
  form: FeedForm,
  units: UnitSystem,
  named: readonly NamedMeasure[] = [],
): ReadRate {
  const said = text
    .trim()
    .replace(/\s+/g, ' ')
    .replace(/^no stronger than /i, '')
  if (!said) return failed('Enter a rate')
  const lower = said.toLowerCase()
  return (
    readRange(lower) ??
    readShare(lower) ??
    readLabelNumbers(lower) ??
    readStrength(lower) ??
    readRatio(lower) ??
    // A capital T is a tablespoon, a small t a teaspoon.
    readAmount(said, form, units, named)
  )
}

/** A tool or vessel of the household, that can be named in a rule: `half a cap`, `1 tsp per watering can`. */
export interface NamedMeasure {
  readonly name: string
  readonly volumeL: number
}

const ok = (rate: Rate): ReadRate => ({ ok: true, rate })
const failed = (problem: string): ReadRate => ({
  ok: false,
  message: `${problem}. Write it like ${EXAMPLES}.`,
})

/** A share of the label: `half`, `a tenth`, `1/4 strength`, `45%`, `1/10`; undefined where it is none. */
function shareSaid(said: string): number | undefined {
  const plain = said.replace(/\s*(?:strength|rate|of the label(?: rate)?|label rate)$/, '').trim()
  const word = SHARES.find(([pattern]) => pattern.test(plain))
  if (word) return word[1]
  const alone = plain !== said || /%$/.test(plain) || /^\d+\s*[/⁄]\s*\d+$|^[¼½¾⅓⅔⅛]$/.test(plain)
  const fraction = alone ? parseNumber(plain.replace(/\s*%$/, '')) : undefined
  return fraction === undefined ? undefined : plain.endsWith('%') ? fraction / 100 : fraction
}

function readShare(said: string): ReadRate | null {
  const share = shareSaid(said)
  if (share === undefined) return null
  return share > 0 && share <= 20
    ? ok({ kind: 'label', share })
    : failed(`'${said}' is not a share of the label`)
}

/** `a tenth to a fifth`, `1/4–1/2 strength`: from the smaller to the larger. */
function readRange(said: string): ReadRate | null {
  const ends = /^(.+?)\s*(?: to | or |–|\.\.)\s*(.+)$/.exec(said)
  const shares = ends && [shareSaid(`${at(ends, 1)} strength`), shareSaid(at(ends, 2))]
  if (!shares || shares.some((share) => share === undefined || share <= 0 || share > 20)) return null
  const [share, upTo] = (shares as number[]).sort((a, b) => a - b) as [number, number]
  return ok({ kind: 'label', share, upTo })
}

function readLabelNumbers(said: string): ReadRate | null {
  const match = /^(\d+(?:\.\d+)?)\s*[-–]\s*(\d+(?:\.\d+)?)\s*[-–]\s*(\d+(?:\.\d+)?)$/.exec(said)
  return match
    ? ok({ kind: 'label numbers', n: Number(match[1]), p2o5: Number(match[2]), k2o: Number(match[3]) })
    : null
}

function readStrength(said: string): ReadRate | null {
  const match = /^(.+?)\s*(?:mg\s*\/\s*l|mg per lit(?:er|re)|ppm)(?:\s*(?:of\s*)?n(?:itrogen)?)?$/.exec(said)
  const value = match && parseNumber(at(match, 1))
  if (value === null || value === undefined) return null
  return value > 0 ? ok({ kind: 'strength', nMgPerL: value }) : failed('A strength is above 0')
}

const PARTS = String.raw`(?:\s*(?:parts?)?(?:\s*of)?(?:\s*water)?)?`
const RATIOS: readonly (readonly [RegExp, number])[] = [
  [new RegExp(String.raw`^(?:1|one)(?:\s*part)?\s*(?::|(in|to))\s*(\d[\d.,]*)${PARTS}$`), 1],
  // The other way round: 500 parts of water to 1.
  [/^(\d[\d.,]*)\s*(?::|(to))\s*(?:1|one)(?:\s*part)?$/, -1],
]

function readRatio(said: string): ReadRate | null {
  for (const [pattern, way] of RATIOS) {
    const match = pattern.exec(said)
    if (!match) continue
    const [number, word] = way > 0 ? [match[2], match[1]] : [match[1], match[2]]
    const n = parseNumber(present(number))
    if (n === undefined || n < 1) return failed('A ratio is 1 : 1 or weaker')
    return ok({ kind: 'ratio', n, meaning: (word as RatioMeaning | undefined) ?? null })
  }
  return null
}

function readAmount(
  said: string,
  form: FeedForm,
  units: UnitSystem,
  named: readonly NamedMeasure[],
): ReadRate {
  const parts =
    /^(.+?)\s+(?:per|in|to|for|each|into)\s+(.+)$/i.exec(said) ??
    /^(.*[a-z.])\s*\/\s*(\d*.*[a-z].*)$/i.exec(said) ??
    /^(\S+ \S+)\s+an?\s+(.+)$/i.exec(said)
  if (!parts) return failed(`'${said}' is not a rate`)
  const vessel = at(parts, 2)
    .replace(/\s*(?:of )?water$/i, '')
    .replace(/^(?:the|each|every|an?|one) /i, '')
  const water = /^[\d.¼½¾⅓⅔⅛]/.test(vessel)
    ? vessel
    : /^(?:half|quarter|third)\b/i.test(vessel)
      ? vessel
      : `1 ${vessel}`
  const volume = readNamed(water, named) ?? readVolume(water, units)
  if (!volume.ok) return failed(`'${parts[2]}' is not an amount of water`)
  if (volume.base <= 0) return failed('There must be some water')
  const amount = at(parts, 1).replace(
    form === 'liquid' ? /(?<!fl\.? ?)\boz\b|(?<!fl\.? ?)\bounces?\b/i : /$^/,
    'fl oz',
  )
  const byVolume = readNamed(amount, named) ?? readVolume(amount, units)
  const byMass = parseQuantity(amount, { dimension: 'mass', units })
  // A bare ounce of a powder is a weight.
  const volumeFirst = byVolume.ok && !(form === 'powder' && byMass.ok)
  const read = volumeFirst ? byVolume : byMass
  if (!read.ok) return failed(`'${parts[1]}' is not an amount of feed`)
  if (read.base <= 0) return failed('There must be some feed')
  return ok({ kind: 'amount', of: volumeFirst ? 'volume' : 'mass', base: read.base, perL: volume.base })
}

/** So many of a tool or vessel of the household; null where none of that name is there, or more than one could be meant. */
function readNamed(text: string, named: readonly NamedMeasure[]) {
  const match = /^((?:[\d.,/⁄¼½¾⅓⅔⅛ -])*)(.+)$/.exec(inFigures(text.trim()))
  if (!match) return null
  const word = at(match, 2).trim().toLowerCase().replace(/^of /, '').replace(/s$/, '')
  const count = at(match, 1).trim() ? parseNumber(at(match, 1).trim()) : 1
  if (!word || count === undefined) return null
  const fits = named.filter(({ name }) => name.toLowerCase() === word)
  const near = fits.length ? fits : named.filter(({ name }) => name.toLowerCase().split(/\s+/).includes(word))
  const sizes = new Set(near.map(({ volumeL }) => volumeL))
  return sizes.size === 1 ? { ok: true as const, base: count * first(near).volumeL } : null
}

/** A rule may come from another kitchen than one's own: a gallon that is not known here is a US gallon. */
function readVolume(text: string, units: UnitSystem) {
  const own = parseQuantity(text, { dimension: 'volume', units })
  return own.ok ? own : parseQuantity(text, { dimension: 'volume', units: 'us' })
}

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
