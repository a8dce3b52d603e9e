import type { CautionId } from '../cautions/caution'
import type { Source } from '../working/source'

/** How a material comes from the shop. A compressed block is bought by dry mass and grows when wetted. */
export type Pack =
  | { readonly id: string; readonly name: string; readonly volumeL: number }
  | { readonly id: string; readonly name: string; readonly dryMassG: number }

export interface Material {
  readonly id: string
  readonly name: string
  /** Water held as a fraction of volume at suctions of 0, 10, 50 and 100 cm of water. */
  readonly retention: readonly [theta0: number, theta10: number, theta50: number, theta100: number]
  readonly dryBulkDensityGPerL: number
  readonly ph: number
  /** Electrical conductivity of the saturated media extract, mS/cm. */
  readonly smeEcMsPerCm: number
  /** Organic matter as a fraction of dry mass. */
  readonly organic: number
  /** How much of it acts as coarse grains when mixed, 0–1: fine material falls into the gaps of coarse. */
  readonly coarse: number
  /** How much it sinks when the filled container is tapped, as a fraction of its volume. */
  readonly settling: number
  /** Bought pressed and dry, and wetted before use. */
  readonly compressed?: boolean
  readonly packs: readonly Pack[]
  readonly hazards: readonly CautionId[]
  readonly source: Source
}
