import * as z from 'zod'
import { DEVICE_KINDS, FAULTS } from '#core/readings/kinds'
import { id, name } from './rules'

/** Something that sends readings with a key of its own: a gateway beside a real scale, or one of the simulated bench. */
export const device = z.object({
  name,
  kind: z.enum(DEVICE_KINDS),
  placeId: z.string().min(1).max(64).nullable().default(null).describe('Where it hangs or stands'),
  trayId: id.nullable().default(null).describe('What stands on it, or what it is put into'),
  simulated: z
    .boolean()
    .default(false)
    .describe('One of the bench that ships with Blastomix, not a real one'),
  fault: z.enum(FAULTS).nullable().default(null).describe('How a simulated one is broken on purpose'),
  calibratedAt: z.iso
    .datetime()
    .nullable()
    .default(null)
    .describe('When a pen was last put into its solution'),
})
export type DeviceRecord = z.output<typeof device>
