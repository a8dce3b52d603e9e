import { TOO_MANY_WET_DAYS } from './outlook'

/** What days of wet mix bring. */
export interface WetRisk {
  /** Of the last seven. */
  readonly wetDays: number
  /** Air in the mix when it has drained, a fraction of its volume. */
  readonly airShare: number
  /** Days since they came up, while they may still fall at the neck; null for older ones. */
  readonly youngDays: number | null
  /** The mix, °C, where it is so cold that it dries slowly; null where it is not. */
  readonly coldC: number | null
}

/** A gnat goes from egg to fly in so many days at 20 °C, and lays into a wet surface [handbook, 3–4 weeks, from memory]. */
export const GNAT_DAYS = 25
/** Seedlings fall at the neck mostly in their first two weeks [common practice]. */
const YOUNG_DAYS = 14
/** Colder than this a mix dries slowly, °C [common practice]. */
const COLD_C = 18

/**
 * Null where they are few, or nothing is up.
 *
 * @param wetDays of the last seven
 * @param airShare air in the mix when it has drained, a fraction of its volume
 * @example wetRisk(3.9, 10, 18, 0.1) // null
 */
export function wetRisk(wetDays: number, daysUp: number, mixC: number, airShare: number): WetRisk | null {
  if (wetDays < TOO_MANY_WET_DAYS || daysUp < 0) return null
  return {
    wetDays,
    airShare,
    youngDays: daysUp <= YOUNG_DAYS ? daysUp : null,
    coldC: mixC < COLD_C ? mixC : null,
  }
}
