import type { TrayStore } from './tray-store'

/** Heavier than full by so much is no spread: something else stood on the scale. */
const OVER = 1.12
/** Heavier or lighter than this is no tray at all. */
const NEVER_OVER = 2.5
const NEVER_UNDER = 0.4

/** What is doubtful about a weight; `aboutG` is what it should be nearer to, or the most or least it can be, g. */
export interface Doubt {
  /** `refused`: cannot be; `asked`: may be, once somebody says so. */
  readonly kind: 'refused' | 'asked'
  readonly why:
    | 'not above 0'
    | 'far too heavy'
    | 'far too light'
    | 'wet, not dry'
    | 'lighter than dry'
    | 'heavier than full'
  readonly aboutG: number
}

/**
 * What is doubtful about a weight; null where it may be.
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
  if (!(grams > 0)) return { kind: 'refused', why: 'not above 0', aboutG: 0 }
  if (grams > NEVER_OVER * fullG) return { kind: 'refused', why: 'far too heavy', aboutG: fullG }
  if (grams < NEVER_UNDER * dryG) return { kind: 'refused', why: 'far too light', aboutG: dryG }
  if (moment === 'dry')
    return grams > dryG + 0.6 * 1000 * store.capacityL.value
      ? { kind: 'asked', why: 'wet, not dry', aboutG: dryG }
      : null
  if (grams < dryG) return { kind: 'asked', why: 'lighter than dry', aboutG: dryG }
  return grams > OVER * fullG ? { kind: 'asked', why: 'heavier than full', aboutG: fullG } : null
}

/** Weighings so near one another, hours, are of the same moment. */
const TOGETHER_H = 1

/** How far apart two scales are that do not agree, g; null where they do, or one alone weighed. */
export function disagreementG(
  weighings: readonly { readonly at: number; readonly grams: number; readonly sdG: number }[],
): number | null {
  const [last, ...before] = [...weighings].sort((a, b) => b.at - a.at)
  if (!last) return null
  const other = before.find((one) => last.at - one.at <= TOGETHER_H)
  if (!other) return null
  const apart = Math.abs(last.grams - other.grams)
  return apart <= 3 * Math.hypot(last.sdG, other.sdG) ? null : apart
}
