import * as z from 'zod'
import { MAX_COLUMNS, MAX_ROWS, MAX_GROUPS } from '#core/trays/layout'
import { amount, day, id, name, reference } from './rules'

/** Where the corner is that is marked on the tray itself, seen from above. */
export const CORNERS = ['top left', 'top right', 'bottom left', 'bottom right'] as const

const code = z.string().regex(/^[A-Z]{1,2}$/, 'A group is called by a letter or two: A, B … AA.')
const placeId = z.string().max(64).nullable().default(null)

/** Cells of one crop and variety in a tray. */
const group = z.object({
  code,
  name: name.describe('Crop and variety, as on the label'),
  cropId: reference,
  sowingId: id.nullable().default(null).describe('The sowing it belongs to; null for what no plan knows'),
  stage: z
    .int()
    .min(0)
    .max(99)
    .default(0)
    .describe('The stage of the sowing’s schedule; 0 where seed was sown'),
  packetId: id.nullable().default(null),
  seedsPerCell: amount.default(1).describe('Seeds in a cell, a furrow or a field'),
})

/** One real, numbered tray: what it is to hold. What happened in it is in the entries. */
export const tray = z.object({
  name: name.describe('What it is called beside its number'),
  containerId: reference,
  rows: amount.describe('Rows, from the marked corner'),
  columns: amount.describe('Cells in a row; 1 for furrows'),
  turned: z.boolean().default(false).describe('Whether it is drawn standing on its short side'),
  corner: z.enum(CORNERS).default('top left').describe('Where the marked corner lies'),
  placeId: placeId.describe('Where it stands; null where nobody said'),
  cut: z
    .object({ column: z.int().min(1).max(MAX_COLUMNS), placeId: z.string().max(64) })
    .nullable()
    .default(null)
    .describe('It was cut in two: from this column on it stands in another place'),
  batchId: id.nullable().default(null).describe('The batch of mix it was filled from'),
  recipeId: reference.nullable().default(null).describe('The mix, where no batch says it'),
  groups: z.array(group).max(MAX_GROUPS, `A tray holds at most ${MAX_GROUPS} groups.`).default([]),
  cells: z
    .array(z.union([code, z.literal('')]))
    .max(MAX_ROWS * MAX_COLUMNS)
    .describe('For each cell, row by row from the marked corner, the code of its group; empty where none'),
  emptiedOn: day.nullable().default(null).describe('The day it was emptied; it is then out of sight'),
})
export type TrayRecord = z.output<typeof tray>
