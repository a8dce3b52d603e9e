import { at as elementAt } from '#core/numeric/at'
import type { Bodies, Everything, Stored } from '../records/collections'
import { COLLECTION_NAMES } from '../records/collection-names'
import type { Performed } from './written'

type Entry = Stored<Bodies['entries']>

/** What a household keeps, with what an act changed in the place of what was there. Page and server look at this one. */
export function applied(
  kept: Everything,
  { changed, household }: Pick<Performed, 'changed' | 'household'>,
): Everything {
  const next: Everything = { ...kept, ...(household && { household }) }
  for (const collection of COLLECTION_NAMES) {
    const records = new Map(
      changed.filter((one) => one.collection === collection).map(({ id, record }) => [id, record]),
    )
    if (records.size === 0) continue
    const list: Stored<unknown>[] = []
    for (const one of next[collection] as Stored<unknown>[]) {
      const record = records.has(one.id) ? records.get(one.id) : one
      if (record) list.push(record)
      records.delete(one.id)
    }
    for (const record of records.values()) if (record) list.push(record)
    Object.assign(next, { [collection]: list })
  }
  for (const { collection, id, record } of changed)
    if (collection === 'entries')
      next.measurements = measurementsWith(next.measurements, id, record as Entry | null)
  next.entries = inOrder(next.entries)
  return next
}

/** Whether all that changed is new or was in sight, so that nothing else came into sight with it. */
export const isInSight = (kept: Everything, changed: Performed['changed']): boolean =>
  changed.every(
    ({ collection, id, record }) =>
      record === null ||
      record.version === 1 ||
      (kept[collection] as Stored<unknown>[]).some((one) => one.id === id),
  )

/** What an entry measured stands with it, and goes with it. */
function measurementsWith(before: Everything['measurements'], entryId: string, entry: Entry | null) {
  const now = entry ? entry.body.measured.map((one) => ({ entryId, on: entry.body.on, ...one })) : []
  const at = before.findIndex((one) => one.entryId === entryId)
  if (at < 0) return now.length ? [...before, ...now] : before
  return [...before.slice(0, at), ...now, ...before.slice(at).filter((one) => one.entryId !== entryId)]
}

/** Entries stand in the order they were written. */
function inOrder(entries: Everything['entries']) {
  const isSorted = entries.every((one, i) => i === 0 || elementAt(entries, i - 1).number <= one.number)
  return isSorted ? entries : [...entries].sort((a, b) => a.number - b.number)
}
