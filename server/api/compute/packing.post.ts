import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('packing', {
  summary: 'Small sowings to the trays they share',
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
})
