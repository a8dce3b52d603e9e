import type { Day } from '../calendar/day'

/** The air of one place on one day. */
export interface AirOfDay {
  readonly on: Day
  /** °C. */
  readonly lowC: number
  readonly highC: number
  /** Where enough of the day was covered. */
  readonly meanC: number | null
  /** mol/m². */
  readonly lightMol: number | null
  /** A fraction. */
  readonly humidity: number | null
}

/** What was read at one hour of a day; null where it was not. */
export interface AirReading {
  readonly hour: number
  readonly airC: number | null
  readonly humidity: number | null
  /** µmol/m²/s. */
  readonly ppfd: number | null
}

/** Lux of white LEDs and of daylight for each µmol/m²/s; 65–75 [handbook, from memory]. */
export const LUX_PER_PPFD = 70
/** Of a day at least so many hours want to be covered before its mean or its light is one. */
const HOURS_FOR_MEAN = 18
/** The sun gives at most some 65 mol/m² a day. */
const MAX_LIGHT_MOL = 80

/**
 * @example meanOf([18, 22]) // 20
 */
export const meanOf = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length

/** The day that readings make, of a logger or of a probe; null where none is of the air. */
export function airOfDay(on: Day, readings: readonly AirReading[]): AirOfDay | null {
  const air = readings.flatMap(({ airC }) => airC ?? [])
  if (air.length === 0) return null
  const hours = readings.map(({ hour }) => hour)
  const whole = Math.max(...hours) - Math.min(...hours) >= HOURS_FOR_MEAN
  const light = readings.flatMap(({ ppfd }) => ppfd ?? [])
  const humidity = readings.flatMap((one) => one.humidity ?? [])
  return {
    on,
    lowC: Math.min(...air),
    highC: Math.max(...air),
    meanC: whole && air.length > 2 ? meanOf(air) : null,
    lightMol: whole && light.length > 2 ? Math.min(MAX_LIGHT_MOL, (meanOf(light) * 86_400) / 1e6) : null,
    humidity: humidity.length ? meanOf(humidity) : null,
  }
}
