import { cellVolume, type Container } from '../../containers/container'
import type { Crop } from '../../sowing/crop'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { rung as newRung, type LadderRung } from './schedules'
import type { SowingRequest } from './sowing-request'
import { perCellOf, plantsFrom } from './start'

/*
 * What a wish comes to, once it was read: how much is sown, on which ladder, for which season.
 */

/** How much somebody asked for. */
export interface Amount {
  readonly n: number
  readonly of: 'plants' | 'seeds' | 'cells' | 'trays'
}

/** Nobody sows into so much mix: a container from this on is the last of its ladder, mL [common practice]. */
const LAST_CONTAINER_ML = 3000
const FINAL_MIX = 'final-container'

/** The usual ladder, and at its end the bucket, bag or big pot that was named. */
const endingIn = (last: Container, recipeId: string | null, rungs: readonly LadderRung[]): LadderRung[] => [
  ...rungs.filter(({ stage }) => stage !== 'set in').map((rung) => ({ ...rung })),
  newRung('set in', last.id, recipeId ?? FINAL_MIX),
]

/**
 * A ladder that begins in the container and with the mix that were named. A rung that is no larger than what it now
 * begins in is left out: nobody pricks out from a six-pack into a plug. A bucket or a bag is where it ends.
 */
export function ladderFrom(
  rungs: readonly LadderRung[],
  { containerId, recipeId }: { readonly containerId: string | null; readonly recipeId: string | null },
  findContainer: (id: string) => Container | undefined,
): LadderRung[] {
  const named = containerId ? findContainer(containerId) : undefined
  const volume = (container: Container) => cellVolume(container).value
  if (named && volume(named) >= LAST_CONTAINER_ML) return endingIn(named, recipeId, rungs)
  const begins = named
  return rungs
    .filter((rung, i) => {
      const next = i > 0 && rung.containerId ? findContainer(rung.containerId) : undefined
      return !begins || !next || volume(next) > volume(begins)
    })
    .map((rung, i) =>
      i > 0
        ? { ...rung }
        : {
            ...rung,
            // What is sown into cells is no longer broadcast.
            stage: containerId && rung.stage === 'broadcast' ? ('sow' as const) : rung.stage,
            containerId: containerId ?? rung.containerId,
            recipeId: recipeId ?? rung.recipeId,
          },
    )
}

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
