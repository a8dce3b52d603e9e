import { at } from '../../numeric/at'
import type { ScheduleStage } from './schedules'

/** What roots looked like when plants came out of a container. */
export const ROOTS = ['few', 'holding', 'circling'] as const
export type Roots = (typeof ROOTS)[number]

/** The next such sowing leaves that container so many days later or earlier [default]. */
const SHIFT_DAYS: Readonly<Record<Roots, number>> = { few: 3, holding: 0, circling: -4 }
/** No stage gets shorter than this by it, days. */
const MIN_DAYS = 5

/** What was seen last of a crop in a container, by the crop’s and the container’s id. */
export type RootsSeen = ReadonlyMap<string, Roots>
export const rootsKey = (cropId: string, containerId: string): string => `${cropId} ${containerId}`

/**
 * Days on each stage after what the roots of the last such sowing showed: what one stage loses the next gains, so that the day
 * it goes out stays. Days that were set by hand stay as they are.
 */
export function daysByRoots(
  days: readonly number[],
  stages: readonly ScheduleStage[],
  seen: (containerId: string) => Roots | undefined,
): { days: number[]; shifted: { stage: number; days: number; roots: Roots } | null } {
  const after = [...days]
  let shifted: { stage: number; days: number; roots: Roots } | null = null
  for (let i = 0; i + 1 < stages.length; i++) {
    const [here, next] = [at(stages, i), at(stages, i + 1)]
    const moves = next.kind === 'prick out' || next.kind === 'pot up'
    const roots = here.containerId === null ? undefined : seen(here.containerId)
    if (!moves || !roots || here.days !== null || next.days !== null) continue
    const wanted = SHIFT_DAYS[roots]
    // The stage that gets shorter keeps its least.
    const shorter = wanted < 0 ? at(after, i) : at(after, i + 1)
    const by = Math.sign(wanted) * Math.min(Math.abs(wanted), Math.max(0, shorter - MIN_DAYS))
    if (by === 0) continue
    after[i]! += by
    after[i + 1]! -= by
    shifted ??= { stage: i + 1, days: by, roots }
  }
  return { days: after, shifted }
}
