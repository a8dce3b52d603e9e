import { last } from '../numeric/at'
import { airOfDay, LUX_PER_PPFD, meanOf, type AirOfDay, type AirReading } from './air-of-day'
import type { Day } from '../calendar/day'
import type { Quantity } from './kinds'
import { doubtOf } from './plausibility'

/** Fewer readings say nothing of a whole day [default]. */
const MIN_READINGS = 20
const MIN_HOURS = 12
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
export interface DayOfPlace extends AirOfDay {
  /** Mean of the mix, °C. */
  readonly mixC: number | null
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
    if (counted < MIN_READINGS || spanH < MIN_HOURS) return null
    return doubtOf(quantity, own, last(own).atMs) ? null : own
  }
  const readings = (quantity: Quantity, as: (value: number) => Partial<AirReading>): AirReading[] =>
    (of(quantity, false) ?? []).map(({ atMs, value }) => ({
      ...{ hour: (atMs - begin) / 3_600_000, airC: null, humidity: null, ppfd: null },
      ...as(value),
    }))
  const air = airOfDay(day, [
    ...readings('temperature', (airC) => ({ airC })),
    ...readings('humidity', (percent) => ({ humidity: percent / 100 })),
    ...readings('illuminance', (lux) => ({ ppfd: lux / LUX_PER_PPFD })),
  ])
  const mix = of('temperature', true)
  return (
    air && {
      on: day,
      lowC: tenth(air.lowC),
      highC: tenth(air.highC),
      meanC: air.meanC === null ? null : tenth(air.meanC),
      lightMol: air.lightMol === null ? null : tenth(air.lightMol),
      humidity: air.humidity === null ? null : Math.round(air.humidity * 100) / 100,
      mixC: mix ? tenth(meanOf(mix.map(({ value }) => value))) : null,
    }
  )
}
const tenth = (value: number) => Math.round(value * 10) / 10
