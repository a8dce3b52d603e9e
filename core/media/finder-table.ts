import type { Container } from '../containers/container'
import { levels } from './container-physics'
import type { Material } from './material'
import { MIXING_LOSS_K, OPENING_K } from './mixing-loss'
import { retentionOf, waterAt } from './retention'

/*
 * What the finder computes a blend with: columns of each material that add up by parts, and the traits that follow from their
 * sums. The same figures as `physicsIn` and `chemistryOf` give, in a handful of additions.
 */

/** What a blend is judged by. */
export const FINDER_TRAITS = ['air', 'water', 'ph', 'salts', 'food', 'cost'] as const
export type FinderTrait = (typeof FINDER_TRAITS)[number]

export interface Table {
  readonly values: Float64Array
  readonly width: number
  /** Coarseness between one threshold column and the next. */
  readonly gaps: Float64Array
}

// Columns of a material: water in the container at some openings of the mix, then these, then one a threshold of coarseness.
const NODES = [0, 1 / 3, 2 / 3, 1].map((u) => 1 + OPENING_K * u)
const [PORES, W10, W50, PH, HOLD, SALTS, FOOD, DRAW, PRICE, FINER] = [4, 5, 6, 7, 8, 9, 10, 11, 12, 13]

export function tabulate({
  materials,
  pricePerL,
  container,
}: {
  readonly materials: readonly Material[]
  readonly pricePerL: readonly number[]
  readonly container: Container
}): Table {
  const at = levels(container.shape)
  const coarseness = [...new Set(materials.map(({ coarse }) => coarse))].sort((a, b) => a - b)
  const gaps = Float64Array.from(coarseness.slice(1), (c, k) => c - coarseness[k]!)
  const width = FINER + gaps.length
  const values = new Float64Array(materials.length * width)
  materials.forEach((material, m) => {
    const curve = retentionOf(material)
    const columns = [
      ...NODES.map((opening) =>
        at.reduce((water, { heightCm, share }) => water + share * waterAt(curve, opening * heightCm), 0),
      ),
      waterAt(curve, 0),
      waterAt(curve, 10),
      waterAt(curve, 50),
      material.ph * material.bufferWeight,
      material.bufferWeight,
      material.smeEcMsPerCm,
      material.dryBulkDensityGPerL * material.nitrogenPercent * 10 * material.mineralised,
      material.drawsNitrogenMgPerL ?? 0,
      pricePerL[m] ?? 0,
      ...Array.from(gaps, (_, k) => (material.coarse <= coarseness[k]! ? 1 : 0)),
    ]
    values.set(columns, m * width)
  })
  return { values, width, gaps }
}

/** How unlike the grains of a blend are: 4 · Σ over the steps of coarseness of what is finer times what is coarser. */
function unlike(sums: Float64Array, each: number, { gaps }: Table): number {
  let d = 0
  for (let k = 0; k < gaps.length; k++) {
    const finer = sums[FINER + k]! * each
    d += gaps[k]! * finer * (1 - finer)
  }
  return 4 * d
}

/** Weights of the nodes of opening for a blend, by Lagrange: water between them is smooth. */
const weights = new Float64Array(NODES.length)
function weigh(unlikeness: number): void {
  const t = unlikeness * 3
  weights[0] = -((t - 1) * (t - 2) * (t - 3)) / 6
  weights[1] = (t * (t - 2) * (t - 3)) / 2
  weights[2] = -(t * (t - 1) * (t - 3)) / 2
  weights[3] = (t * (t - 1) * (t - 2)) / 6
}
const waterOf = (from: Float64Array, at: number) =>
  weights[0]! * from[at]! +
  weights[1]! * from[at + 1]! +
  weights[2]! * from[at + 2]! +
  weights[3]! * from[at + 3]!

/** Writes the blend's traits, and answers what mixing loses of its volume (0–1). */
export function judgeBlend(sums: Float64Array, sum: number, table: Table, traits: Float64Array): number {
  const each = 1 / sum
  const unlikeness = unlike(sums, each, table)
  weigh(unlikeness)
  const loss = MIXING_LOSS_K * unlikeness
  const kept = 1 / (1 - loss)
  traits[0] = (sums[PORES]! - waterOf(sums, 0)) * each
  traits[1] = (sums[W10]! - sums[W50]!) * each
  traits[2] = sums[PH]! / sums[HOLD]!
  traits[3] = sums[SALTS]! * each
  traits[4] = Math.max(0, sums[FOOD]! * kept - sums[DRAW]!) * each
  traits[5] = sums[PRICE]! * each * kept
  return loss
}

/** What one material brings to a trait that is a sum over shares; the weights of the last blend hold. */
export function brings(trait: number, table: Table, m: number): number {
  const at = m * table.width
  const { values } = table
  if (trait === 0) return values[at + PORES]! - waterOf(values, at)
  if (trait === 1) return values[at + W10]! - values[at + W50]!
  if (trait === 3) return values[at + SALTS]!
  return trait === 4 ? values[at + FOOD]! - values[at + DRAW]! : 0
}
