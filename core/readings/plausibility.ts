import { at as elementAt, first } from '../numeric/at'
import { QUANTITIES, type Quantity } from './kinds'

export interface Sample {
  readonly atMs: number
  readonly value: number
}

/** Why a device is doubted. */
export type Doubt =
  | { readonly kind: 'silent'; readonly pauseMs: number }
  | { readonly kind: 'out of range'; readonly value: number; readonly quantity: Quantity }
  | {
      readonly kind: 'jumps'
      readonly times: number
      readonly perMinute: number
      readonly quantity: Quantity
    }
  | { readonly kind: 'stuck'; readonly value: number; readonly forMs: number; readonly quantity: Quantity }

/** How fast each can change in a minute where nobody carries the probe about [dflt, common practice]; null: at once. */
const FASTEST_PER_MINUTE: Readonly<Record<Quantity, number | null>> = {
  mass: null,
  temperature: 4,
  humidity: 30,
  conductivity: null,
  acidity: null,
  illuminance: null,
}
/** A real probe flickers in its last digit: so many readings over so long without a flicker are none [dflt]. */
const STUCK_READINGS = 30
const STUCK_MS = 2 * 3_600_000
const FLICKERS: readonly Quantity[] = ['temperature', 'humidity', 'illuminance']
const SILENT_AT_LEAST_MS = 10 * 60_000
/** Jumps in the latest half hour that make it a liar; one alone is a probe that was carried. */
const JUMPS = 3
const LATELY_MS = 30 * 60_000

/**
 * What no thing can be, in the unit each is kept in: nothing is colder than absolute zero, −273.15 °C [std: SI Brochure, 9th
 * edition]; a share of saturation, a light and a conductivity are not below nothing; no solution of a bench leaves pH −1 to 15
 * [common practice]. A scale reads below zero when its tare was taken with something on it.
 */
const POSSIBLE: Readonly<Record<Quantity, readonly [from: number, to: number]>> = {
  mass: [-10_000_000, 10_000_000],
  temperature: [-273.15, 1000],
  humidity: [0, 110],
  conductivity: [0, 1000],
  acidity: [-1, 15],
  illuminance: [0, 1_000_000],
}

/**
 * Whether a value can be a reading of a quantity at all.
 *
 * @param value in the unit the quantity is kept in
 * @example canBe('acidity', 6.2) // true
 * @example canBe('temperature', -300) // false
 */
export function canBe(quantity: Quantity, value: number): boolean {
  const [from, to] = POSSIBLE[quantity]
  return value >= from && value <= to
}

/**
 * What speaks against a device’s latest readings of one quantity; null where nothing does.
 *
 * @param samples in the order of their times
 */
export function doubtOf(quantity: Quantity, samples: readonly Sample[], nowMs: number): Doubt | null {
  const last = samples.at(-1)
  if (!last) return null
  const { from, to } = QUANTITIES[quantity]
  const pause = nowMs - last.atMs
  if (pause > Math.max(SILENT_AT_LEAST_MS, 10 * usualPauseMs(samples)))
    return { kind: 'silent', pauseMs: pause }
  if (last.value < from || last.value > to) return { kind: 'out of range', value: last.value, quantity }
  const fastest = FASTEST_PER_MINUTE[quantity]
  if (fastest !== null) {
    const lately = samples.filter(({ atMs }) => atMs > last.atMs - LATELY_MS)
    const jumps = lately.filter((one, i) => {
      const before = lately[i - 1]
      if (!before) return false
      const minutes = Math.max(1, (one.atMs - before.atMs) / 60_000)
      return Math.abs(one.value - before.value) > fastest * minutes
    }).length
    if (jumps >= JUMPS) return { kind: 'jumps', times: jumps, perMinute: fastest, quantity }
  }
  if (FLICKERS.includes(quantity)) {
    const same = samples.slice(samples.findLastIndex(({ value }) => value !== last.value) + 1)
    if (same.length >= STUCK_READINGS && last.atMs - first(same).atMs >= STUCK_MS)
      return { kind: 'stuck', value: last.value, forMs: last.atMs - first(same).atMs, quantity }
  }
  return null
}

function usualPauseMs(samples: readonly Sample[]): number {
  const pauses = samples.slice(1).map(({ atMs }, i) => atMs - elementAt(samples, i).atMs)
  return pauses.length
    ? elementAt(
        pauses.sort((a, b) => a - b),
        Math.floor(pauses.length / 2),
      )
    : 0
}

/** Grams within which a pan stands still, and for how long [dflt: a kitchen scale is ± 1 g]. */
const STILL_G = 2
const STILL_MS = 2_000

/** The weight on a pan once it is still: the mean of its latest seconds; null while it moves, or is empty. */
export function stillWeight(samples: readonly Sample[], nowMs: number): number | null {
  const last = samples.at(-1)
  if (!last || nowMs - last.atMs > 15_000) return null
  const lately = samples.filter(({ atMs }) => atMs >= last.atMs - STILL_MS - 500)
  if (lately.length < 3 || last.atMs - first(lately).atMs < STILL_MS) return null
  const values = lately.map(({ value }) => value)
  if (Math.max(...values) - Math.min(...values) > STILL_G * 2) return null
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  return mean > 5 ? mean : null
}
