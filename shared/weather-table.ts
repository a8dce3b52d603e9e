import type { WeatherDay } from '#core/season/weather'

/** Columns of weather as a table: their names in CSV, and the field of the plain shape each is. */
export const WEATHER_COLUMNS = [
  ['on', 'on'],
  ['source', 'source'],
  ['low_c', 'lowC'],
  ['high_c', 'highC'],
  ['rain_mm', 'rainMm'],
  ['wind_m_per_s', 'windMPerS'],
  ['sun_hours', 'sunHours'],
  ['made_on', 'madeOn'],
  ['simulated', 'simulated'],
] as const satisfies readonly (readonly [string, keyof WeatherDay])[]
