import { COLLECTIONS, type Bodies } from './collections'
import type { Collection } from './collection-names'

/** An id of a row; rows of the book have short ids. */
const ROW = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i
export const isRowId = (id: string): boolean => ROW.test(id)

export type Target = Collection | 'photo-files'

/** A field of a record that points somewhere. */
export interface Pointer {
  readonly path: readonly (string | number)[]
  readonly id: string
  /** Where what it points at may be. */
  readonly among: readonly Target[]
}

/** Every field of a record that points somewhere, however deep, as its kind states it. */
export function pointersOf<C extends Collection>(collection: C, body: Bodies[C]): Pointer[] {
  const { refers, names = {} } = COLLECTIONS[collection] as {
    refers: Readonly<Record<string, readonly Target[]>>
    names?: Readonly<Record<string, readonly Target[] | 'what'>>
  }
  return Object.entries({ ...refers, ...names }).flatMap(([path, among]) =>
    valuesAt(body, path.split('.')).map(({ path: at, id, beside }) => ({
      path: at,
      id,
      among: among === 'what' ? [beside['what'] as Collection] : among,
    })),
  )
}

/** Ids of rows a record points at, and where each may be; rows of the book are left out. */
export const referred = <C extends Collection>(collection: C, body: Bodies[C]): Pointer[] =>
  pointersOf(collection, body).filter(({ id }) => isRowId(id))

interface Found {
  readonly path: readonly (string | number)[]
  readonly id: string
  /** The fields that stand beside it. */
  readonly beside: Readonly<Record<string, unknown>>
}
function valuesAt(
  value: unknown,
  [key, ...rest]: readonly string[],
  path: Found['path'] = [],
  beside: Found['beside'] = {},
): Found[] {
  if (key === undefined) return typeof value === 'string' ? [{ path, id: value, beside }] : []
  if (key === '*')
    return Array.isArray(value) ? value.flatMap((one, i) => valuesAt(one, rest, [...path, i], beside)) : []
  if (!value || typeof value !== 'object') return []
  const fields = value as Record<string, unknown>
  return valuesAt(fields[key], rest, [...path, key], fields)
}
