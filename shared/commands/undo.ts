import * as z from 'zod'
import { COLLECTION_NAMES } from '../collections'
import { id } from '../rules'

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
