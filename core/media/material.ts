import type { Catalogue, Sourced } from '../catalogue'
import type { CautionId } from '../cautions/caution'
import { within, type Problem, wrongAt } from '../problem'
import type { CoirYield } from './hydration'
import { fitError } from './retention'
import type { Source } from '../working/source'

/** How a material comes from the shop. A compressed block is bought by dry mass and grows when wetted. */
export type Pack =
  | { readonly id: string; readonly name: string; readonly volumeL: number }
  | { readonly id: string; readonly name: string; readonly dryMassG: number }

/** What a gram of an amendment does in a litre of mix within some weeks. */
export interface PerGram {
  /** Acid it takes away, as grams of dolomitic lime. */
  readonly limeG: number
  /** Salts it adds, mS/cm SME, as far as it dissolves. */
  readonly saltsMsPerCm: number
  /** Most salts it can add, mS/cm: what dissolves of it. */
  readonly mostSaltsMsPerCm: number
  readonly source: Source
}

/** The figures of a material that are measured, and can be corrected. */
export interface MaterialFigures {
  /** Water held as a fraction of volume at a suction of 0 cm of water: all pores. */
  readonly theta0: number
  /** … at 10 cm. */
  readonly theta10: number
  /** … at 50 cm. */
  readonly theta50: number
  /** … at 100 cm. */
  readonly theta100: number
  readonly dryBulkDensityGPerL: number
  readonly ph: number
  /** Electrical conductivity of the saturated media extract, mS/cm. */
  readonly smeEcMsPerCm: number
  /** Organic matter as a fraction of dry mass. */
  readonly organic: number
  /** Nitrogen, per cent of dry mass. */
  readonly nitrogenPercent: number
  /** Fraction of that nitrogen that becomes available in 8 weeks at 21 °C. */
  readonly mineralised: number
  /** How strongly it holds the mix to its own pH, 0–1. */
  readonly bufferWeight: number
  /** Coarseness of its grains, from 0 (peat) to 1 (coarse perlite): fine material falls into the gaps of coarse. */
  readonly coarse: number
  /** How much it sinks when the filled container is tapped, as a fraction of its volume. */
  readonly settling: number
  /** Water in it as it is bought, a fraction of its weight. */
  readonly moisture: number
}

export const MATERIAL_FIGURES = [
  'theta0',
  'theta10',
  'theta50',
  'theta100',
  'dryBulkDensityGPerL',
  'ph',
  'smeEcMsPerCm',
  'organic',
  'nitrogenPercent',
  'mineralised',
  'bufferWeight',
  'coarse',
  'settling',
  'moisture',
] as const satisfies readonly (keyof MaterialFigures)[]
export type MaterialFigure = keyof MaterialFigures

export interface Material extends MaterialFigures, Sourced<MaterialFigure> {
  readonly id: string
  readonly name: string
  /** A medium makes up the volume; an amendment is dosed by the gram and adds none. */
  readonly kind: 'medium' | 'amendment'
  /** Ready mixed in a bag, dry or damp as it was stored: how damp is asked. */
  readonly bagged?: boolean
  /** What a gram of it does to a litre of mix, for what is dosed by the gram. */
  readonly perGram?: PerGram
  /** Nitrogen in a litre of it that is soluble when it is mixed, mg: the charge of a bagged mix, 70–250 [handbook, from memory]. */
  readonly starterNMgPerL?: number
  /** Nitrogen that a litre of it takes up while it rots, in 8 weeks, mg [handbook, from memory]. */
  readonly drawsNitrogenMgPerL?: number
  /** Bought pressed and dry, and wetted before use. */
  readonly compressed?: boolean
  /** What a kilogram of it gave in the household’s own soaks. */
  readonly coirYield?: CoirYield
  readonly packs: readonly Pack[]
  readonly hazards: readonly CautionId[]
  /** A line on where it comes from and what that costs the world. */
  readonly sustainability: string
}

/**
 * What must not be cooked: its life is what it is put in for. Kept out of hot water, and stirred in once it has cooled.
 *
 * @example isAlive({ kind: 'medium', hazards: ['microbes'], bagged: true }) // false
 */
export const isAlive = ({ kind, hazards, bagged }: Pick<Material, 'kind' | 'hazards' | 'bagged'>): boolean =>
  kind === 'medium' && hazards.includes('microbes') && !bagged

/** The materials a household knows, by id: the built-in ones, with its own beside or over them. */
export type MaterialLibrary = Catalogue<Material>

/**
 * @throws RangeError for an unknown id.
 * @example materialIn(BUILT_IN, 'perlite').id // 'perlite'
 * @example materialIn(BUILT_IN, 'moon') // throws RangeError
 */
export function materialIn(library: MaterialLibrary, id: string): Material {
  const material = library.get(id)
  if (!material) throw new RangeError(`material: '${id}' is not known`)
  return material
}

/** What is wrong with a material's figures, each at its field. */
export function materialProblems(figures: MaterialFigures): Problem[] {
  const { theta0, theta10, theta50, theta100 } = figures
  const fraction = (key: MaterialFigure) => within([key], figures[key], 0, 1, 'share')
  const falls = (key: MaterialFigure, value: number, before: number, beforeText: string): Problem[] =>
    value > before ? [wrongAt([key], 'holdsMoreDrier', { suction: beforeText })] : []
  return [
    ...within(['theta0'], theta0, 0.1, 0.99, 'share'),
    ...(
      ['theta10', 'theta50', 'theta100', 'organic', 'mineralised', 'bufferWeight', 'coarse'] as const
    ).flatMap(fraction),
    ...falls('theta10', theta10, theta0, '0 kPa'),
    ...falls('theta50', theta50, theta10, '1 kPa'),
    ...falls('theta100', theta100, theta50, '5 kPa'),
    ...within(['dryBulkDensityGPerL'], figures.dryBulkDensityGPerL, 5, 2700, 'g/L'),
    ...within(['ph'], figures.ph, 2, 12),
    ...within(['smeEcMsPerCm'], figures.smeEcMsPerCm, 0, 20, 'mS/cm'),
    ...within(['nitrogenPercent'], figures.nitrogenPercent, 0, 30, '%'),
    ...within(['settling'], figures.settling, 0, 0.5, 'share'),
    ...within(['moisture'], figures.moisture, 0, 0.9, 'share'),
    ...curveProblems(figures),
  ]
}

/** A curve that passes its points by more than this, of volume, describes nothing [default]. */
const FIT_NONSENSE = 0.08

/** Points that no curve of a growing medium goes through, each told at its field. */
function curveProblems({
  theta0,
  theta10,
  theta50,
  theta100,
  dryBulkDensityGPerL,
  organic,
}: MaterialFigures): Problem[] {
  const falls = theta0 >= theta10 && theta10 >= theta50 && theta50 >= theta100
  // A solid takes its room: dry weight over the density of its grains (EN 13041).
  const solid = dryBulkDensityGPerL * (organic / 1550 + (1 - organic) / 2650)
  return [
    ...(falls && theta0 === theta100 ? [wrongAt(['theta10'], 'nothingDrains')] : []),
    ...(falls && fitError([theta0, theta10, theta50, theta100]) > FIT_NONSENSE
      ? [wrongAt(['theta50'], 'noCurve')]
      : []),
    ...(theta0 + solid > 1.15
      ? [
          wrongAt(['theta0'], 'poresTooMany', {
            g: Math.round(dryBulkDensityGPerL),
            percent: Math.max(1, Math.round((1 - solid) * 100)),
          }),
        ]
      : []),
  ]
}
