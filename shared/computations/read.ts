import * as z from 'zod'
import { READ_KINDS, readAs, type ReadText } from '../derived/read-as'
import { contextOf } from '../derived/context'
import { wordsOf } from '../derived/known'
import { knownFrom } from '#core/language/reading'
import { day, id } from '../records/rules'

/** Longer texts are answered too: that they are long. */
const MOST_LETTERS = 20_000

/** Something that was typed, to be read. */
export const readToCompute = z.object({
  kind: z.enum(READ_KINDS).describe('What it is of: a wish, a list of what is growing, a line of the log …'),
  text: z.string().max(MOST_LETTERS, `At most ${MOST_LETTERS} letters.`),
  today: day.describe('The day it is said'),
  units: z
    .enum(['metric', 'us', 'imperial'])
    .default('metric')
    .describe('A US kitchen writes the month before the day'),
  household: id.nullable().default(null).describe('Whose trays, sowings, places and names it is about'),
  frosts: z
    .object({ lastFrost: day, firstFrost: day })
    .nullable()
    .default(null)
    .describe('Of the season, where no household is named'),
})
export type ReadRequest = z.output<typeof readToCompute>

export const orderOf = (units: ReadRequest['units']) => (units === 'us' ? 'month first' : 'day first')

/** What was typed, read with the catalogues alone. */
export function computedRead({ kind, text, today, units, frosts }: ReadRequest): ReadText {
  const words = wordsOf(contextOf({}), today, orderOf(units), units)
  const ends = frosts && { last: frosts.lastFrost, first: frosts.firstFrost }
  return readAs(kind, text, knownFrom({ ...words, frosts: ends }))
}
