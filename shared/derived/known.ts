import { isFrostFree, seasonEnds } from '#core/calendar/frost'
import type { Day } from '#core/calendar/day'
import type { Words } from '#core/language/reading'
import { vesselsOf } from '#core/language/vessel-measures'
import { OUTSIDE, type Place } from '#core/places/place'
import { PLACE_KINDS } from '#core/places/place-kinds'
import type { UnitSystem } from '#core/units/unit'
import { standingTrays, type Bench } from './bench'
import type { Context } from './context'

/** What a household calls things by. */
export type Names = Pick<
  Context,
  'crops' | 'containers' | 'recipes' | 'packets' | 'frame' | 'materials' | 'feeds' | 'tools' | 'stocks'
>

/**
 * What sentences are read with, of a household or of the catalogues alone.
 *
 * @param bench the trays and sowings that stand; none where nothing stands yet
 */
export function wordsOf(
  names: Names,
  today: Day,
  order: Words['order'],
  units: UnitSystem,
  bench?: Bench,
): Words {
  const crops = [...names.crops.values()]
  const { frame } = names
  return {
    ...{ today, order, units },
    frosts: frame && !isFrostFree(frame) ? seasonEnds(frame) : null,
    crops: crops.map(({ id, name, alsoCalled, botanical, family }) => ({
      id,
      name,
      alsoCalled,
      botanical,
      family,
    })),
    packets: [...names.packets].map(([id, { name, cropId }]) => ({ id, name, cropId })),
    vessels: vesselsOf(names.containers.values()),
    recipes: [...names.recipes.values()].map(({ id, name }) => ({ id, name })),
    places: namedPlaces(frame?.places ?? []),
    autumnCrops: crops.filter(({ autumn }) => autumn).map(({ id }) => id),
    materials: [...names.materials.values()].map(({ id, name, kind, dryBulkDensityGPerL, packs }) => ({
      ...{ id, name, kind, dryBulkDensityGPerL },
      packs: packs.map((pack) => ({ name: pack.name })),
    })),
    atHand: names.stocks.filter(({ body }) => body.packs > 0).map(({ body }) => body.goodsId),
    feeds: [...names.feeds.values()].map(({ id, name }) => ({ id, name })),
    tools: names.tools.flatMap(({ name, capacityMl }) =>
      capacityMl ? [{ name, volumeL: capacityMl / 1000 }] : [],
    ),
    feedForm: 'liquid',
    ...(bench ? standing(bench) : { trays: [], sowings: [], batches: [] }),
  }
}

function standing(bench: Bench): Pick<Words, 'trays' | 'sowings' | 'batches'> {
  return {
    trays: standingTrays(bench).map((tray) => {
      const stands = new Map(bench.stands(tray).groups.map((one) => [one.group.code, one]))
      return {
        id: tray.id,
        number: tray.number,
        groups: tray.body.groups.map(({ code, name, cropId, sowingId }) => {
          const now = stands.get(code)
          return {
            code,
            name,
            cropId,
            sowingId,
            ...(now ? { sown: now.sown, up: now.up, standing: now.standing } : {}),
          }
        }),
      }
    }),
    sowings: bench.kept.sowings.map(({ id, body }) => ({
      id,
      name: body.name,
      cropId: body.cropId,
      plants: body.plants,
    })),
    batches: bench.kept.batches.map(({ id, number }) => ({ id, number })),
  }
}

/**
 * Places by their own names, and by what their kind is called where there is just one of it; kinds nobody has are known
 * too, so that they can be asked about.
 */
export function namedPlaces(places: readonly Place[]): Words['places'] {
  const own = places.map(({ id, name }) => ({ id, name }))
  const kinds = PLACE_KINDS.flatMap(({ id: kind, name, alsoCalled }) => {
    const of = places.filter((place) => place.kind === kind)
    const id = kind === 'outside' ? (of[0]?.id ?? OUTSIDE.id) : (of[0]?.id ?? null)
    const shown = of[0]?.name ?? name
    return of.length > 1 ? [] : [name, ...alsoCalled].map((called) => ({ id, name: called, shown }))
  })
  return [...own, ...kinds]
}
