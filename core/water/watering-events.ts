import { present } from '../present'
import { addDays, dayFrom, dayNumber, type Day } from '../calendar/day'
import type { Belief } from '../learning/learning'

/** An hour, counted from the beginning of 1970 by the household’s own clock. */
export type Moment = number

/** Where nobody looked at the clock it is computed at nine in the morning. */
const USUAL_HOUR = 9

/**
 * A day and a time of day, `07:30`, as an hour.
 *
 * @example momentOf('1970-01-02', '07:30') // 31.5
 */
export function momentOf(day: Day, at: string | null = null): Moment {
  const [hours, minutes] = at ? at.split(':').map(Number) : [USUAL_HOUR, 0]
  return dayNumber(day) * 24 + present(hours) + (minutes ?? 0) / 60
}
/**
 * The day an hour lies in, and the hour of that day.
 *
 * @example dayOf(31.5) // '1970-01-02'
 */
export const dayOf = (moment: Moment): Day => addDays(EPOCH, Math.floor(moment / 24))
/**
 * @example hourOf(31.5) // 7.5
 */
export const hourOf = (moment: Moment): number => moment - Math.floor(moment / 24) * 24
const EPOCH = dayFrom('1970-01-01')

/** How water comes to a tray. */
export const WATERINGS = ['below', 'above', 'mist'] as const
export type Watering = (typeof WATERINGS)[number]

/** When something was weighed. */
export const WEIGHED = ['dry', 'watered', 'now'] as const

/** What a hand or an eye tells without a scale. */
export const FEELS_LIKE = ['heavy', 'middling', 'light', 'dark', 'pale', 'dry beneath'] as const
export type FeelsLike = (typeof FEELS_LIKE)[number]

/** Of the easily available water so much is gone, and how far such a look scatters [default]. */
export const GONE_BY_FEEL: Readonly<Record<FeelsLike, Belief>> = {
  heavy: { mean: 0.05, sd: 0.12 },
  middling: { mean: 0.25, sd: 0.15 },
  light: { mean: 0.5, sd: 0.15 },
  dark: { mean: 0.1, sd: 0.15 },
  pale: { mean: 0.4, sd: 0.2 },
  'dry beneath': { mean: 0.55, sd: 0.15 },
}

/** Something that tells how much water is in a tray, or changes it. */
export type WateringEvent =
  | {
      readonly kind: 'watered'
      readonly at: Moment
      readonly how: Watering
      /** Into the tray, L; null where nobody measured: then until it took no more. */
      readonly litres: number | null
      /** Poured off again, L. */
      readonly backL: number | null
      readonly ecMsPerCm: number
      readonly nMgPerL: number
    }
  | {
      readonly kind: 'weighed'
      readonly at: Moment
      readonly grams: number
      readonly moment: (typeof WEIGHED)[number]
      /** Of the scale, g. */
      readonly sdG: number
    }
  | { readonly kind: 'felt'; readonly at: Moment; readonly feels: FeelsLike }
