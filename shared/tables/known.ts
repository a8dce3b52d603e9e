import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { BUILT_IN_FEEDS } from '#core/feed/feeds'
import { BUILT_IN } from '#core/media/materials'
import { calledOf as called } from '#core/language/material-term'
import { PLACE_KINDS } from '#core/places/place-kinds'
import { withOutside } from '#core/season/schedule/stays'
import { BUILT_IN_CROPS } from '#core/sowing/crops'
import type { Bodies, Stored } from '#shared/records/collections'
import type { Context } from '../derived/context'
import type { NamedKind } from './column'
import type { Named, Names } from './names'

/** All that a cell can name in a household: what it keeps, and what the book has. */
export function namesOf(
  context: Context,
  {
    sowings,
    batches,
    trays,
  }: {
    sowings: readonly Stored<Bodies['sowings']>[]
    batches: readonly Stored<Bodies['batches']>[]
    trays: readonly Stored<Bodies['trays']>[]
  },
): Names {
  const from = <Row extends { readonly id: string; readonly name: string }>(
    kind: NamedKind,
    rows: Iterable<Row>,
    also: (row: Row) => readonly string[] = () => [],
  ): Named[] => [...rows].map((row) => ({ id: row.id, kind, name: row.name, also: also(row) }))
  const kept = (kind: NamedKind, list: readonly Stored<{ name: string }>[], word = '') =>
    list.map(({ id, number, body }) => ({
      id,
      kind,
      name: body.name,
      also: word ? [`${word} ${number}`, ...(word === 'tray' ? [String(number)] : [])] : [],
    }))
  const ofCrop = ({ botanical, alsoCalled }: { botanical: string; alsoCalled: readonly string[] }) =>
    [botanical, ...alsoCalled].filter(Boolean)
  return {
    materials: from('materials', context.materials.values(), ({ id }) => called(id)),
    feeds: from('feeds', context.feeds.values()),
    containers: from('containers', context.containers.values()),
    crops: from('crops', context.crops.values(), ofCrop),
    recipes: from('recipes', context.recipes.values()),
    packets: [...context.packets].map(([id, { name }]) => ({ id, kind: 'packets', name })),
    places: withOutside(context.frame?.places ?? []).map(({ id, name, kind }) => ({
      id,
      kind: 'places',
      name,
      also: PLACE_KINDS.find((one) => one.id === kind)?.alsoCalled ?? [],
    })),
    tools: from('tools', context.tools),
    sowings: kept('sowings', sowings),
    batches: kept('batches', batches, 'batch'),
    trays: kept('trays', trays, 'tray'),
    bookMaterials: from('bookMaterials', BUILT_IN.values(), ({ id }) => called(id)),
    bookFeeds: from('bookFeeds', BUILT_IN_FEEDS.values()),
    bookContainers: from('bookContainers', BUILT_IN_CONTAINERS.values()),
    bookCrops: from('bookCrops', BUILT_IN_CROPS.values(), ofCrop),
  }
}
