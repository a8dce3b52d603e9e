import type { Amount } from '../season/schedule/schedule-from-wish'
import { addDays, type Day } from '../calendar/day'
import type { Calendar } from './day-words'
import type { NameBook } from './name-book'

/** What a word of a wish was taken for. */
export type Meaning =
  | 'amount'
  | 'crop'
  | 'variety'
  | 'season'
  | 'day'
  | 'repeats'
  | 'container'
  | 'mix'
  | 'place'
  | 'kinds'
  | 'count'
  | 'seeds a cell'
  | 'filler'

/** Some words, and what they were taken for. */
export interface Heard {
  readonly text: string
  readonly as: Meaning
  readonly means: string
}

/** Something that has to be said before it can be planned; what to say instead, where that is known. */
export interface Ask {
  readonly question: string
  /** Words of the sentence, and what they may have meant. */
  readonly instead: { readonly text: string; readonly choices: readonly string[] } | null
}

export interface Wish {
  readonly amount: Amount | null
  readonly cropId: string | null
  readonly packetId: string | null
  /** As it is written on the label; empty where only the crop was named. */
  readonly variety: string
  readonly outOn: Day | null
  readonly sowOn: Day | null
  /** It stands already: it was sown on that day. */
  readonly sown: boolean
  /** So many of it are up, where it stands already; null where nobody counted. */
  readonly up: number | null
  readonly season: 'spring' | 'autumn' | null
  /** The same again, so many times in all and so many days apart. */
  readonly times: number
  readonly everyDays: number
  readonly containerId: string | null
  readonly recipeId: string | null
  readonly placeId: string | null
  readonly seedsPerCell: number | null
  readonly kinds: { readonly count: number; readonly each: number } | null
  /** Every word, in the order it was said. */
  readonly heard: readonly Heard[]
  /** Words that were not understood: nothing is planned with them until somebody says so. */
  readonly unread: readonly string[]
  readonly asks: readonly Ask[]
}

/** What a wish is heard with. */
export interface Listening extends Calendar {
  readonly names: NameBook
  readonly containers: readonly { readonly id: string; readonly name: string; readonly cells?: number }[]
  readonly recipes: readonly { readonly id: string; readonly name: string }[]
  /** By any of their names; those a household has not got have no id, and are asked about. */
  readonly places: readonly { readonly id: string | null; readonly name: string; readonly shown?: string }[]
  /** Crops that are also sown for autumn. */
  readonly autumnCrops: ReadonlySet<string>
}

export const WISH_EXAMPLE = '48 good plants of sweet basil by 20 May'

/**
 * The days of a wish that is repeated: the first, and the same again.
 *
 * @example daysOfWish('2027-03-01', { times: 3, everyDays: 14 }) // ['2027-03-01', '2027-03-15', '2027-03-29']
 */
export const daysOfWish = (first: Day, { times, everyDays }: Pick<Wish, 'times' | 'everyDays'>): Day[] =>
  Array.from({ length: Math.max(1, times) }, (_, i) => addDays(first, i * everyDays))
