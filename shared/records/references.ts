import { present } from '#core/present'
import { COLLECTIONS, type Bodies, type Collection } from './collections'

const ROW = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

/** Ids of rows a record points at, and the collections each may be in; rows of the book have short ids and are left out. */
export function referred<C extends Collection>(
  collection: C,
  body: Bodies[C],
): { ids: string[]; among: readonly (Collection | 'photo-files')[] }[] {
  const found = Object.entries(COLLECTIONS[collection].refers as Record<string, readonly Collection[]>).map(
    ([path, among]) => ({
      among: among as readonly (Collection | 'photo-files')[],
      ids: valuesAt(body, path.split('.')).filter((id) => ROW.test(id)),
    }),
  )
  const { subjects, fileId } = body as {
    subjects?: readonly { what: Collection; id: string }[]
    fileId?: string
  }
  for (const what of new Set(Array.isArray(subjects) ? subjects.map((one) => one.what) : []))
    found.push({
      among: [what],
      ids: present(subjects)
        .filter((one) => one.what === what)
        .map(({ id }) => id),
    })
  if (collection === 'photos' && fileId) found.push({ among: ['photo-files'], ids: [fileId] })
  return found.filter(({ ids }) => ids.length > 0)
}

function valuesAt(value: unknown, [key, ...rest]: readonly string[]): string[] {
  if (key === undefined) return typeof value === 'string' ? [value] : []
  if (key === '*') return Array.isArray(value) ? value.flatMap((one) => valuesAt(one, rest)) : []
  return value && typeof value === 'object' ? valuesAt((value as Record<string, unknown>)[key], rest) : []
}
