import type { Apart } from '../schedule/placed'
import { apart, type TrayShare } from './packing'

/** A group as its neighbours see it. */
export type Neighbour = Pick<TrayShare, 'name' | 'on' | 'mixC' | 'light' | 'upDays' | 'sown'>

/** Two groups of one tray that want different things, and what. */
export interface Disagreement {
  readonly names: readonly [string, string]
  readonly why: Apart
  readonly days: readonly [number | null, number | null]
  readonly mixC: readonly [number, number]
}

/**
 * Groups of one tray that do not agree: sown on other days, another warmth, light against dark, up at another time.
 *
 * @param withinDays sowings so many days apart still agree
 */
export function disagreements(groups: readonly Neighbour[], withinDays: number): Disagreement[] {
  return groups.flatMap((one, i) =>
    groups.slice(i + 1).flatMap((other) => {
      const why = apart({ ...one, placeIds: '' }, { ...other, placeIds: '' }, withinDays)
      return why
        ? [
            {
              names: [one.name, other.name] as const,
              why,
              days: [one.upDays, other.upDays] as const,
              mixC: [one.mixC, other.mixC] as const,
            },
          ]
        : []
    }),
  )
}
