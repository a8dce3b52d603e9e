import * as z from 'zod'
import { reference, ruled } from '../records/rules'
import { contextOf, type Context } from '../derived/context'
import { container } from '../records/container'
import { material } from '../records/material'
import { batchFields } from '../records/batch'
import { batchRecordProblems } from '../derived/batch-request'

export const ownContainer = z.object({ id: reference, container })
export const ownMaterial = z.object({ id: reference, material })

/** A batch to compute, with any containers and materials that are in no catalogue. */
export const batchToCompute = ruled(
  batchFields.extend({
    containers: z.array(ownContainer).max(500).default([]),
    materials: z.array(ownMaterial).max(200).default([]),
  }),
  (value) => batchRecordProblems(value, withOwn(value)),
)

/** The catalogues with what a request brings of its own. */
export const withOwn = (own: {
  containers: z.output<typeof ownContainer>[]
  materials: z.output<typeof ownMaterial>[]
}): Context =>
  contextOf({
    containers: own.containers.map(({ id, container: body }) => ({ id, body })),
    materials: own.materials.map(({ id, material: body }) => ({ id, body })),
  })
