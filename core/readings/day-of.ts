import type { Day } from '../season/day'
import type { Quantity } from './kinds'
import { doubtOf } from './trust'

/** Fewer readings say nothing of a whole day [default]. */
const LEAST_READINGS = 20
const LEAST_HOURS = 12
const DAY_MS = 86_400_000
/** What a probe in the mix calls itself. */
const MIX = 'mix'

export interface KeptReading {
  readonly quantity: Quantity
  readonly name: string
  readonly atMs: number
  readonly value: number
  readonly count: number
}

/** The air of a place on one day, and its mix where a probe stands in it. */
export interface DayOfPlace {
  on: Day
  /** °C. */
  lowC: number
  highC: number
  meanC: number
  lightMol: null
  /** A fraction. */
  humidity: number | null
  /** Mean of the mix, °C. */
  mixC: number | null
}

/**
 * A day of one place, by all its probes; null where too little of it was heard, or it is doubted.
 *
 * @param kept readings in the order of their times, each in the unit of its quantity; a mean says how many it was made of
 */
export function dayOfReadings(day: Day, kept: readonly KeptReading[]): DayOfPlace | null {
  const begin = Date.parse(`${day}T00:00:00Z`)
  const of = (quantity: Quantity, mix: boolean) => {
    const own = kept.filter(
      (one) =>
        one.quantity === quantity &&
        (one.name === MIX) === mix &&
        one.atMs >= begin &&
        one.atMs < begin + DAY_MS,
    )
    const spanH = own.length
      ? (Math.max(...own.map(({ atMs }) => atMs)) - Math.min(...own.map(({ atMs }) => atMs))) / 3_600_000
      : 0
    const counted = own.reduce((sum, { count }) => sum + count, 0)
    if (counted < LEAST_READINGS || spanH < LEAST_HOURS) return null
    return doubtOf(quantity, own, own.at(-1)!.atMs) ? null : own
  }
  const air = of('temperature', false)
  if (!air) return null
  const values = air.map(({ value }) => value)
  const mean = (own: readonly KeptReading[]) => own.reduce((sum, { value }) => sum + value, 0) / own.length
  const mix = of('temperature', true)
  const humidity = of('humidity', false)
  return {
    on: day,
    lowC: tenth(Math.min(...values)),
    highC: tenth(Math.max(...values)),
    meanC: tenth(mean(air)),
    lightMol: null,
    humidity: humidity ? Math.round(mean(humidity)) / 100 : null,
    mixC: mix ? tenth(mean(mix)) : null,
  }
}
const tenth = (value: number) => Math.round(value * 10) / 10
