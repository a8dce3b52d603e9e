import * as z from 'zod'
import { CONTAINERS } from '#core/containers/catalogue'
import type { Container } from '#core/containers/container'
import { batchProblems, type BatchRequest } from '#core/media/batch'
import type { Problem } from '#core/problem'
import { amount, name, reference, ruled } from '../rules'
import { asContainer, container, type ContainerRecord } from './container'
import { parts } from './recipe'

const share = amount.describe('A fraction, 0–1')

export const batchFields = z.object({
  parts,
  fills: z
    .array(
      z.object({
        containerId: reference.describe('A catalogue container, or one of the household’s own'),
        count: amount.describe('Whole trays, pots or blocks'),
        coverMm: amount.describe('Depth of the cover, mm; 0 for none'),
        coverMaterialId: reference.describe('A material, or "mix" for the mix itself'),
      }),
    )
    .max(500, 'A batch fills at most 500 kinds of container.'),
  allowances: z.object({
    fill: share,
    fillUnderCover: share,
    blockCompression: amount.describe('Loose litres per pressed litre, 1–4'),
    mixingLossK: share,
    spare: share,
  }),
  scoop: z.object({ name, volumeL: amount.describe('L') }),
  packIds: z.record(reference, reference).default({}).describe('Pack chosen for a material, by material id'),
})
export type BatchFields = z.output<typeof batchFields>

/** A planned batch as a household keeps it; its containers are looked up when it is computed. */
export const batch = batchFields.extend({
  name,
  recipeId: reference.nullable().describe('The recipe it started from'),
})
export type BatchRecord = z.output<typeof batch>

/** A batch to compute, with any containers that are not in the catalogue. */
export const batchToCompute = ruled(
  batchFields.extend({
    containers: z
      .array(z.object({ id: reference, container }))
      .max(500)
      .default([]),
  }),
  (value) => batchRecordProblems(value, ownContainers(value.containers)),
)

export function ownContainers(records: { id: string; container: ContainerRecord }[]): Container[] {
  return records.map(({ id, container: own }) => asContainer(id, own))
}

/** What is wrong with a batch, given the household's own containers. */
export function batchRecordProblems(fields: BatchFields, own: readonly Container[]): Problem[] {
  const unknown = fields.fills.flatMap(({ containerId }, index) =>
    findContainer(containerId, own)
      ? []
      : [{ path: ['fills', index, 'containerId'], message: 'This container is not known.' }],
  )
  return unknown.length ? unknown : batchProblems(asBatchRequest(fields, own))
}

/** The request core plans. @throws RangeError for an unknown container. */
export function asBatchRequest(fields: BatchFields, own: readonly Container[]): BatchRequest {
  const { parts: recipeParts, allowances, scoop, packIds } = fields
  return {
    parts: recipeParts,
    allowances,
    scoop,
    packIds,
    fills: fields.fills.map(({ containerId, ...fill }, index) => {
      const found = findContainer(containerId, own)
      if (!found) throw new RangeError(`fills[${index}].containerId: '${containerId}' is not known`)
      return { ...fill, container: found }
    }),
  }
}

/** The household's own container of this id, else the catalogue's. */
export function findContainer(id: string, own: readonly Container[]): Container | undefined {
  return own.find((candidate) => candidate.id === id) ?? CONTAINERS.find((candidate) => candidate.id === id)
}
