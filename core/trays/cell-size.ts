import { present } from '../present'
import { cellVolume, type Container } from '../containers/container'
import type { Crop } from '../sowing/crop'

/** What a seed asks of its first cell, mL [common practice: small cells for small seed, big cells for big seed]. */
const BY_SEED: readonly { upToMm: number; ml: readonly [number, number]; why: string }[] = [
  { upToMm: 2, ml: [2.5, 60], why: 'tiny seed: less wet mix around a tiny root' },
  { upToMm: 9, ml: [6, 130], why: 'small seed' },
  { upToMm: 15, ml: [20, 200], why: 'seed of middling size' },
  { upToMm: Infinity, ml: [40, 600], why: 'big seed: it fills a small cell with root in days' },
]

export interface CellSize {
  readonly verdict: 'right' | 'small' | 'big'
  /** mL */
  readonly ml: number
  readonly wanted: readonly [number, number]
  readonly why: string
}

/**
 * Whether a cell suits the seed of a crop, by how deep it is sown: two to three times its thickness.
 *
 * @example cellSizeFor({ depthMm: 2 }, CONTAINERS[0]).wanted // [2.5, 60]
 */
export function cellSizeFor({ depthMm }: Pick<Crop, 'depthMm'>, container: Container): CellSize {
  const { ml: wanted, why } = present(BY_SEED.find(({ upToMm }) => depthMm <= upToMm))
  const ml = cellVolume(container).value
  return { ml, wanted, why, verdict: ml < wanted[0] ? 'small' : ml > wanted[1] ? 'big' : 'right' }
}
