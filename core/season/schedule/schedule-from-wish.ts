import { cellVolume, type Container } from '../../containers/container'
import type { Crop } from '../../sowing/crop'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { stage as newStage, type ScheduleStage } from './schedules'
import type { SowingRequest } from './sowing-request'
import { perCellOf, plantsFrom } from './start'

/*
 * What a wish comes to, once it was read: how much is sown, on which schedule, for which season.
 */

/** How much somebody asked for. */
export interface Amount {
  readonly n: number
  readonly of: 'plants' | 'seeds' | 'cells' | 'trays'
}

/** Nobody sows into so much mix: a container from this on is the last of its schedule, mL [common practice]. */
const LAST_CONTAINER_ML = 3000
const FINAL_MIX = 'final-container'

/** The usual schedule, and at its end the bucket, bag or big pot that was named. */
const endingIn = (
  last: Container,
  recipeId: string | null,
  stages: readonly ScheduleStage[],
): ScheduleStage[] => [
  ...stages.filter(({ kind }) => kind !== 'set in').map((stage) => ({ ...stage })),
  newStage('set in', last.id, recipeId ?? FINAL_MIX),
]

/** What was said of the way from seed to the ground. */
export interface WaySaid {
  readonly containerId: string | null
  readonly recipeId: string | null
  /** It stays in its cell until it goes out. */
  readonly direct?: boolean
  /** Seed is scattered over the container, and pricked out. */
  readonly broadcast?: boolean
  /** What it is pricked out or potted up into; a container of null is that of the schedule. */
  readonly next?: { readonly containerId: string | null } | null
}
const PRICKED_INTO = 'tray-72'
const MOVES: readonly string[] = ['prick out', 'pot up']

/**
 * A schedule that begins in the container and with the mix that were named, and goes on as was said. A stage that is no larger
 * than what it now begins in is left out: nobody pricks out from a six-pack into a plug. A bucket or a bag is where it ends.
 */
export function scheduleFromWish(
  stages: readonly ScheduleStage[],
  { containerId, recipeId, direct = false, broadcast = false, next = null }: WaySaid,
  findContainer: (id: string) => Container | undefined,
): ScheduleStage[] {
  const named = containerId ? findContainer(containerId) : undefined
  const volume = (container: Container) => cellVolume(container).value
  if (named && !broadcast && volume(named) >= LAST_CONTAINER_ML) return endingIn(named, recipeId, stages)
  const begins = broadcast ? undefined : named
  const kept = stages.filter(({ kind, containerId: into }, i) => {
    if (i > 0 && MOVES.includes(kind) && (direct || next)) return false
    const then = i > 0 && into ? findContainer(into) : undefined
    return !begins || !then || volume(then) > volume(begins)
  })
  const all = kept.map((stage, i): ScheduleStage => {
    if (i > 0) return { ...stage }
    // What is sown into cells is no longer broadcast.
    const kind = broadcast ? 'broadcast' : containerId && stage.kind === 'broadcast' ? 'sow' : stage.kind
    return {
      ...stage,
      kind,
      containerId: containerId ?? stage.containerId,
      recipeId: recipeId ?? stage.recipeId,
    }
  })
  const moves = all.some(({ kind }) => MOVES.includes(kind))
  if (!next && !(broadcast && !moves)) return all
  const usual = stages.find(({ kind }) => MOVES.includes(kind))
  const into = next?.containerId ?? usual?.containerId ?? PRICKED_INTO
  const moved = newStage(
    broadcast ? 'prick out' : 'pot up',
    into,
    usual?.recipeId ?? stages[0]?.recipeId ?? null,
    HALF,
  )
  return [...all.slice(0, 1).map((stage) => ({ ...stage, part: HALF })), moved, ...all.slice(1)]
}
/** Of the weeks under cover before it is moved, and after [default]. */
const HALF = 0.5

/** How much is sown for a wish, and the good plants that may be counted on; cells null where plants were asked for. */
export function startOfWish(
  { n, of }: Amount,
  request: SowingRequest,
  cellsInTray: number,
): { plants: number; cells: number | null } {
  if (of === 'plants') return { plants: n, cells: null }
  const sown = { cells: n, trays: n * cellsInTray, seeds: Math.floor(n / perCellOf(request)) }[of]
  const cells = Math.max(1, Math.round(sown))
  return { plants: Math.max(1, plantsFrom(cells, request)), cells }
}

/** Whether so late a day of planting out means the autumn crop: past the middle between the frosts, where it is grown so. */
export function seasonFor(
  crop: Pick<Crop, 'autumn'>,
  outOn: Day | null,
  { last, first }: { last: Day; first: Day },
): 'spring' | 'autumn' {
  const middle = addDays(last, daysBetween(last, first) / 2)
  return crop.autumn && outOn !== null && outOn > middle ? 'autumn' : 'spring'
}
