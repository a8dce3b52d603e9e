import * as z from 'zod'
import { bodyOf, type Stored } from '../records/collections'
import { COLLECTION_NAMES } from '../records/collection-names'
import type { HouseholdRecord } from '../records/household'
import { id } from '../records/rules'
import { refuse, type Change, type Refusal } from './command'
import type { WrittenRecord } from './written'

/*
 * The opposite of an act is an act: what was made is removed, what was removed comes back, what was changed is as it was. What an
 * act wrote is kept with it, so the server finds the opposite; undoing an undo does it again.
 */

const shape = {
  act: id.describe('The act that is undone'),
  /** Where a record was changed since, by whom asks: the version they have seen. */
  seen: z
    .array(z.object({ collection: z.enum([...COLLECTION_NAMES, 'household']), id, version: z.int().min(1) }))
    .max(2000)
    .default([]),
}
export const undo = { name: 'undo', intent: z.object({ name: z.literal('undo'), ...shape }) } as const
export const redo = { name: 'redo', intent: z.object({ name: z.literal('redo'), ...shape }) } as const
export type UndoIntent = z.output<typeof undo.intent> | z.output<typeof redo.intent>

/** What is found of a record that an act wrote, when that is undone. */
export interface Found {
  /** As it stands; null where it is out of sight. */
  readonly now: Stored<object> | null
  /** What it was before the act, where that is kept. */
  readonly past?: object | undefined
  /** The version that who asks has seen of it. */
  readonly seen?: number | undefined
}
/** Somebody else has changed it since. */
export interface ChangedSince {
  readonly stale: Stored<object>
}

/** The opposite of what an act did to one record. The last record of an act is undone first. */
export function oppositeOf(
  { collection, id, after, stood, stands }: WrittenRecord,
  { now, past, seen }: Found,
): Change | Refusal | ChangedSince {
  if (collection !== 'household' && !stands) return { do: 'restore', collection, id, version: after }
  if (!now) return refuse(['act'], { kind: 'goneForUndo' })
  const { version } = now
  if (version !== after && version !== seen) return { stale: now }
  if (collection !== 'household' && !stood) return { do: 'remove', collection, id, version }
  if (!past) return collection === 'household' ? { stale: now } : refuse(['act'], { kind: 'pastNotKept' })
  return collection === 'household'
    ? { do: 'household', version, body: past as HouseholdRecord }
    : ({ do: 'put', collection, id, version, body: bodyOf(collection).parse(past) } as Change)
}
