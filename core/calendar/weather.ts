import { addDays, daysBetween, type Day } from './day'

/** One day of weather, as it was or as it is forecast: the plain shape that is read and written as JSON and CSV. */
export interface WeatherDay {
  readonly on: Day
  readonly source: 'history' | 'forecast'
  /** °C, of the night that ends on that day. */
  readonly lowC: number
  readonly highC: number
  readonly rainMm: number | null
  readonly windMPerS: number | null
  readonly sunHours: number | null
  /** The day it was forecast on; of history the day itself. */
  readonly madeOn: Day
  /** From the service that ships with Blastomix, not from a sky. */
  readonly simulated: boolean
}

/** A forecast holds for a few days; one from last month says nothing. */
export const FORECAST_HOLDS_DAYS = 3
/** Nights ahead that are looked at: as many as a forecast is good for [common practice]. */
export const NIGHTS_AHEAD = 3

const holding = (days: readonly WeatherDay[], today: Day) =>
  days.filter(
    ({ source, madeOn, on }) =>
      source === 'forecast' &&
      Math.abs(daysBetween(madeOn, today)) <= FORECAST_HOLDS_DAYS &&
      on > today &&
      on <= addDays(today, NIGHTS_AHEAD),
  )

/** The coldest of the nights ahead by the forecast, °C; null where none holds. A day’s low is that of the night before it. */
export function coldestAhead(days: readonly WeatherDay[], today: Day): WeatherDay | null {
  return holding(days, today).reduce<WeatherDay | null>(
    (least, one) => (least === null || one.lowC < least.lowC ? one : least),
    null,
  )
}

/** The hottest of the days ahead, today among them. */
export function hottestAhead(days: readonly WeatherDay[], today: Day): WeatherDay | null {
  const now = days.filter(
    ({ source, on, madeOn }) =>
      source === 'forecast' && on === today && Math.abs(daysBetween(madeOn, today)) <= FORECAST_HOLDS_DAYS,
  )
  return [...now, ...holding(days, today)].reduce<WeatherDay | null>(
    (most, one) => (most === null || one.highC > most.highC ? one : most),
    null,
  )
}
