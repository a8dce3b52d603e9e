import { within, type Problem, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import type { Sourced } from '../catalogue'
import { byDefault, standard } from '../working/source'

const ATOMIC_MASSES = standard('IUPAC standard atomic masses')

/** Phosphorus in P₂O₅, by mass. */
export const P_IN_P2O5 = 0.4364
/** Potassium in K₂O, by mass. */
export const K_IN_K2O = 0.8301

export type FeedForm = 'powder' | 'liquid'

/** What a label says of a feed, and a household can correct. */
export const FEED_FIGURES = [
  'nPercent',
  'p2o5Percent',
  'k2oPercent',
  'densityGPerMl',
  'labelRatePerL',
  'organic',
  'caPercent',
  'mgPercent',
  'sPercent',
  'fePercent',
  'clPercent',
  'nForms',
  'ecSlopeMsPerCm',
  'use',
  'strengthGuessed',
] as const
export type FeedFigure = (typeof FEED_FIGURES)[number]

/** A feed as its label gives it: N – P₂O₅ – K₂O, in that order, per cent by mass. */
export interface Feed extends Sourced<FeedFigure> {
  readonly id: string
  readonly name: string
  readonly form: FeedForm
  readonly nPercent: number
  readonly p2o5Percent: number
  readonly k2oPercent: number
  /** Density of a liquid, or bulk density of a powder, g/mL; null when the label does not say. */
  readonly densityGPerMl: number | null
  /** The label's own rate, g/L for a powder and mL/L for a liquid; null when unknown. */
  readonly labelRatePerL: number | null
  /** Nitrogen bound in organic matter: little of it is available at once. */
  readonly organic: boolean
  /** Calcium, magnesium and sulphur as elements, per cent by mass; 0 where nothing is said. */
  readonly caPercent?: number
  readonly mgPercent?: number
  readonly sPercent?: number
  /** Iron, and chloride, per cent by mass; 0 where nothing is said. */
  readonly fePercent?: number
  readonly clPercent?: number
  /** How the nitrogen comes, fractions of it that are nitrate, ammonium and urea; the rest is organic. Null when unknown. */
  readonly nForms?: NitrogenForms | null
  /** Electrical conductivity of the feed in pure water, mS/cm for each 100 mg/L of nitrogen; null when unknown. */
  readonly ecSlopeMsPerCm?: number | null
  /** Dissolved in water, or mixed into the medium and left to let go. */
  readonly use?: 'dissolved' | 'mixed in'
  /** A brew whose label numbers are a guess. */
  readonly strengthGuessed?: boolean
  /** What is let go when. */
  readonly release?: string
}

export interface NitrogenForms {
  readonly nitrate: number
  readonly ammonium: number
  readonly urea: number
}

/** Assumed where a label does not say, g/mL [default]: powders lie at 0.8–1.1, liquid feeds at 1.05–1.3. */
export const ASSUMED_DENSITY_G_PER_ML: Readonly<Record<FeedForm, number>> = { powder: 0.95, liquid: 1.15 }

/** Whether a strength in nitrogen can be mixed from it: it holds some, and dissolves. */
export const dissolvesNitrogen = (feed: Feed) => feed.nPercent > 0 && feed.use !== 'mixed in'

/** What is wrong with a label, each at its field. */
export function feedProblems(feed: Feed): Problem[] {
  const { nPercent, p2o5Percent, k2oPercent } = feed
  const sum = nPercent + p2o5Percent + k2oPercent
  const each = [
    ...within(['nPercent'], nPercent, 0, 100, '%'),
    ...within(['p2o5Percent'], p2o5Percent, 0, 100, '%'),
    ...within(['k2oPercent'], k2oPercent, 0, 100, '%'),
  ]
  return [
    ...each,
    ...(each.length === 0 && sum > 100 ? [wrongAt(['nPercent'], 'feedOver100', { sum })] : []),
    ...(each.length === 0 &&
    sum + (feed.caPercent ?? 0) + (feed.mgPercent ?? 0) + (feed.sPercent ?? 0) + (feed.fePercent ?? 0) === 0
      ? [wrongAt(['nPercent'], 'feedEmpty')]
      : []),
    ...(['caPercent', 'mgPercent', 'sPercent', 'fePercent', 'clPercent'] as const).flatMap((key) =>
      within([key], feed[key] ?? 0, 0, 60, '%'),
    ),
    ...(feed.nForms ? nitrogenFormProblems(feed.nForms) : []),
    ...(feed.ecSlopeMsPerCm == null
      ? []
      : within(['ecSlopeMsPerCm'], feed.ecSlopeMsPerCm, 0.01, 10, 'mS/cm')),
    ...(feed.densityGPerMl === null ? [] : within(['densityGPerMl'], feed.densityGPerMl, 0.2, 2.5, 'g/mL')),
    ...(feed.labelRatePerL === null ? [] : within(['labelRatePerL'], feed.labelRatePerL, 0.001, 1000)),
  ]
}

function nitrogenFormProblems(forms: NitrogenForms): Problem[] {
  const each = (['nitrate', 'ammonium', 'urea'] as const).flatMap((key) =>
    within(['nForms', key], forms[key], 0, 1, 'share'),
  )
  const sum = forms.nitrate + forms.ammonium + forms.urea
  return each.length || sum <= 1 + 1e-9 ? each : [wrongAt(['nForms', 'nitrate'], 'formsOver100')]
}

export interface Elements {
  /** Per cent of the feed's mass. */
  readonly n: Figure
  readonly p: Figure
  readonly k: Figure
}

/** The label's oxides as elements, per cent by mass. */
export function elements(feed: Feed): Elements {
  const label = (name: string, key: 'nPercent' | 'p2o5Percent' | 'k2oPercent') =>
    given(name, feed[key], '%', feed.sources[key])
  return {
    n: label('Nitrogen on the label', 'nPercent'),
    p: derive(
      'Phosphorus',
      '%',
      'x * o',
      {
        x: given('P in P₂O₅', P_IN_P2O5, '', ATOMIC_MASSES),
        o: label('P₂O₅ on the label', 'p2o5Percent'),
      },
      ({ x, o }) => x * o,
    ),
    k: derive(
      'Potassium',
      '%',
      'x * o',
      { x: given('K in K₂O', K_IN_K2O, '', ATOMIC_MASSES), o: label('K₂O on the label', 'k2oPercent') },
      ({ x, o }) => x * o,
    ),
  }
}

/** g/mL: the label's, or the assumption, which then says so. */
export function density(feed: Feed): Figure {
  const name = feed.form === 'powder' ? 'Bulk density' : 'Density'
  return feed.densityGPerMl === null
    ? given(
        name,
        ASSUMED_DENSITY_G_PER_ML[feed.form],
        'g/mL',
        byDefault(
          feed.form === 'powder' ? 'powders lie at 0.8–1.1 g/mL' : 'liquid feeds lie at 1.05–1.3 g/mL',
        ),
      )
    : given(name, feed.densityGPerMl, 'g/mL', feed.sources.densityGPerMl)
}
