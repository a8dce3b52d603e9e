import { present } from '../../present'
import { cellTopArea } from '../../containers/container'
import { countsSeedlings } from '../../sowing/crop'
import { germinationNow } from '../../sowing/seed-age'
import { anyOf, cellsFor, chanceOfOne, clumpsFor, plantsLikely } from '../../sowing/odds'
import { derive, given } from '../../working/figure'
import { byDefault, learnedSource } from '../../working/source'
import type { SeasonBook } from '../book'
import type { ScheduleStage } from './schedules'
import { LOSSES } from '../../sowing/losses'
import type { SowingRequest } from './sowing-request'

/** Tray for each seed of a broadcast pinch, cm² [common practice: a finger's breadth apart]. */
const CM2_PER_BROADCAST_SEED = 2.5

/** What of the seed comes up, and what of that is lost on the way: by the packet, its age and what was counted here. */
export function seedOf(
  request: Pick<SowingRequest, 'crop' | 'germination' | 'seedYears' | 'counted' | 'losses'>,
) {
  const { share, n } = request.losses ?? { share: LOSSES, n: 0 }
  return {
    germination: germinationNow(
      request.crop,
      request.germination,
      request.seedYears,
      request.counted ?? null,
    ),
    lost: given('Lost on the way', share, 'share', learnedSource(n, byDefault('one in twenty'))),
  }
}

/** Seeds in a cell: as was asked for, else as the crop likes it. */
export const perCellOf = ({ crop, seedsPerCell }: Pick<SowingRequest, 'crop' | 'seedsPerCell'>): number =>
  seedsPerCell ?? crop.seedsPerCell

/** How much to sow. */
export function startOf(
  request: SowingRequest,
  first: ScheduleStage,
  findContainer: SeasonBook['findContainer'],
) {
  const { crop, plants, certainty } = request
  const { germination, lost } = seedOf(request)
  const broadcast = first.kind === 'broadcast'
  const perCell = broadcast ? 1 : perCellOf(request)
  const separate = countsSeedlings(crop)
  // A cluster that comes up is several plants, where they are pulled apart.
  const seedsFor = Math.ceil(plants / crop.seedlings)
  const up = separate || broadcast ? germination : chanceOfOne(germination, perCell)
  const chance = derive(
    separate || broadcast ? 'Chance that a seed gives a plant' : 'Chance that a cell gives a plant',
    'share',
    'c * (1 - l)',
    { c: up, l: lost },
    ({ c, l }) => c * (1 - l),
  )
  if (broadcast) {
    const seeds = cellsFor(seedsFor, chance.value, certainty)
    const tray = present(findContainer(present(first.containerId)))
    const cells = Math.ceil((seeds * CM2_PER_BROADCAST_SEED) / cellTopArea(tray).value)
    return { germination, lost, perCell: Math.ceil(seeds / cells), chance, cells, seeds }
  }
  const cells =
    request.cells ??
    (separate
      ? clumpsFor(seedsFor, perCell, chance.value, certainty)
      : cellsFor(plants, chance.value, certainty))
  return { germination, lost, perCell, chance, cells, seeds: cells * perCell }
}

/** Good plants that so many cells give with that certainty; 0 where none can be counted on. */
export function plantsFrom(
  cells: number,
  request: Parameters<typeof seedOf>[0] & Pick<SowingRequest, 'certainty' | 'seedsPerCell'>,
): number {
  const { crop, certainty } = request
  const perCell = perCellOf(request)
  const { germination, lost } = seedOf(request)
  const separate = countsSeedlings(crop)
  const tries = separate ? cells * perCell : cells
  const up = separate ? germination.value : anyOf(germination.value, perCell)
  return plantsLikely(tries, up * (1 - lost.value), certainty) * (separate ? crop.seedlings : 1)
}
