import { derive, given, total, type Figure } from '../working/figure'
import { byDefault, handbook, standard, yours } from '../working/source'
import { elements, type Feed, type NitrogenForms } from './feed'

/** Milligrams in a milliequivalent of each cation [IUPAC atomic masses; charge 1 or 2]. */
const MG_PER_MEQ = { 'NH₄-N': 14.007, K: 39.098, Ca: 40.078 / 2, Mg: 24.305 / 2, Cl: 35.45 } as const
/** Where a label does not say how its nitrogen comes [default]. */
const FORMS_ASSUMED: NitrogenForms = { nitrate: 0.5, ammonium: 0.3, urea: 0.2 }
/** Of an organic liquid's nitrogen little is free when it is poured; the rest conducts nothing until it is let go [default]. */
const ORGANIC_FORMS: NitrogenForms = { nitrate: 0, ammonium: 0.15, urea: 0 }

/** Over the water's own conductivity, a feed above this is a caution, mS/cm by stage [handbook, from memory]. */
export const EC_LIMITS_MS_PER_CM: Readonly<Record<string, number>> = {
  'before-emergence': 0.5,
  'seed-leaves': 1.0,
  'true-leaves': 1.5,
  'growing-on': 2.0,
  'potted-up': 2.0,
  hardening: 1.5,
}

/**
 * What a feed adds to the water's conductivity, mS/cm: the label's slope where it gives one, else the sum of cations in
 * milliequivalents a litre, over ten. Urea adds none; organic nitrogen little. The chloride of fish and seaweed is common
 * salt: it brings as much sodium, which stands in no label.
 */
export function ecOfFeed(feed: Feed, concentrationGPerL: Figure): Figure {
  const label = elements(feed)
  if (feed.ecSlopeMsPerCm != null)
    return derive(
      'EC of the feed',
      'mS/cm',
      'a * c * w * 10 / 100',
      {
        a: given(
          'EC for each 100 mg/L of nitrogen',
          feed.ecSlopeMsPerCm,
          'mS/cm',
          handbook('the label’s slope'),
        ),
        c: concentrationGPerL,
        w: label.n,
      },
      ({ a, c, w }) => (a * c * w * 10) / 100,
      'Over the water’s own.',
    )
  const { ammonium } = feed.nForms ?? (feed.organic ? ORGANIC_FORMS : FORMS_ASSUMED)
  const source = feed.nForms
    ? feed.sources.nForms
    : byDefault(feed.organic ? 'organic nitrogen: little is free at once' : 'the label does not say')
  const cation = (name: keyof typeof MG_PER_MEQ, percent: Figure) =>
    derive(
      `${name} in solution`,
      'meq/L',
      'c * w * 10 / q',
      {
        c: concentrationGPerL,
        w: percent,
        q: given(
          `Milligrams of ${name} in a milliequivalent`,
          MG_PER_MEQ[name],
          'mg',
          standard('IUPAC standard atomic masses'),
        ),
      },
      ({ c, w, q }) => (c * w * 10) / q,
    )
  const percent = (name: string, value: number | undefined) =>
    given(name, value ?? 0, '%', yours('the label'))
  const cations = total('Cations', 'meq/L', [
    cation(
      'NH₄-N',
      derive(
        'Nitrogen as ammonium',
        '%',
        'n * f',
        { n: label.n, f: given('Ammonium, of the nitrogen', ammonium, 'share', source) },
        ({ n, f }) => n * f,
      ),
    ),
    cation('K', label.k),
    cation('Ca', percent('Calcium', feed.caPercent)),
    cation('Mg', percent('Magnesium', feed.mgPercent)),
    ...(feed.clPercent
      ? [cation('Cl', given('Chloride, as common salt', feed.clPercent, '%', feed.sources.clPercent))]
      : []),
  ])
  return derive(
    'EC of the feed',
    'mS/cm',
    'm / 10',
    { m: cations },
    ({ m }) => m / 10,
    'Σ cations in meq/L over ten; over the water’s own. Urea adds none.',
  )
}
