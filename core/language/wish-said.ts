import { addDays, type Day } from '../calendar/day'
import type { Amount } from '../season/schedule/schedule-from-wish'
import type { AreaWanted } from '../trays/area'

/** What is to be raised of one crop, or stands of it already. */
export interface Wish {
  readonly amount: Amount | null
  readonly cropId: string | null
  readonly packetId: string | null
  /** The crop as it was called: somebody who says eggplant reads eggplant. */
  readonly called: string
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
  /** So many containers of it were said; null where as many as are needed. */
  readonly containers: number | null
  /** Seed is scattered over it, and pricked out. */
  readonly broadcast: boolean
  /** What it is pricked out or potted up into: its id, or null where nobody said; null where the usual way is meant. */
  readonly next: { readonly containerId: string | null } | null
  /** It stays in its cell until it goes out. */
  readonly direct: boolean
  readonly recipeId: string | null
  readonly placeId: string | null
  readonly seedsPerCell: number | null
  readonly depthMm: number | null
  /** What else was said of how it is sown, and for whom. */
  readonly notes: readonly string[]
  readonly kinds: { readonly count: number; readonly each: number | null } | null
  /** Where in a tray, where the groups of one are said. */
  readonly area: AreaWanted | null
}

export const WISH_EXAMPLE = '48 good plants of sweet basil by 20 May'

/**
 * The days of a wish that is repeated: the first, and the same again.
 *
 * @example daysOfWish('2027-03-01', { times: 3, everyDays: 14 }) // ['2027-03-01', '2027-03-15', '2027-03-29']
 */
export const daysOfWish = (first: Day, { times, everyDays }: Pick<Wish, 'times' | 'everyDays'>): Day[] =>
  Array.from({ length: Math.max(1, times) }, (_, i) => addDays(first, i * everyDays))
/**
 * So many shared out among kinds, whole and as evenly as can be: together they are the total.
 *
 * @example sharedOut(14, 4) // [4, 4, 3, 3]
 */
export const sharedOut = (total: number, kinds: number): number[] =>
  Array.from({ length: kinds }, (_, i) => Math.ceil((total - i) / kinds))

export const GROUPS_EXAMPLE = '16 chard, 4 kinds, 4 each'
