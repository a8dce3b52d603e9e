import { printNumber } from '../units/format'
import type { TrayStore } from './tray-store'

/** Heavier than full by so much is no spread: something else stood on the scale. */
const OVER = 1.12
/** Heavier or lighter than this is no tray at all. */
const NEVER_OVER = 2.5
const NEVER_UNDER = 0.4

export interface Doubt {
  /** `refused`: cannot be; `asked`: may be, once somebody says so. */
  readonly kind: 'refused' | 'asked'
  readonly message: string
}

/**
 * What is doubtful about a weight, in words; null where it may be.
 *
 * @param grams tray, saucer, mix, water and plants
 * @param plantsG what the plants weigh, g
 */
export function doubtOf(
  store: TrayStore,
  grams: number,
  moment: 'dry' | 'watered' | 'now',
  plantsG = 0,
): Doubt | null {
  const dryG = store.tareG.value + store.dryMixG.value
  const fullG = store.fullG.value + plantsG
  const g = (n: number) => `${printNumber(n, 3)} g`
  if (!(grams > 0)) return { kind: 'refused', message: 'A weight is above 0.' }
  if (grams > NEVER_OVER * fullG)
    return {
      kind: 'refused',
      message: `That is far more than it can weigh: about ${g(fullG)} when it is full. Grams, or another unit?`,
    }
  if (grams < NEVER_UNDER * dryG)
    return {
      kind: 'refused',
      message: `That is far less than its dry mix and tray: about ${g(dryG)}. Grams, or another unit?`,
    }
  if (moment === 'dry') {
    return grams > dryG + 0.6 * 1000 * store.capacityL.value
      ? { kind: 'asked', message: `Dry it should be nearer ${g(dryG)}; so much says that water is in it.` }
      : null
  }
  if (grams < dryG)
    return {
      kind: 'asked',
      message: `Lighter than its dry mix with its tray, about ${g(dryG)}: was it weighed without its saucer, or the scale set to 0 with something on it?`,
    }
  if (grams > OVER * fullG)
    return {
      kind: 'asked',
      message: `Heavier than it is when full, about ${g(fullG)}: was a second tray, or water in the saucer, weighed with it?`,
    }
  return null
}

/** Weighings so near one another, hours, are of the same moment. */
const TOGETHER_H = 1

/** Two scales that do not agree, in words; null where they do, or one alone weighed. */
export function disagreement(
  weighings: readonly { readonly at: number; readonly grams: number; readonly sdG: number }[],
): string | null {
  const [last, ...before] = [...weighings].sort((a, b) => b.at - a.at)
  if (!last) return null
  const other = before.find((one) => last.at - one.at <= TOGETHER_H)
  if (!other) return null
  const apart = Math.abs(last.grams - other.grams)
  if (apart <= 3 * Math.hypot(last.sdG, other.sdG)) return null
  return `Two weighings within the hour lie ${printNumber(apart, 2)} g apart. Weigh something known, a litre of water is 1000 g, and undo the one that is wrong.`
}
