import * as z from 'zod'
import type { WeatherDay } from '#core/calendar/weather'
import { amount, day } from './rules'

const celsius = amount.min(-60, 'Air of −60 to 60 °C.').max(60, 'Air of −60 to 60 °C.')

/** A day of weather, in the plain shape that is documented in docs/formats.md. */
export const weatherDay = z
  .object({
    on: day.describe('The day'),
    source: z.enum(['history', 'forecast']).default('history'),
    lowC: celsius.describe('°C, of the night that ends on that day'),
    highC: celsius.describe('°C'),
    rainMm: amount.min(0).max(2000).nullable().default(null).describe('mm'),
    windMPerS: amount.min(0).max(120).nullable().default(null).describe('Strongest mean wind, m/s'),
    sunHours: amount.min(0).max(24).nullable().default(null).describe('Hours of sun'),
    madeOn: day.nullable().default(null).describe('The day it was forecast on; null for today'),
    simulated: z.boolean().default(false).describe('Made up by the service that ships with Blastomix'),
  })
  .refine(({ lowC, highC }) => lowC <= highC, {
    error: 'The low is no higher than the high.',
    path: ['lowC'],
  })
export const weatherDays = z
  .array(weatherDay)
  .min(1, 'There is no day in it.')
  .max(4000, 'At most 4000 days at once.')

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
