import { COLLECTIONS } from '#shared/records/collections'
import { COLLECTION_NAMES } from '#shared/records/collection-names'

/* Every field that a kind of record states to point somewhere, and a body with something else there. */

/** A row of lists that the example leaves empty. */
const ROWS: Readonly<Record<string, object>> = {
  lowerParts: { materialId: 'coir', parts: 1 },
  sowings: { id: '', stage: 0 },
}
/** A copy of a body with something else at the first place a path leads to; null where it leads nowhere. */
export function withAt(
  value: unknown,
  [key, ...rest]: readonly string[],
  id: string,
  what?: string,
): unknown {
  if (key === '*') {
    if (!Array.isArray(value) || value.length === 0) return null
    const first = withAt(value[0], rest, id, what)
    return first === null ? null : [first, ...value.slice(1)]
  }
  if (!value || typeof value !== 'object') return null
  const fields = { ...(value as Record<string, unknown>) }
  const row = ROWS[key!]
  if (row && (fields[key!] as unknown[]).length === 0) fields[key!] = [row]
  if (rest.length === 0) return { ...fields, [key!]: id, ...(what && { what }) }
  const inside = withAt(fields[key!], rest, id, what)
  return inside === null ? null : { ...fields, [key!]: inside }
}

export const statements = COLLECTION_NAMES.flatMap((collection) => {
  const { refers, names = {} } = COLLECTIONS[collection] as {
    refers: Record<string, readonly string[]>
    names?: Record<string, readonly string[] | 'what'>
  }
  return Object.entries({ ...refers, ...names }).map(
    ([path, among]) => [collection, path, among === 'what' ? ['sowings'] : among, among === 'what'] as const,
  )
})
