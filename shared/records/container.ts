import * as z from 'zod'
import { containerProblems } from '#core/containers/container'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { amountIn, basedOn, basedOnProblems, name, ruled } from './rules'
import { asContainer } from './as-container'

const mm = amountIn('mm', 'Inside measure, mm')

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
  measuredVolumeMl: amountIn('mL', 'Water one cell holds, mL; overrides the geometry').nullable(),
})

export const container = ruled(fields, (value) => [
  ...containerProblems(asContainer('', value)),
  ...basedOnProblems(value, BUILT_IN_CONTAINERS),
])
export type ContainerRecord = z.output<typeof fields>
