import * as z from 'zod'
import type { Container } from '#core/containers/container'
import { containerProblems } from '#core/containers/container'
import { yours } from '#core/working/source'
import { amount, name, ruled } from '../rules'

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
  kind: z.enum(['tray', 'pot', 'block', 'open tray']),
  cells: z.int('Count whole cells.').describe('Cells in one tray; 1 for pots, blocks and open trays'),
  shape,
  measuredVolumeMl: amount.nullable().describe('Water one cell holds, mL; overrides the geometry'),
})

export const container = ruled(fields, (value) => containerProblems(asContainer('', value)))
export type ContainerRecord = z.output<typeof fields>

/** The household's own container as core knows it. */
export function asContainer(id: string, { measuredVolumeMl, ...rest }: ContainerRecord): Container {
  return {
    id,
    ...rest,
    ...(measuredVolumeMl === null ? {} : { measuredVolumeMl }),
    source: yours('your own measures'),
  }
}
