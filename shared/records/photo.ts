import * as z from 'zod'
import { day, id, name } from './rules'

/** A picture: what it is of and when it was taken. The picture itself is a file that was sent before. */
export const photo = z.object({
  name: name.describe('What it shows, in a few words'),
  fileId: id.describe('The file it is kept in'),
  on: day.describe('The day it was taken'),
  subjects: z
    .array(z.object({ what: z.enum(['trays', 'sowings', 'batches', 'packets']), id }))
    .max(50, 'A photo is about at most 50 things.')
    .default([]),
  placeId: z.string().min(1).max(64).nullable().default(null),
  width: z.int().min(1).max(4096).describe('Pixels'),
  height: z.int().min(1).max(4096).describe('Pixels'),
  note: z.string().max(600, 'Keep the note under 600 characters.').default(''),
})
export type PhotoRecord = z.output<typeof photo>
