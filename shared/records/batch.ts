import * as z from 'zod'
import { plainBatch } from '#core/media/batch-request'
import { FEELS } from '#core/media/hydration'
import { DAMPNESSES } from '#core/media/moisture'
import { amount, amountIn, day, id, name, reference } from './rules'
import { extras, parts, preparations } from './recipe'

const share = amountIn('share', 'A fraction, 0–1')

export const batchFields = z.object({
  parts,
  lowerParts: parts.default([]).describe('The mix below in layered containers'),
  fills: z
    .array(
      z.object({
        containerId: reference.describe('A catalogue container, or one of the household’s own'),
        count: amount.describe('Whole trays, pots or blocks'),
        cells: amount.nullish().describe('Cells that are filled of these, where it is not all of them'),
        coverMm: amount.describe('Depth of the cover, mm; 0 for none'),
        coverMaterialId: reference.describe('A material, or "mix" for the mix itself'),
        feel: z
          .enum(FEELS)
          .nullish()
          .describe('How wet for this container; null as the batch says, blocks as peanut butter'),
        plants: amount.nullish().describe('Plants in each cell; one where nothing is said'),
        ballContainerId: reference
          .nullish()
          .describe('The container they are potted up out of: its root balls take up room'),
        topMm: amount
          .nullish()
          .describe('Depth of this mix over the lower one, mm; null for one mix to the foot'),
      }),
    )
    .max(500, 'A batch fills at most 500 kinds of container.'),
  allowances: z.object({
    fill: share,
    fillUnderCover: share,
    blockCompression: amountIn('×', 'Loose litres per pressed litre, 1–4'),
    mixingLossK: share,
    spare: share,
  }),
  scoop: z.object({ name, volumeL: amountIn('L', 'L') }),
  packIds: z.record(reference, reference).default({}).describe('Pack chosen for a material, by material id'),
  extras: extras.default([]),
  preparations: preparations.default([]),
  feel: z.enum(FEELS).default(plainBatch().feel).describe('How wet the mix should feel'),
  dampness: z.enum(DAMPNESSES).default(plainBatch().dampness).describe('How damp a bag of ready mix is'),
  tubL: amountIn('L', 'The tub it is stirred in, L; null when large enough').nullable().default(null),
})
export type BatchFields = z.output<typeof batchFields>

/** A planned batch as a household keeps it; its containers are looked up when it is computed. */
export const batch = batchFields.extend({
  name,
  recipeId: reference.nullable().describe('The recipe it started from'),
  lowerRecipeId: reference.nullable().default(null).describe('The recipe the lower mix started from'),
  onDate: day.nullable().default(null).describe('The day the containers are filled'),
  sowings: z
    .array(z.object({ id, stage: z.int().min(0).max(20) }))
    .max(500, 'A batch is for at most 500 stages.')
    .default([])
    .describe('Stages of sowings it is made for: when it is made, they have their mix'),
})
export type BatchRecord = z.output<typeof batch>
