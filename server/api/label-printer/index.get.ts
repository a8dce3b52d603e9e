import * as z from 'zod'
import { route } from '../../http/route'
import { printedLabels } from '../../services/label-printer'

export default route(
  {
    summary: 'What the simulated label printer has taken, newest first',
    answers: z.object({
      simulated: z.boolean(),
      taken: z.array(z.object({ at: z.string(), name: z.string() })),
    }),
    meaning: 'Nothing where there is no printer, or a real one',
  },
  () => printedLabels(),
)
