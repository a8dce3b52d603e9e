import type { Crop } from '../sowing/crop'
import { addDays, daysBetween, isDay, type Day } from './day'

export type ReadSowing =
  | {
      readonly ok: true
      readonly plants: number
      readonly cropId: string
      readonly variety: string
      readonly outOn: Day | null
      /** The same again, so many times in all and so many days apart. */
      readonly times: number
      readonly everyDays: number
    }
  | { readonly ok: false; readonly message: string }

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const EXAMPLE = 'Say it like: 48 good plants of sweet basil by 20 May.'

/**
 * Read a sowing in one sentence: `48 good plants of sweet basil by 20 May`, `12 tomato by May 20`, `60 chard`,
 * `40 lettuce by 1 May, 4 times every 2 weeks`.
 * A day without a year is the next such day from `today` on.
 */
export function readSowing(text: string, crops: readonly Crop[], today: Day): ReadSowing {
  const { said, times, everyDays } = takeRepeat(text.trim().replace(/[.!]$/, ''))
  if (!said) return { ok: false, message: EXAMPLE }
  const [what, when] = said.split(/\s+(?:by|for|on|until|before)\s+(?=[^,]*\d)/i) as [
    string,
    string | undefined,
  ]
  const number = /^(\d[\d ]*)\s*/.exec(what)
  if (!number) return { ok: false, message: `How many? ${EXAMPLE}` }
  const plants = Number(number[1]!.replace(/ /g, ''))
  const name = what
    .slice(number[0].length)
    .replace(/^(?:(?:good|strong|young)\s+)?(?:plants?|seedlings?|starts?)?\s*(?:of\s+)?/i, '')
    .trim()
  if (!name) return { ok: false, message: `Of what? ${EXAMPLE}` }
  const found = findCrop(name, crops)
  if (!found)
    return {
      ok: false,
      message: `'${name}' is no crop in the book. Add it, or call it by a crop it is like.`,
    }
  const outOn = when === undefined ? null : readDay(when, today)
  if (when !== undefined && outOn === null)
    return { ok: false, message: `'${when}' is not a day. Write it like 20 May or 2027-05-20.` }
  return { ok: true, plants, cropId: found.crop.id, variety: found.variety, outOn, times, everyDays }
}

const REPEAT = /,?\s*(\d{1,2})\s*(?:times|×|x)\s*,?\s*(?:every|each)\s+(?:(\d{1,2})\s+)?(day|week)s?$/i

/** `4 times every 2 weeks` at the end, if it is there. */
function takeRepeat(text: string): { said: string; times: number; everyDays: number } {
  const match = REPEAT.exec(text)
  if (!match) return { said: text, times: 1, everyDays: 0 }
  const everyDays = Number(match[2] ?? 1) * (match[3]!.toLowerCase() === 'week' ? 7 : 1)
  return { said: text.slice(0, match.index).trim(), times: Number(match[1]), everyDays }
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z ]/g, '')
    .replace(/ies\b/g, 'y')
    .replace(/(?:es|s)\b/g, '')
    .trim()

/** The crop whose name the text holds, the longest first; what is left over is the variety. */
function findCrop(name: string, crops: readonly Crop[]) {
  const said = ` ${plain(name)} `
  const matches = crops
    .map((crop) => ({ crop, key: plain(crop.name.split(',')[0]!) }))
    .flatMap((one) => [one, { crop: one.crop, key: one.key.split(' ').at(-1)! }])
    .filter(({ key }) => key.length > 2 && said.includes(` ${key} `))
    .sort((a, b) => b.key.length - a.key.length)
  const best = matches[0]
  if (!best) return null
  const variety = said.replace(` ${best.key} `, ' ').trim() ? name : best.crop.name
  return { crop: best.crop, variety }
}

/** `20 May`, `May 20`, `20.5.`, `20/5`, `2027-05-20`; null when it is none. */
export function readDay(text: string, today: Day): Day | null {
  const said = text
    .trim()
    .toLowerCase()
    .replace(/(\d)(?:st|nd|rd|th)\b/, '$1')
  if (isDay(said)) return said
  const named =
    /^(\d{1,2})\.?\s+([a-z]{3,})\.?(?:\s+(\d{4}))?$/.exec(said) ??
    swap(/^([a-z]{3,})\.?\s+(\d{1,2})(?:,?\s+(\d{4}))?$/.exec(said))
  const month = named ? MONTHS.indexOf(named[2]!.slice(0, 3)) + 1 : 0
  const [day, number, year] = named && month ? [named[1]!, month, named[3]] : numbers(said)
  if (!day) return null
  const make = (y: number) => `${y}-${String(number).padStart(2, '0')}-${day.padStart(2, '0')}`
  if (year) return [make(Number(year))].find(isDay) ?? null
  const thisYear = Number(today.slice(0, 4))
  const next = [thisYear, thisYear + 1, thisYear + 2, thisYear + 3, thisYear + 4]
    .map(make)
    .filter(isDay)
    .find((one) => one >= today)
  return next ?? null
}

const swap = (match: RegExpExecArray | null): [string, string, string, string | undefined] | null =>
  match && [match[0], match[2]!, match[1]!, match[3]]

function numbers(said: string): [string, number, string | undefined] | [null, number, undefined] {
  const match = /^(\d{1,2})[./](\d{1,2})\.?(?:[./]?(\d{4}))?$/.exec(said)
  return match ? [match[1]!, Number(match[2]), match[3]] : [null, 0, undefined]
}

/** Whether so late a day of planting out means the autumn crop: past the middle between the frosts, where it is grown so. */
export function seasonFor(
  crop: Pick<Crop, 'autumn'>,
  outOn: Day | null,
  { lastFrost, firstFrost }: { lastFrost: Day; firstFrost: Day },
): 'spring' | 'autumn' {
  const middle = addDays(lastFrost, daysBetween(lastFrost, firstFrost) / 2)
  return crop.autumn && outOn !== null && outOn > middle ? 'autumn' : 'spring'
}

/** Days of the same sowing again, every so many days. */
export const successionDays = (first: Day, times: number, everyDays: number): Day[] =>
  Array.from({ length: Math.max(1, times) }, (_, i) => addDays(first, i * everyDays))
