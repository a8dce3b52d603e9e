import { present } from '#core/present'
import { first as firstOf, last as lastOf } from '#core/numeric/at'
import { seasonEnds } from '#core/calendar/frost'
import { stagesWith } from '#core/season/schedule/schedules'
import { scheduleFromWish, seasonFor, startOfWish } from '#core/season/schedule/schedule-from-wish'
import { daysOfWish, sharedOut, type Wish } from '#core/language/wish-said'
import type { Read } from '#core/language/reading'
import { plainName } from '#core/text/words'
import type { Crop } from '#core/sowing/crop'
import type { PacketRecord } from '../records/packet'
import type { SowingRecord } from '../records/sowing'
import { asSowingRequest } from './sowing-request'
import type { SeasonContext } from './season'

/** How sure a wish is to be met where nobody says [default]. */
const CERTAINTY = 0.9

export type PlannedWith = Pick<
  SeasonContext,
  'crops' | 'containers' | 'recipes' | 'frame' | 'packets' | 'book' | 'usualMixes' | 'calibrations'
>

/** The sowings that wishes come to, of each its own; none of any while something is still to be asked. */
export function sowingsFrom(read: Read<Wish>, known: PlannedWith): SowingRecord[][] {
  const ready = read.questions.length === 0
  return read.meaning.map((wish) => {
    const crop = known.crops.get(wish.cropId ?? '')
    return ready && crop ? sowingsOf(wish, crop, known) : []
  })
}

const MAX_NAME = 100
const MAX_NOTE = 600

function sowingsOf(wish: Wish, crop: Crop, known: PlannedWith): SowingRecord[] {
  const { kinds, outOn, sowOn } = wish
  const packetId = wish.packetId ?? onlyPacket(crop.id, known.packets)
  const stages = stagesFor(wish, crop, known)
  const one: SowingRecord = {
    name: labelOf(wish, crop),
    cropId: crop.id,
    packetId,
    plants: present(wish.amount).n,
    cells: null,
    season: wish.season ?? seasonFor(crop, outOn, seasonEnds(known.frame)),
    outOn: sowOn && wish.sown ? null : outOn,
    sowOn,
    germination: null,
    certainty: CERTAINTY,
    seedsPerCell: wish.seedsPerCell,
    depthMm: wish.depthMm,
    scheduleId: null,
    placeId: wish.placeId,
    stages,
    note: wish.notes.join(', ').slice(0, MAX_NOTE),
  }
  const started = { ...one, ...startOf(wish, one, crop, known) }
  const ofKinds = kinds
    ? sharedOut(started.cells ?? started.plants, kinds.count).map((share, i) => ({
        ...started,
        name: `${one.name.slice(0, MAX_NAME)}, kind ${i + 1} of ${kinds.count}`,
        plants:
          started.cells === null ? share : Math.max(1, Math.round((started.plants * share) / started.cells)),
        cells: started.cells === null ? null : share,
      }))
    : [started]
  if (wish.times < 2) return ofKinds
  const first = outOn ?? sowOn
  return ofKinds.flatMap((each) =>
    daysOfWish(first ?? seasonEnds(known.frame).last, wish).map((day, i) => ({
      ...each,
      name: `${each.name.slice(0, MAX_NAME)}, ${i + 1} of ${wish.times}`,
      ...(first ? (outOn ? { outOn: day } : { sowOn: day }) : {}),
    })),
  )
}

/** The kind a label names, without the number of its succession: `Kale, 2 of 4` is kale. */
export const kindOf = (label: string): string => label.replace(/, (\d+ of \d+|again)$/, '').toLowerCase()

/** The packet of a crop, where there is just one. */
function onlyPacket(cropId: string, packets: ReadonlyMap<string, PacketRecord>): string | null {
  const of = [...packets].filter(([, one]) => one.cropId === cropId)
  return of.length === 1 ? firstOf(of)[0] : null
}

/** `Yellow pear tomato`: the variety with its crop, as it was called; somebody who says eggplant reads eggplant. */
function labelOf({ variety, called: said }: Wish, crop: Crop): string {
  const inBook = firstOf(crop.name.split(',')).replace(/ from seed$/, '')
  const isName = crop.alsoCalled.some((name) => plainName(name).join(' ') === plainName(said).join(' '))
  const called = isName && !crop.botanical.startsWith(said) ? plainName(said).join(' ') : inBook
  const has = variety.toLowerCase().includes(lastOf(called.toLowerCase().split(' ')))
  const label = !variety ? called : has ? variety : `${variety} ${called.toLowerCase()}`
  return firstOf(label).toUpperCase() + label.slice(1)
}

/** The crop's usual schedule, with what was said of its way: the container and the mix it begins in, and what comes then. */
const stagesFor = (wish: Wish, crop: Crop, known: PlannedWith): SowingRecord['stages'] =>
  wish.containerId || wish.recipeId || wish.direct || wish.next || wish.broadcast
    ? scheduleFromWish(stagesWith(crop.scheduleId, known.usualMixes), wish, (id) => known.containers.get(id))
    : null

/** A wish for seeds, cells or trays says how much is sown; so many plants may be counted on from it. */
function startOf(
  wish: Wish,
  sowing: SowingRecord,
  crop: Crop,
  known: PlannedWith,
): Pick<SowingRecord, 'plants' | 'cells'> {
  const foot = firstOf(sowing.stages ?? stagesWith(crop.scheduleId, known.usualMixes))
  const cellsInTray = known.containers.get(foot.containerId ?? '')?.cells ?? 1
  return startOfWish(present(wish.amount), present(asSowingRequest(sowing, known)), cellsInTray)
}
