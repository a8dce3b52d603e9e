import type { Container } from '#core/containers/container'
import { addDays, daysBetween, type Day } from '#core/season/day'
import { ladderById } from '#core/season/ladder'
import { plantsFrom } from '#core/season/sowing'
import { nameBook } from '#core/season/wish/names'
import { daysOfWish, readWish, type Listening, type Wish } from '#core/season/wish/wish'
import type { Crop } from '#core/sowing/crop'
import type { PacketRecord } from './records/packet'
import type { SowingRecord } from './records/sowing'
import type { SeasonContext } from './season'

type Known = Pick<SeasonContext, 'crops' | 'containers' | 'recipes' | 'frame' | 'packets' | 'book'>

/** What a household's wishes are heard with. */
export function listeningOf(known: Known, today: Day, order: Listening['order']): Listening {
  const crops = [...known.crops.values()]
  return {
    today,
    order,
    frosts: { last: known.frame.lastFrost, first: known.frame.firstFrost },
    names: nameBook(
      crops,
      [...known.packets].map(([id, { name, cropId }]) => ({ id, name, cropId })),
    ),
    containers: [...known.containers.values()],
    recipes: [...known.recipes.values()],
    places: [],
    autumnCrops: new Set(crops.filter(({ autumn }) => autumn).map(({ id }) => id)),
  }
}

/** A wish as it was read, and the sowings it comes to; none while something is still to be asked. */
export interface ReadWish {
  readonly wish: Wish
  readonly sowings: readonly SowingRecord[]
}

/**
 * A wish in one sentence, and what it comes to.
 *
 * @param unreadIsFine words that were not understood are left out, because somebody said so
 */
export function heardWish(text: string, listening: Listening, known: Known, unreadIsFine = false): ReadWish {
  const wish = readWish(text, listening)
  const crop = known.crops.get(wish.cropId ?? '')
  const ready = crop && wish.asks.length === 0 && (unreadIsFine || wish.unread.length === 0)
  return { wish, sowings: ready ? sowingsOf(wish, crop, known) : [] }
}

function sowingsOf(wish: Wish, crop: Crop, known: Known): SowingRecord[] {
  const { kinds, outOn, sowOn } = wish
  const packetId = wish.packetId ?? onlyPacket(crop.id, known.packets)
  const germination = packetId ? known.packets.get(packetId)!.germination : null
  const rungs = rungsFor(wish, crop)
  const one: SowingRecord = {
    name: labelOf(wish, crop),
    cropId: crop.id,
    packetId,
    plants: wish.amount!.n,
    cells: null,
    season: wish.season ?? seasonFor(crop, outOn, known.frame),
    outOn: sowOn && wish.sown ? null : outOn,
    sowOn,
    germination: null,
    certainty: 0.9,
    seedsPerCell: wish.seedsPerCell,
    ladderId: null,
    rungs,
  }
  const started = { ...one, ...startOf(wish, crop, known, germination) }
  const ofKinds = kinds
    ? Array.from({ length: kinds.count }, (_, i) => ({
        ...started,
        name: `${one.name.slice(0, 100)}, kind ${i + 1} of ${kinds.count}`,
        plants: kinds.each,
      }))
    : [started]
  if (wish.times < 2) return ofKinds
  const first = outOn ?? sowOn
  return ofKinds.flatMap((each) =>
    daysOfWish(first ?? known.frame.lastFrost, wish).map((day, i) => ({
      ...each,
      name: `${each.name.slice(0, 100)}, ${i + 1} of ${wish.times}`,
      ...(first ? (outOn ? { outOn: day } : { sowOn: day }) : {}),
    })),
  )
}

/** The packet of a crop, where there is just one. */
function onlyPacket(cropId: string, packets: ReadonlyMap<string, PacketRecord>): string | null {
  const of = [...packets].filter(([, one]) => one.cropId === cropId)
  return of.length === 1 ? of[0]![0] : null
}

/** `Yellow pear tomato`: the variety with its crop, where it does not name it itself. */
function labelOf({ variety }: Wish, crop: Crop): string {
  const called = crop.name.split(',')[0]!.replace(/ from seed$/, '')
  const has = variety.toLowerCase().includes(called.toLowerCase().split(' ').at(-1)!)
  const label = !variety ? called : has ? variety : `${variety} ${called.toLowerCase()}`
  return label[0]!.toUpperCase() + label.slice(1)
}

/** The crop's usual ladder, with the container and the mix that were named at its foot. */
function rungsFor({ containerId, recipeId }: Wish, crop: Crop): SowingRecord['rungs'] {
  if (!containerId && !recipeId) return null
  return ladderById(crop.ladderId).rungs.map((rung, i) =>
    i === 0
      ? {
          ...rung,
          // What is sown into cells is no longer broadcast.
          stage: containerId && rung.stage === 'broadcast' ? ('sow' as const) : rung.stage,
          containerId: containerId ?? rung.containerId,
          recipeId: recipeId ?? rung.recipeId,
        }
      : { ...rung },
  )
}

/** A wish for seeds, cells or trays says how much is sown; so many plants may be counted on from it. */
function startOf(
  wish: Wish,
  crop: Crop,
  known: Known,
  germination: number | null,
): Pick<SowingRecord, 'plants' | 'cells'> {
  const { n, of } = wish.amount!
  if (of === 'plants') return { plants: n, cells: null }
  const foot = (rungsFor(wish, crop) ?? ladderById(crop.ladderId).rungs)[0]!
  const container: Container | undefined = known.containers.get(foot.containerId ?? '')
  const perCell = wish.seedsPerCell ?? crop.seedsPerCell
  const cells = Math.max(
    1,
    Math.round(of === 'cells' ? n : of === 'trays' ? n * (container?.cells ?? 1) : Math.floor(n / perCell)),
  )
  const plants = plantsFrom(cells, perCell, {
    crop,
    germination: germination ?? crop.germination,
    certainty: 0.9,
  })
  return { plants: Math.max(1, plants), cells }
}

/** Whether so late a day of planting out means the autumn crop: past the middle between the frosts, where it is grown so. */
export function seasonFor(
  crop: Pick<Crop, 'autumn'>,
  outOn: Day | null,
  { lastFrost, firstFrost }: { lastFrost: Day; firstFrost: Day },
): 'spring' | 'autumn' {
  const middle = addDays(lastFrost, daysBetween(lastFrost, firstFrost) / 2)
  return crop.autumn && outOn !== null && outOn > middle ? 'autumn' : 'spring'
}
