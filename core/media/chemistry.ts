import { present } from '../present'
import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { handbook, standard, yours } from '../working/source'
import type { Ingredient } from './ingredient'
import { materialIn, type Material, type MaterialLibrary } from './material'
import type { Extra } from './recipe'

/** How far a mix's pH may lie from what is computed. */
export const PH_UNCERTAINTY = 0.4
/** pH wanted: soilless, and what pure loam wants more [handbook, from memory]. */
const PH_SOILLESS = [5.5, 6.3] as const
const PH_MORE_ON_LOAM = 0.5
/** Dolomitic lime that moves a litre of raw peat by one pH, g: 3–5 g take it from 3.9 to 5.8 [handbook, from memory]. */
const LIME_G_PER_PH = 4 / 1.9
/** What lime is dosed to reach. */
const LIMED_PH = 5.8
/** Lime moves a mix towards this and no further: chalk in water and air [standard: calcite at the pressure of carbon dioxide in air]. */
const CHALK_PH = 8.3

/** Most salts that a stage stands, SME mS/cm [handbook, from memory]. */
export const SALTS_LIMITS_MS_PER_CM = { germination: 1.0, seedlings: 2.0, 'potting on': 3.5 } as const

export interface Chemistry {
  /** With its lime and other extras. */
  readonly ph: Figure
  /** Before lime and other extras. */
  readonly phWithoutLime: Figure
  readonly phWanted: readonly [low: number, high: number]
  /** Dolomitic lime that is wanted in a litre of mix, g; 0 where none is. */
  readonly limeGPerL: Figure
  /** What its extras come to as dolomitic lime, g a litre. */
  readonly limedGPerL: Figure
  readonly saltsMsPerCm: Figure
  /** All nitrogen in a litre of mix, mg. */
  readonly nitrogenMgPerL: Figure
  /** What becomes available in 8 weeks at 21 °C, what rotting takes up subtracted, mg. */
  readonly releasedMgPerL: Figure
  /** What is soluble from the day of mixing, mg: the charge of a bagged mix. */
  readonly starterMgPerL: Figure
}

/** An amendment in a mix, by the finished litre. */
export interface Dosed {
  readonly material: Material
  readonly gPerL: number
}

/** The extras of a recipe with their materials. */
export const dosed = (extras: readonly Extra[], materials: MaterialLibrary): Dosed[] =>
  extras.map(({ materialId, gPerL }) => ({ material: materialIn(materials, materialId), gPerL }))

/** How strongly the materials of a blend hold its pH, by weight of their hold [default]. */
const holdOf = (ingredients: readonly Ingredient[]) =>
  weightedTotal(
    'Hold on the pH',
    '',
    ingredients.map(({ material, share }) => ({
      weight: share,
      figure: given(
        `${material.name}: buffer weight`,
        material.bufferWeight,
        '',
        material.sources.bufferWeight,
      ),
    })),
  )

/** The pH of a blend, each material weighted by how strongly it buffers [default]. */
function phOf(ingredients: readonly Ingredient[], hold: Figure): Figure {
  const weighted = weightedTotal(
    'pH, weighted by hold',
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
      figure: given(`${material.name}: pH`, material.ph, '', material.sources.ph),
    })),
  )
  return derive(
    'pH of the materials',
    '',
    'a / b',
    { a: weighted, b: hold },
    ({ a, b }) => a / b,
    `Not an average: each material counts by how strongly it buffers. Good to ±${PH_UNCERTAINTY}.`,
  )
}

const perPh = given(
  'Dolomitic lime that moves a litre of peat by one pH',
  LIME_G_PER_PH,
  'g/L',
  handbook('3–5 g/L of peat to reach 5.8'),
)

/** What the extras of a mix come to as dolomitic lime, g a litre. */
const limedBy = (extras: readonly Dosed[]) =>
  weightedTotal(
    'Lime in it, as dolomitic',
    'g/L',
    extras.flatMap(({ material, gPerL }) =>
      material.perGram?.limeG
        ? [
            {
              weight: given(`${material.name} a litre`, gPerL, 'g/L', yours('the recipe')),
              figure: given(`${material.name}: as lime`, material.perGram.limeG, '', material.perGram.source),
            },
          ]
        : [],
    ),
  )

/** The pH with its lime: moved by what its materials do not hold, and no further than chalk goes. */
const limedPh = (ph: Figure, hold: Figure, limed: Figure) =>
  derive(
    'pH',
    '',
    'max(x, min(c, x + g / (r * b)))',
    {
      x: ph,
      g: limed,
      r: perPh,
      b: hold,
      c: given('pH of chalk in water', CHALK_PH, '', standard('calcite in water under air')),
    },
    ({ x, g, r, b, c }) => Math.max(x, Math.min(c, x + g / (r * b))),
    `Lime acts within some weeks in moist mix. Good to ±${PH_UNCERTAINTY}.`,
  )

/** Dolomitic lime that brings a blend to the pH wanted, g a litre [hb: 3–5 g/L of peat to reach 5.8]. */
const limeFor = (ph: Figure, hold: Figure) =>
  derive(
    'Dolomitic lime a litre',
    'g/L',
    'r * b * max(0, t - x)',
    { r: perPh, b: hold, t: given('pH to reach', LIMED_PH, '', handbook('soilless mixes')), x: ph },
    ({ r, b, t, x }) => r * b * Math.max(0, t - x),
    'Acid peat needs lime; coir none.',
  )

/** Salts of a blend, mS/cm SME: an average by volume [common practice], and what its extras dissolve. */
const saltsOf = (ingredients: readonly Ingredient[], extras: readonly Dosed[]): Figure =>
  total(
    'Salts of the mix',
    'mS/cm',
    [
      weightedTotal(
        'Salts of the materials',
        'mS/cm',
        ingredients.map(({ material, share }) => ({
          weight: share,
          figure: given(
            `${material.name}: salts`,
            material.smeEcMsPerCm,
            'mS/cm',
            material.sources.smeEcMsPerCm,
          ),
        })),
      ),
      ...extras.flatMap(({ material, gPerL }) =>
        material.perGram
          ? [
              derive(
                `Salts of ${material.name.toLowerCase()}`,
                'mS/cm',
                'min(m, g * k)',
                {
                  g: given(`${material.name} a litre`, gPerL, 'g/L', yours('the recipe')),
                  k: given(
                    `${material.name}: salts of a gram`,
                    material.perGram.saltsMsPerCm,
                    'mS/cm',
                    material.perGram.source,
                  ),
                  m: given(
                    `${material.name}: what dissolves at most`,
                    material.perGram.mostSaltsMsPerCm,
                    'mS/cm',
                    material.perGram.source,
                  ),
                },
                ({ g, k, m }) => Math.min(m, g * k),
              ),
            ]
          : [],
      ),
    ],
    'An average by volume, good to about 30 %.',
  )

/** Nitrogen in a gram of a material's dry mass, mg, and what of it is released in 8 weeks at 21 °C. */
function nitrogenOf({ name, nitrogenPercent, mineralised, sources }: Material) {
  const stored = derive(
    `${name}: nitrogen in a gram`,
    'mg/g',
    'n * 10',
    { n: given(`${name}: nitrogen`, nitrogenPercent, '%', sources.nitrogenPercent) },
    ({ n }) => n * 10,
  )
  const released = derive(
    `${name}: released in 8 weeks`,
    'mg/g',
    'N * m',
    { N: stored, m: given(`${name}: share released`, mineralised, 'share', sources.mineralised) },
    ({ N, m }) => N * m,
  )
  return { stored, released }
}

/**
 * pH, lime, salts and nitrogen of a mix.
 *
 * @param loss share of loose volume lost on mixing, 0–1
 * @param extras by the litre of finished mix: what mixing loses is not counted again
 */
export function chemistryOf(
  ingredients: readonly Ingredient[],
  loss: Figure,
  extras: readonly Dosed[] = [],
): Chemistry {
  const hold = holdOf(ingredients)
  const phWithoutLime = phOf(ingredients, hold)
  const limedGPerL = limedBy(extras)
  const loam = ingredients.reduce(
    (sum, { material, share }) => sum + (material.id === 'loam' ? share.value : 0),
    0,
  )
  const perMixed = (name: string, of: (material: Material) => Figure) =>
    derive(
      name,
      'mg/L',
      'x / (1 - s)',
      {
        x: weightedTotal(
          `${name}, loose`,
          'mg/L',
          ingredients.map(({ material, share }) => ({
            weight: share,
            figure: derive(
              `${material.name}: in a litre`,
              'mg/L',
              'd * n',
              {
                d: given(
                  `${material.name}: dry bulk density`,
                  material.dryBulkDensityGPerL,
                  'g/L',
                  material.sources.dryBulkDensityGPerL,
                ),
                n: of(material),
              },
              ({ d, n }) => d * n,
            ),
          })),
        ),
        s: loss,
      },
      ({ x, s }) => x / (1 - s),
    )
  const fromExtras = (name: string, of: (material: Material) => Figure) =>
    weightedTotal(
      name,
      'mg/L',
      extras.map(({ material, gPerL }) => ({
        weight: given(`${material.name} a litre`, gPerL, 'g/L', yours('the recipe')),
        figure: of(material),
      })),
    )
  const stored = (material: Material) => nitrogenOf(material).stored
  const released = (material: Material) => nitrogenOf(material).released
  const ofLitres = (name: string, pick: (material: Material) => number | undefined, why: string) =>
    weightedTotal(
      name,
      'mg/L',
      ingredients.flatMap(({ material, share }) =>
        pick(material)
          ? [
              {
                weight: share,
                figure: given(`${material.name}: ${why}`, present(pick(material)), 'mg/L', FROM_MEMORY),
              },
            ]
          : [],
      ),
    )
  return {
    ph: limedPh(phWithoutLime, hold, limedGPerL),
    phWithoutLime,
    phWanted: [PH_SOILLESS[0] + PH_MORE_ON_LOAM * loam, PH_SOILLESS[1] + PH_MORE_ON_LOAM * loam],
    limeGPerL: limeFor(phWithoutLime, hold),
    limedGPerL,
    saltsMsPerCm: saltsOf(ingredients, extras),
    nitrogenMgPerL: total('Nitrogen stored', 'mg/L', [
      perMixed('Nitrogen of the materials', stored),
      fromExtras('Nitrogen of the extras', stored),
    ]),
    releasedMgPerL: derive(
      'Nitrogen released in 8 weeks',
      'mg/L',
      'max(0, m + e - t)',
      {
        m: perMixed('Released by the materials', released),
        e: fromExtras('Released by the extras', released),
        t: ofLitres('Taken up by rotting wood', (one) => one.drawsNitrogenMgPerL, 'nitrogen taken up'),
      },
      ({ m, e, t }) => Math.max(0, m + e - t),
    ),
    starterMgPerL: ofLitres('Soluble when it is mixed', (one) => one.starterNMgPerL, 'soluble nitrogen'),
  }
}

const FROM_MEMORY = handbook(
  'bagged mixes hold 70–250 mg/L; fresh wood and bark take up some 100 mg/L; differs by batch',
)
