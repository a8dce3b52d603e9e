import { isCurrency } from '#core/units/currency'
import * as z from 'zod'
import { waterProblems } from '#core/feed/water'
import { isTimeZone } from '#core/calendar/day'
import { FASTEST } from '#core/calendar/clock'
import { amount, day, name, ruled } from './rules'
import { seasonFrame } from './season-frame'

const isLocale = (tag: string): boolean => {
  try {
    return Intl.getCanonicalLocales(tag).length === 1
  } catch {
    return false
  }
}

export const household = z.object({
  name,
  place: z.string().max(200).default(''),
  units: z.enum(['metric', 'us', 'imperial']).describe('What a bare cup, spoon or gallon means'),
  water: ruled(
    z.object({
      ecMsPerCm: amount.describe('mS/cm'),
      alkalinityMgPerL: amount.describe('As calcium carbonate, mg/L'),
    }),
    (value) => waterProblems(value, 0),
  )
    .nullable()
    .default(null)
    .describe('What comes out of the tap; null when nobody measured'),
  timeZone: z
    .string()
    .max(64)
    .refine(isTimeZone, 'This is no time zone, as Europe/Lisbon.')
    .nullable()
    .default(null)
    .describe(
      'Whose midnight begins a day here, by its IANA name; null for the clock of the reader, or of Greenwich',
    ),
  learning: z
    .object({
      dropped: z
        .array(z.string().min(1).max(200))
        .max(2000, 'At most 2000 measurements can be left out.')
        .default([])
        .describe('Measurements that are not to count, by their keys'),
    })
    .nullable()
    .default(null)
    .describe('What is learned from, less what was left out; null for everything'),
  clock: z
    .object({
      day: day.describe('The day it was set to'),
      since: z.iso.datetime().describe('When it was set, by the real clock'),
      speed: amount
        .min(1, 'A clock runs at least as fast as the real one.')
        .max(FASTEST, `At most ${FASTEST} times as fast.`),
    })
    .nullable()
    .default(null)
    .describe('A day of its own, as an example has; null for today'),
  away: z
    .array(
      z
        .object({
          from: day,
          to: day.describe('The last day away'),
          name: z.string().max(120, 'Keep it under 120 characters.').default(''),
          uid: z.string().max(255).default('').describe('Of the calendar it was read from'),
        })
        .refine(({ from, to }) => from <= to, { error: 'It ends before it begins.', path: ['to'] }),
    )
    .max(200, 'At most 200 times away.')
    .default([])
    .describe('Days nobody is at the bench'),
  people: z
    .array(z.string().trim().min(1, 'Give the person a name.').max(80, 'Keep the name under 80 characters.'))
    .max(40, 'At most 40 people.')
    .default([])
    .describe('Who is at the bench; offered where a name is asked'),
  formats: z
    .object({
      locale: z
        .string()
        .max(35)
        .refine(isLocale, 'This is no language region, as en-GB.')
        .nullable()
        .default(null)
        .describe('Language region for dates and numbers, as de-AT; null for the reader’s'),
      temperature: z
        .enum(['celsius', 'fahrenheit'])
        .nullable()
        .default(null)
        .describe('null for the kitchen’s'),
      currency: z
        .string()
        .refine(isCurrency, 'Give a currency by its three letters, such as EUR.')
        .nullable()
        .default(null)
        .describe('ISO 4217 code of the currency of prices, as EUR; null for that of the region'),
      weekStart: z
        .enum(['monday', 'saturday', 'sunday'])
        .nullable()
        .default(null)
        .describe('null for the region’s'),
    })
    .nullable()
    .default(null)
    .describe('How dates and temperatures are written'),
  season: seasonFrame.nullable().default(null).describe('Frosts, shelf and methods; null until they are set'),
})
export type HouseholdRecord = z.output<typeof household>
