import { comesUpBetween } from '../sowing/emergence'
import { cellsFor, clumpsFor } from '../sowing/odds'
import type { Figure } from '../working/figure'
import { addDays, type Day } from './day'
import type { SeasonFrame } from './frame'
import type { SowingRequest } from './sowing'
import { LOSSES } from './start'

/** Something to know before sowing. */
export type Notice =
  | { readonly kind: 'too cold to come up'; readonly mixC: number; readonly range: readonly [number, number] }
  | { readonly kind: 'too hot to come up'; readonly mixC: number; readonly range: readonly [number, number] }
  | { readonly kind: 'out before the frost is over'; readonly earliest: Day }
  | { readonly kind: 'not before the frost'; readonly latestSow: Day; readonly latestOut: Day }
  | { readonly kind: 'not ready by then'; readonly ready: Day }
  | { readonly kind: 'seed is short'; readonly short: number }
  | { readonly kind: 'fewer came up'; readonly up: number; readonly plants: number; readonly cells: number }

/** What to know before sowing, and once it was counted. */
export function noticesOf(
  request: SowingRequest,
  frame: SeasonFrame,
  { outOn }: { outOn: Day },
  { seeds, perCell, chance, up }: { seeds: number; perCell: number; chance: Figure; up: number | null },
  mixC: number,
  comesUp: boolean,
): Notice[] {
  const { crop, season, seedsThere, outOn: wanted, plants, certainty } = request
  const range = comesUpBetween(crop.emergence)
  const left = up === null ? plants : Math.floor(up * (1 - LOSSES))
  const earliest = addDays(frame.lastFrost, crop.outAfterFrostWeeks * 7)
  const latestOut =
    crop.weeksBeforeFrost === null ? null : addDays(frame.firstFrost, -crop.weeksBeforeFrost * 7)
  return [
    ...(comesUp
      ? []
      : [
          {
            kind: mixC > range[1] ? ('too hot to come up' as const) : ('too cold to come up' as const),
            mixC,
            range,
          },
        ]),
    ...(left < plants
      ? [
          {
            kind: 'fewer came up' as const,
            up: up!,
            plants: left,
            cells: crop.clump
              ? clumpsFor(plants - left, perCell, chance.value, certainty)
              : cellsFor(plants - left, chance.value, certainty),
          },
        ]
      : []),
    ...(season === 'spring' && outOn < earliest
      ? [{ kind: 'out before the frost is over' as const, earliest }]
      : []),
    ...(latestOut && outOn > latestOut
      ? [
          {
            kind: 'not before the frost' as const,
            latestOut,
            latestSow: addDays(latestOut, -crop.weeks[0] * 7),
          },
        ]
      : []),
    ...(wanted && outOn > wanted ? [{ kind: 'not ready by then' as const, ready: outOn }] : []),
    // What is sown has left the packet.
    ...(seedsThere !== null && request.done['rung-0'] === undefined && seeds > seedsThere
      ? [{ kind: 'seed is short' as const, short: seeds - seedsThere }]
      : []),
  ]
}
