import { present } from '#core/present'
import { first as firstOf, last as lastOf } from '#core/numeric/at'
import type { Day } from '#core/calendar/day'
import { isFrostFree, seasonEnds } from '#core/calendar/frost'
import { PLACE_KINDS } from '#core/places/place-kinds'
import { OUTSIDE, type Place } from '#core/places/place'
import { scheduleById } from '#core/season/schedule/schedules'
import { scheduleFromWish, seasonFor, startOfWish } from '#core/season/schedule/schedule-from-wish'
import { nameBook } from '#core/language/name-book'
import { readWish } from '#core/language/read-wish'
import { daysOfWish, type Listening, type Wish } from '#core/language/wish'
import type { Crop } from '#core/sowing/crop'
import type { PacketRecord } from '../records/packet'
import type { SowingRecord } from '../records/sowing'
import { asSowingRequest } from './sowing-request'
import type { SeasonContext } from './season'

/** How sure a wish is to be met where nobody says [default]. */
const CERTAINTY = 0.9

type Known = Pick<
  SeasonContext,
  'crops' | 'containers' | 'recipes' | 'frame' | 'packets' | 'book' | 'calibrations'
>

/** What a household's wishes are heard with. */
export function listeningOf(known: Known, today: Day, order: Listening['order']): Listening {
  const crops = [...known.crops.values()]
  return {
    today,
    order,
    frosts: isFrostFree(known.frame) ? null : seasonEnds(known.frame),
    names: nameBook(
      crops,
      [...known.packets].map(([id, { name, cropId }]) => ({ id, name, cropId })),
    ),
    containers: [...known.containers.values()],
    recipes: [...known.recipes.values()],
    places: namedPlaces(known.frame.places),
    autumnCrops: new Set(crops.filter(({ autumn }) => autumn).map(({ id }) => id)),
  }
}

/**
 * Places by their own names, and by what their kind is called where there is just one of it; kinds nobody has are known
 * too, so that they can be asked about.
 */
export function namedPlaces(places: readonly Place[]): Listening['places'] {
  const own = places.map(({ id, name }) => ({ id, name }))
  const kinds = PLACE_KINDS.flatMap(({ id: kind, name, alsoCalled }) => {
    const of = places.filter((place) => place.kind === kind)
    const id = kind === 'outside' ? (of[0]?.id ?? OUTSIDE.id) : (of[0]?.id ?? null)
    const shown = of[0]?.name ?? name
    return of.length > 1 ? [] : [name, ...alsoCalled].map((called) => ({ id, name: called, shown }))
  })
  return [...own, ...kinds]
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
    scheduleId: null,
    placeId: wish.placeId,
    stages,
  }
  const started = { ...one, ...startOf(wish, one, crop, known) }
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
    daysOfWish(first ?? seasonEnds(known.frame).last, wish).map((day, i) => ({
      ...each,
      name: `${each.name.slice(0, 100)}, ${i + 1} of ${wish.times}`,
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

/** `Yellow pear tomato`: the variety with its crop, where it does not name it itself. */
function labelOf({ variety }: Wish, crop: Crop): string {
  const called = firstOf(crop.name.split(',')).replace(/ from seed$/, '')
  const has = variety.toLowerCase().includes(lastOf(called.toLowerCase().split(' ')))
  const label = !variety ? called : has ? variety : `${variety} ${called.toLowerCase()}`
  return firstOf(label).toUpperCase() + label.slice(1)
}

/** The crop's usual schedule, with the container and the mix that were named at its foot. */
const stagesFor = (wish: Wish, crop: Crop, known: Known): SowingRecord['stages'] =>
  wish.containerId || wish.recipeId
    ? scheduleFromWish(scheduleById(crop.scheduleId).stages, wish, (id) => known.containers.get(id))
    : null

/** A wish for seeds, cells or trays says how much is sown; so many plants may be counted on from it. */
function startOf(
  wish: Wish,
  sowing: SowingRecord,
  crop: Crop,
  known: Known,
): Pick<SowingRecord, 'plants' | 'cells'> {
  const foot = firstOf(sowing.stages ?? scheduleById(crop.scheduleId).stages)
  const cellsInTray = known.containers.get(foot.containerId ?? '')?.cells ?? 1
  return startOfWish(present(wish.amount), present(asSowingRequest(sowing, known)), cellsInTray)
}
