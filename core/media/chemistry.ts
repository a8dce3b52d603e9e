import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { byDefault, handbook } from '../working/source'
import type { Ingredient } from './container-physics'

/** How far a mix's pH may lie from what is reckoned. */
export const PH_UNCERTAINTY = 0.4
/** pH wanted: soilless, and with loam [handbook, from memory]. */
export const PH_WANTED = { soilless: [5.5, 6.3], withLoam: [6.0, 6.8] } as const
/** Dolomitic lime for a litre of raw peat, g; 3–5 [handbook, from memory]. */
const LIME_G_PER_L_PEAT = 4
const RAW_PEAT_PH = 3.9
const LIMED_PH = 5.8

/** Most salts that a stage stands, SME mS/cm [handbook, from memory]. */
export const SALTS_LIMITS_MS_PER_CM = { germination: 1.0, seedlings: 2.0, 'potting on': 3.5 } as const

export interface Chemistry {
  readonly ph: Figure
  readonly phWanted: readonly [low: number, high: number]
  /** Dolomitic lime for a litre of mix, g; 0 where none is needed. */
  readonly limeGPerL: Figure
  readonly saltsMsPerCm: Figure
  /** All nitrogen in a litre of mix, mg. */
  readonly nitrogenMgPerL: Figure
  /** What of it becomes available in 8 weeks at 21 °C, mg. */
  readonly releasedMgPerL: Figure
}

const isPeat = ({ material }: Ingredient) => material.id.startsWith('peat')

/** The pH of a blend, each material weighted by how strongly it buffers [dflt]. */
function phOf(ingredients: readonly Ingredient[]): Figure {
  const holds = (suffix: string, of: 'ph' | 'one') =>
    weightedTotal(
      suffix,
      '',
      ingredients.map(({ material, share }) => ({
        weight: derive(
          `${material.name}: hold on the pH`,
          '',
          'w * b',
          {
            w: share,
            b: given(
              `${material.name}: buffer weight`,
              material.bufferWeight,
              '',
              material.sources.bufferWeight,
            ),
          },
          ({ w, b }) => w * b,
        ),
        figure:
          of === 'ph'
            ? given(`${material.name}: pH`, material.ph, '', material.sources.ph)
            : given('one', 1, '', byDefault('counts the weights')),
      })),
    )
  return derive(
    'pH',
    '',
    'a / b',
    { a: holds('pH, weighted by hold', 'ph'), b: holds('Hold on the pH', 'one') },
    ({ a, b }) => a / b,
    `Not an average: each material counts by how strongly it buffers. Good to ±${PH_UNCERTAINTY}.`,
  )
}

/** Dolomitic lime that brings the peat of a blend to the pH wanted, g a litre [hb: 3–5 g/L of peat to reach 5.8]. */
function limeFor(ingredients: readonly Ingredient[], ph: Figure): Figure {
  const peat = total(
    'Peat',
    'share',
    ingredients.filter(isPeat).map(({ share }) => share),
  )
  return derive(
    'Dolomitic lime a litre',
    'g/L',
    'g * p * max(0, (t - x) / (t - r))',
    {
      g: given(
        'Lime for a litre of raw peat',
        LIME_G_PER_L_PEAT,
        'g/L',
        handbook('3–5 g/L of peat to reach 5.8'),
      ),
      p: peat,
      t: given('pH to reach', LIMED_PH, '', handbook('soilless mixes')),
      x: ph,
      r: given('pH of raw peat', RAW_PEAT_PH, '', handbook('sphagnum peat')),
    },
    ({ g, p, t, x, r }) => g * p * Math.max(0, (t - x) / (t - r)),
    'Only peat wants lime; coir none.',
  )
}

/** Salts of a blend, mS/cm SME: an average by volume [common practice]. */
const saltsOf = (ingredients: readonly Ingredient[]): Figure =>
  weightedTotal(
    'Salts of the mix',
    'mS/cm',
    ingredients.map(({ material, share }) => ({
      weight: share,
      figure: given(`${material.name}: salts`, material.smeEcMsPerCm, 'mS/cm', material.sources.smeEcMsPerCm),
    })),
    'An average by volume, good to about 30 %.',
  )

/** Nitrogen stored in a litre of one material, mg. */
const stored = ({ material }: Ingredient) =>
  derive(
    `${material.name}: nitrogen`,
    'mg/L',
    'd * n * 10',
    {
      d: given(
        `${material.name}: dry bulk density`,
        material.dryBulkDensityGPerL,
        'g/L',
        material.sources.dryBulkDensityGPerL,
      ),
      n: given(`${material.name}: nitrogen`, material.nitrogenPercent, '%', material.sources.nitrogenPercent),
    },
    ({ d, n }) => d * n * 10,
  )

/** What of it becomes available in 8 weeks at 21 °C, mg. */
const released = (ingredient: Ingredient) => {
  const { material } = ingredient
  return derive(
    `${material.name}: released in 8 weeks`,
    'mg/L',
    'N * m',
    {
      N: stored(ingredient),
      m: given(
        `${material.name}: share released`,
        material.mineralised,
        'share',
        material.sources.mineralised,
      ),
    },
    ({ N, m }) => N * m,
  )
}

/** pH, lime, salts and nitrogen of a blend; `loss` is the share of loose volume lost on mixing, 0–1. */
export function chemistryOf(ingredients: readonly Ingredient[], loss: Figure): Chemistry {
  const ph = phOf(ingredients)
  const loam = ingredients.some(({ material }) => material.id === 'loam')
  const phWanted = loam ? PH_WANTED.withLoam : PH_WANTED.soilless
  const mgPerL = (name: string, factor: (ingredient: Ingredient) => Figure) =>
    weightedTotal(
      name,
      'mg/L',
      ingredients.map((ingredient) => ({ weight: ingredient.share, figure: factor(ingredient) })),
    )
  const perMixed = (name: string, loose: Figure) =>
    derive(name, 'mg/L', 'x / (1 - s)', { x: loose, s: loss }, ({ x, s }) => x / (1 - s))
  return {
    ph,
    phWanted,
    limeGPerL: limeFor(ingredients, ph),
    saltsMsPerCm: saltsOf(ingredients),
    nitrogenMgPerL: perMixed('Nitrogen stored', mgPerL('Nitrogen, loose', stored)),
    releasedMgPerL: perMixed('Nitrogen released in 8 weeks', mgPerL('Released, loose', released)),
  }
}
