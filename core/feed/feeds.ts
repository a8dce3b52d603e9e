import { builtIn } from '../catalogue'
import { byDefault, handbook, practice, standard, type Source } from '../working/source'
import { FEED_FIGURES, type Feed, type FeedFigure, type NitrogenForms } from './feed'

type Sketch = Pick<Feed, 'id' | 'name'> & {
  /** Label numbers, N – P₂O₅ – K₂O. */
  readonly label: readonly [n: number, p2o5: number, k2o: number]
  /** Calcium, magnesium, sulphur, per cent. */
  readonly more?: readonly [ca: number, mg: number, s: number]
  readonly iron?: number
  /** Chloride that comes as common salt, per cent. */
  readonly chloride?: number
  /** Label rate, g/L or mL/L; null where there is none. */
  readonly rate: number | null
  readonly density?: number
  /** Nitrogen as nitrate, ammonium and urea, fractions. */
  readonly forms?: readonly [nitrate: number, ammonium: number, urea: number]
  readonly slope?: number
  readonly release: string
  /** Where the label numbers come from; the other figures say for themselves. */
  readonly from: Source
}

const LABELS = practice('what labels of such feeds commonly say')
const FORMULA = standard('its formula, by IUPAC standard atomic masses; fertiliser grade')
const ANALYSES = handbook('published analyses of such liquids, which scatter widely')
const GUESS = byDefault('a guess: home brews differ tenfold')
const SLOPES = handbook('extension tables of conductivity by feed')
const DENSITIES = handbook('densities of such feeds')

const sourcesOf = (from: Source): Record<FeedFigure, Source> => ({
  ...(Object.fromEntries(FEED_FIGURES.map((key) => [key, from])) as Record<FeedFigure, Source>),
  labelRatePerL: from === GUESS ? GUESS : LABELS,
  densityGPerMl: DENSITIES,
  ecSlopeMsPerCm: SLOPES,
})

const forms = (list: Sketch['forms']): NitrogenForms | null =>
  list ? { nitrate: list[0], ammonium: list[1], urea: list[2] } : null

const make = (
  form: Feed['form'],
  {
    id,
    name,
    label,
    more = [0, 0, 0],
    iron = 0,
    chloride = 0,
    rate,
    density,
    forms: nForms,
    slope,
    release,
    from,
  }: Sketch,
  over: Partial<Feed> = {},
): Feed => ({
  id,
  name,
  form,
  nPercent: label[0],
  p2o5Percent: label[1],
  k2oPercent: label[2],
  densityGPerMl: density ?? null,
  labelRatePerL: rate,
  organic: false,
  caPercent: more[0],
  mgPercent: more[1],
  sPercent: more[2],
  fePercent: iron,
  clPercent: chloride,
  nForms: forms(nForms),
  ecSlopeMsPerCm: slope ?? null,
  use: 'dissolved',
  strengthGuessed: false,
  release,
  sources: sourcesOf(from),
  ...over,
})
const soluble = (sketch: Sketch) => make('powder', sketch)
const liquid = (sketch: Sketch) => make('liquid', sketch)
const organic = (sketch: Sketch) => make('liquid', sketch, { organic: true })
const brew = (sketch: Sketch) => make('liquid', sketch, { organic: true, strengthGuessed: true })
const granular = (sketch: Sketch) => make('powder', sketch, { organic: true, use: 'mixed in' })

const AT_ONCE = 'All of it is there at once, and washes out.'
const WEEKS = 'A third to two thirds over four to eight weeks; warmth speeds it.'

/**
 * Generic feeds; each row says where its numbers come from.
 */
// prettier-ignore
export const FEEDS: readonly Feed[] = [
  soluble({ from: LABELS, id: 'balanced-20', name: 'Balanced soluble powder', label: [20, 20, 20], rate: 1, forms: [0.28, 0.2, 0.52], slope: 0.4, release: AT_ONCE }),
  soluble({ from: LABELS, id: 'potash-12', name: 'High-potash soluble powder', label: [12, 15, 30], rate: 1.25, forms: [0.7, 0.3, 0], slope: 0.9, release: AT_ONCE }),
  soluble({ from: LABELS, id: 'seedling-15', name: 'Low-phosphate seedling powder', label: [15, 5, 15], more: [5, 2, 0], rate: 0.7, forms: [0.78, 0.1, 0.12], slope: 0.67, release: AT_ONCE }),
  soluble({ from: LABELS, id: 'all-purpose-24', name: 'All-purpose soluble powder, 24-8-16', label: [24, 8, 16], rate: 1, forms: [0.05, 0.15, 0.8], slope: 0.35, release: 'Most of it urea: in days, once life in the mix has split it.' }),
  soluble({ from: FORMULA, id: 'potassium-sulphate', name: 'Potassium sulphate', label: [0, 0, 50], more: [0, 0, 18], rate: 0.4, density: 1.2, release: AT_ONCE }),
  soluble({ from: FORMULA, id: 'calcium-nitrate', name: 'Calcium nitrate', label: [15.5, 0, 0], more: [19, 0, 0], rate: 0.6, density: 1.05, forms: [0.93, 0.07, 0], release: AT_ONCE }),
  soluble({ from: FORMULA, id: 'potassium-nitrate', name: 'Potassium nitrate', label: [13, 0, 46], rate: 0.6, density: 1.1, forms: [1, 0, 0], release: AT_ONCE }),
  soluble({ from: FORMULA, id: 'monopotassium-phosphate', name: 'Monopotassium phosphate', label: [0, 52, 34], rate: 0.3, density: 1.1, release: AT_ONCE }),
  soluble({ from: FORMULA, id: 'magnesium-sulphate', name: 'Magnesium sulphate, hydrated', label: [0, 0, 0], more: [0, 9.8, 13], rate: 0.5, density: 1.0, release: AT_ONCE }),
  soluble({ from: FORMULA, id: 'ammonium-sulphate', name: 'Ammonium sulphate', label: [21, 0, 0], more: [0, 0, 24], rate: 0.3, density: 1.0, forms: [0, 1, 0], release: 'At once, and it makes the mix more acid.' }),
  soluble({ from: FORMULA, id: 'urea', name: 'Urea', label: [46, 0, 0], rate: 0.2, density: 0.75, forms: [0, 0, 1], release: 'In days, once life in the mix has split it.' }),
  soluble({ from: LABELS, id: 'iron-chelate', name: 'Iron chelate, 6 % DTPA', label: [0, 0, 0], iron: 6, rate: 0.05, density: 0.7, release: 'At once, up to about pH 7; greens the newest leaves in a week.' }),
  liquid({ from: LABELS, id: 'liquid-5', name: 'Balanced liquid feed', label: [5, 5, 5], rate: 5, density: 1.15, forms: [0.4, 0.3, 0.3], release: AT_ONCE }),
  liquid({ from: LABELS, id: 'tomato-liquid', name: 'High-potash liquid feed', label: [4, 3, 8], rate: 4.5, density: 1.16, forms: [0.5, 0.3, 0.2], release: AT_ONCE }),
  liquid({ from: LABELS, id: 'liquid-9', name: 'Liquid feed, 9-3-6', label: [9, 3, 6], rate: 0.65, density: 1.2, forms: [0.3, 0.2, 0.5], release: AT_ONCE }),
  liquid({ from: LABELS, id: 'liquid-4', name: 'Liquid feed, 4-3-6', label: [4, 3, 6], rate: 4, density: 1.14, forms: [0.5, 0.3, 0.2], release: AT_ONCE }),
  liquid({ from: LABELS, id: 'ready-mixed', name: 'Ready-mixed feed, poured as it is', label: [0.01, 0.005, 0.012], rate: 1000, density: 1.0, forms: [0.6, 0.2, 0.2], release: 'All of it is there at once; open bottles keep to the day on their label.' }),
  organic({ from: ANALYSES, id: 'fish', name: 'Fish hydrolysate', label: [2, 4, 1], chloride: 0.5, rate: 8, density: 1.15, release: WEEKS }),
  organic({ from: ANALYSES, id: 'fish-seaweed', name: 'Fish and seaweed liquid', label: [2, 3, 1], chloride: 0.8, rate: 15.6, density: 1.15, release: WEEKS }),
  organic({ from: ANALYSES, id: 'kelp', name: 'Kelp liquid', label: [0.1, 0, 1], chloride: 0.8, rate: 5, density: 1.08, release: 'Potash at once, next to no nitrogen.' }),
  brew({ from: GUESS, id: 'plant-ferment', name: 'Fermented plant juice', label: [0.3, 0.1, 0.4], chloride: 0.1, rate: 2, density: 1.1, release: 'Of unknown strength; by custom 1 part in 500.' }),
  brew({ from: GUESS, id: 'nettle-brew', name: 'Nettle brew', label: [0.06, 0.02, 0.07], chloride: 0.01, rate: 100, density: 1.0, release: 'Of unknown strength; by custom one part in ten.' }),
  brew({ from: GUESS, id: 'comfrey-brew', name: 'Comfrey brew', label: [0.02, 0.03, 0.3], chloride: 0.02, rate: 70, density: 1.0, release: 'Of unknown strength; by custom one part in fifteen; potash first.' }),
  brew({ from: GUESS, id: 'compost-tea', name: 'Compost tea', label: [0.02, 0.01, 0.03], rate: 200, density: 1.0, release: 'More life than food.' }),
  brew({ from: GUESS, id: 'casting-tea', name: 'Worm-casting tea', label: [0.015, 0.01, 0.02], rate: 300, density: 1.0, release: 'More life than food.' }),
  granular({ from: LABELS, id: 'granular-5', name: 'Granular organic feed', label: [5, 3, 5], rate: 3, density: 0.75, release: 'Half of it over two months.' }),
  granular({ from: LABELS, id: 'blood-fish-bone', name: 'Blood, fish and bone', label: [5, 5, 6], rate: 2, density: 0.85, release: 'The blood in weeks, the bone in a year.' }),
  granular({ from: LABELS, id: 'poultry-pellets', name: 'Pelleted poultry manure', label: [4, 3, 2.5], rate: 4, density: 0.65, release: 'Half of it over two months, the first in a week.' }),
  make('powder', { from: LABELS, id: 'slow-release', name: 'Coated slow-release feed', label: [15, 9, 11], more: [0, 1, 4], rate: 3, density: 1.0, release: 'Evenly over three to four months at 21 °C; twice as fast at 30.' }, { use: 'mixed in' }),
]

export const BUILT_IN_FEEDS = builtIn(FEEDS)
