import { printNumber } from '../units/format'
import { TOO_MANY_WET_DAYS } from './outlook'

/** What days of wet mix bring, in numbers and with what to do; null where they are few. */
export interface WetRisk {
  readonly damping: string
  readonly todo: readonly string[]
}

/** A gnat goes from egg to fly in so many days at 20 °C, and lays into a wet surface [handbook, 3–4 weeks, from memory]. */
const GNAT_DAYS = 25

/**
 * @param wetDays of the last seven
 * @param airShare air in the mix when it has drained, a fraction of its volume
 * @example wetRisk(3.9, 10, 18, 0.1) // null
 */
export function wetRisk(wetDays: number, daysUp: number, mixC: number, airShare: number): WetRisk | null {
  if (wetDays < TOO_MANY_WET_DAYS || daysUp < 0) return null
  const days = printNumber(wetDays, 2)
  const young = daysUp <= 14
  return {
    damping: [
      `Wet on ${days} of the last 7 days, and ${printNumber(airShare * 100, 2)} % air when it has drained.`,
      young
        ? `Seedlings fall at the neck mostly in their first two weeks; these are ${printNumber(Math.max(0, daysUp), 2)} days up.`
        : '',
      mixC < 18 ? `At ${printNumber(mixC, 2)} °C it dries slowly.` : '',
      `Fungus gnats lay into a wet surface; the next generation flies in about ${GNAT_DAYS} days.`,
    ]
      .filter(Boolean)
      .join(' '),
    todo: [
      'Leave the next watering out until it is light to lift.',
      'Take the cover off and move the air: a fan, or more room between trays.',
      ...(mixC < 18 ? ['Stand it warmer.'] : []),
      'A few millimetres of vermiculite on top keep the surface dry.',
    ],
  }
}
