import { setResponseHeader } from 'h3'
import * as z from 'zod'
import { route } from '../../http/route'
import { printedLabel } from '../../services/label-printer'

export default route(
  {
    summary: 'One of the labels the simulated printer has taken, counted from the newest',
    params: z.object({ n: z.coerce.number().int().min(1).max(1000) }),
    answers: z.string(),
    meaning: 'The PDF as it was taken',
    type: 'application/pdf',
    refuses: [404],
  },
  async ({ params, event }) => {
    setResponseHeader(event, 'content-type', 'application/pdf')
    return printedLabel(params.n)
  },
)
