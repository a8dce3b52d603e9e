import { MASS_AT_EMERGENCE_MG } from '../media/food'

/*
 * Plants as drinkers: how much of the tray they cover, and what they weigh.
 */

/** Leaf for each gram of dry mass, m² [handbook: specific leaf area of seedlings 25–35 m²/kg, from memory]. */
const LEAF_M2_PER_G = 0.03
/** Light a layer of leaves takes (Beer’s law) [handbook, 0.5–0.7, from memory]. */
const EXTINCTION = 0.6
/** A stand in cells has no more leaf than this over its ground [default]. */
const MAX_LEAF = 4
/** Fresh seedlings are so much water [handbook, 88–92 %, from memory]. */
const DRY_OF_FRESH = 0.1
/** Growth slows when the cell is full: it is computed to this dry mass for each litre of mix, g [default]. */
const MAX_DRY_G_PER_L = 8

/** What stands in a tray. */
export interface Stand {
  readonly plants: number
  /** Mix in the tray, L. */
  readonly mixL: number
  readonly growthPerDay: number
  readonly areaM2: number
}

/**
 * Dry mass of all plants so many days after they came up, g; 0 before.
 *
 * @example dryMassG({ plants: 40, mixL: 2, growthPerDay: 0.14, areaM2: 0.1 }, 0) // 0.1
 */
export function dryMassG({ plants, mixL, growthPerDay }: Stand, daysUp: number): number {
  if (daysUp < 0 || plants === 0) return 0
  const grown = (plants * MASS_AT_EMERGENCE_MG * Math.exp(growthPerDay * daysUp)) / 1000
  const most = MAX_DRY_G_PER_L * mixL
  return grown < most ? grown : most
}

/**
 * What they weigh as they stand, g.
 *
 * @example freshMassG({ plants: 40, mixL: 2, growthPerDay: 0.14, areaM2: 0.1 }, 0) // 1
 */
export const freshMassG = (stand: Stand, daysUp: number): number => dryMassG(stand, daysUp) / DRY_OF_FRESH

/** Part of the tray’s top that is under leaves, a fraction 0–1. */
export function leafCover(stand: Stand, daysUp: number): number {
  const leaf = Math.min(MAX_LEAF, (dryMassG(stand, daysUp) * LEAF_M2_PER_G) / stand.areaM2)
  return 1 - Math.exp(-EXTINCTION * leaf)
}
