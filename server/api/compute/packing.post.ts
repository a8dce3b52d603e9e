import { present } from '#core/present'
import * as z from 'zod'
import { packTrays } from '#core/season/packing/packing'
import { contextOf } from '#shared/reckoning/context'
import { packingToCompute } from '#shared/computations/season'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Small sowings to the trays they share',
    body: packingToCompute,
    answers: z.object({
      placed: z.array(
        z.object({
          key: z.string(),
          trays: z.number().describe('Whole and parts of trays that are its own'),
          sharesWith: z.array(z.string()),
          sharedTray: z.string().nullable(),
          in: z
            .array(z.object({ tray: z.string(), cells: z.number(), fixed: z.boolean() }))
            .describe('Its cells, tray by tray'),
          freeCells: z.int(),
          apart: z.object({ name: z.string(), why: z.string() }).nullable(),
        }),
      ),
    }),
    meaning: 'Cells are counted, not trays; those that do not agree are kept apart, and it says why',
  },
  ({ body: { shares, withinDays } }) => {
    const { containers } = contextOf({})
    const placed = packTrays(
      shares.map(({ containerId, ...share }) => ({
        ...share,
        container: present(containers.get(containerId)),
      })),
      withinDays,
    )
    return {
      placed: [...placed].map(([key, one]) => ({
        key,
        ...one,
        sharesWith: [...one.sharesWith],
        in: [...one.in],
      })),
    }
  },
)
