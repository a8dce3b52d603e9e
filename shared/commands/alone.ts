import * as z from 'zod'
import { id } from '../records/rules'

/*
 * Acts that reach beyond the records of a household, or beyond this machine: each is sent alone, and done by the server.
 */

const alone = <Name extends string, Shape extends z.ZodRawShape>(name: Name, shape: Shape) => ({
  name,
  intent: z.object({ name: z.literal(name), ...shape }),
})

/** Out of sight as a whole, after a backup; for thirty days it can be brought back. */
export const removeHousehold = alone('remove household', { version: z.int().min(1) })
export const bringHouseholdBack = alone('bring household back', {})
/** The demo, in a household of its own under the id that is written to. */
export const makeExample = alone('make example', {})
/** A new key for a device: it is told once and kept as a checksum, the one before counts no more. */
export const newDeviceKey = alone('new device key', { deviceId: id })
/** The days ahead, from the forecast service. */
export const askForecast = alone('ask forecast', {})

export const ALONE = [removeHousehold, bringHouseholdBack, makeExample, newDeviceKey, askForecast] as const
export type AloneIntent = z.output<(typeof ALONE)[number]['intent']>
const NAMES = new Set<string>(ALONE.map(({ name }) => name))
export const isAlone = (one: { readonly name: string }): one is AloneIntent => NAMES.has(one.name)

/** Acts that come with a file beside them. */
const bringInArchive = alone('bring in archive', {
  differing: z
    .enum(['here', 'archive', 'newer'])
    .default('here')
    .describe('Which of two that differ is to stand'),
  seen: z
    .int()
    .min(0)
    .nullable()
    .default(null)
    .describe('The `changes` that were answered when it was looked at; null only looks'),
})
const bringInTable = alone('bring in table', {
  table: z.string().max(40),
  columns: z
    .array(z.string().max(80).nullable())
    .max(60)
    .nullable()
    .default(null)
    .describe('The column of each heading in order; null for one that is left alone'),
  decimal: z.enum(['point', 'comma']).nullable().default(null),
  days: z.enum(['day first', 'month first']).nullable().default(null),
  headless: z.boolean().default(false),
  lines: z.enum(['all', 'good']).default('all'),
  seen: bringInArchive.intent.shape.seen,
})
const bringInWeather = alone('bring in weather', {})
const addPicture = alone('add picture', { id })
export const WITH_FILE = [bringInArchive, bringInTable, bringInWeather, addPicture] as const
export type WithFileIntent = z.output<(typeof WITH_FILE)[number]['intent']>
export type SentWithFile = z.input<(typeof WITH_FILE)[number]['intent']>
export const withFile = z.discriminatedUnion(
  'name',
  WITH_FILE.map(({ intent }) => intent) as never,
) as unknown as z.ZodType<WithFileIntent>
