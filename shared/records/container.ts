import * as z from 'zod'
import { sourcesOf } from '#core/catalogue'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { CONTAINER_FIGURES, containerProblems, type Container } from '#core/containers/container'
import { yours } from '#core/working/source'
import { amount, basedOn, basedOnProblems, name, ruled } from './rules'

const mm = amount.describe('Inside measure, mm')

export const shape = z.discriminatedUnion('form', [
  z.object({
    form: z.literal('rectangular'),
    topLengthMm: mm,
    topWidthMm: mm,
    baseLengthMm: mm,
    baseWidthMm: mm,
    depthMm: mm,
  }),
  z.object({ form: z.literal('round'), topDiameterMm: mm, baseDiameterMm: mm, depthMm: mm }),
])

const fields = z.object({
  name,
  basedOn,
  kind: z.enum(['tray', 'pot', 'block', 'open tray']),
  cells: z.int('Count whole cells.').describe('Cells in one tray; 1 for pots, blocks and open trays'),
  shape,
  measuredVolumeMl: amount.nullable().describe('Water one cell holds, mL; overrides the geometry'),
})

export const container = ruled(fields, (value) => [
  ...containerProblems(asContainer('', value)),
  ...basedOnProblems(value, BUILT_IN_CONTAINERS),
])
export type ContainerRecord = z.output<typeof fields>

/** The household's own or corrected container as core knows it. Figures left as they were keep their source. */
export function asContainer(
  id: string,
  { basedOn: corrects, measuredVolumeMl, ...rest }: ContainerRecord,
): Container {
  const original = corrects === null ? undefined : BUILT_IN_CONTAINERS.get(corrects)
  const figures = { ...rest, measuredVolumeMl: measuredVolumeMl ?? undefined }
  return {
    id: original?.id ?? id,
    ...rest,
    ...(measuredVolumeMl === null ? {} : { measuredVolumeMl }),
    sources: sourcesOf(
      CONTAINER_FIGURES,
      figures,
      original && { ...original, measuredVolumeMl: original.measuredVolumeMl },
      yours('your own measures'),
    ),
  }
}

/** The record that would keep a container as it is. */
export const containerRecordOf = ({
  id,
  sources: _sources,
  measuredVolumeMl,
  ...rest
}: Container): ContainerRecord => ({
  ...rest,
  basedOn: BUILT_IN_CONTAINERS.has(id) ? id : null,
  measuredVolumeMl: measuredVolumeMl ?? null,
})
