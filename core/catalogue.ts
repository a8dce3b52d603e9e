import { dequal } from 'dequal/lite'
import type { Source } from './working/source'

/**
 * What a household can choose from, by id: the built-in rows, its corrections standing in their place, and before them
 * rows of its own. The same for materials, containers, feeds, crops and recipes.
 */
export type Catalogue<Row> = ReadonlyMap<string, Row>

/** A row whose figures say where they come from. */
export interface Sourced<Key extends string> {
  readonly sources: Readonly<Record<Key, Source>>
}

/** The rows that ship with the application, by id and in their own order. */
export const builtIn = <Row extends { readonly id: string }>(rows: readonly Row[]): Catalogue<Row> =>
  new Map(rows.map((row) => [row.id, row]))

/** Own rows first; one with the id of a built-in row stands in its place. */
export function catalogueOf<Row extends { readonly id: string }>(
  base: Catalogue<Row>,
  own: readonly Row[],
): Catalogue<Row> {
  if (own.length === 0) return base
  const mine = new Map(own.map((row) => [row.id, row]))
  return new Map([
    ...[...mine].filter(([id]) => !base.has(id)),
    ...[...base].map(([id, row]): [string, Row] => [id, mine.get(id) ?? row]),
  ])
}

/** Keys of the figures a household changed; none of a row that corrects nothing built in. */
export function changedFigures<Key extends string>(
  base: Catalogue<Readonly<Record<Key, unknown>>>,
  row: Readonly<Record<Key, unknown>> & { readonly id: string },
  keys: readonly Key[],
): Key[] {
  const original = base.get(row.id)
  return original ? keys.filter((key) => !dequal(original[key], row[key])) : []
}

/** Where each figure comes from: those left as they were keep their source, the rest are `mine`. */
export function sourcesOf<Key extends string>(
  keys: readonly Key[],
  figures: Readonly<Record<Key, unknown>>,
  original: (Readonly<Record<Key, unknown>> & Sourced<Key>) | undefined,
  mine: Source,
): Record<Key, Source> {
  const source = (key: Key) =>
    original && dequal(original[key], figures[key]) ? original.sources[key] : mine
  return Object.fromEntries(keys.map((key) => [key, source(key)])) as Record<Key, Source>
}
