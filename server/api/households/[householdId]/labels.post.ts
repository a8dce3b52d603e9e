import { getRequestURL } from 'h3'
import * as z from 'zod'
import { labelRequest } from '#shared/labels/label-request'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { printLabels } from '../../../services/label-printer'
import { householdLabels } from '../../../services/labels'

export default route(
  {
    summary: 'The same labels, sent to the label printer',
    params: householdParams,
    query: labelRequest,
    answers: z.object({ simulated: z.boolean() }),
    meaning: 'Whether the printer is a simulated one, which keeps the picture and has no paper',
    refuses: [404, 503],
  },
  async ({ params, query, event, principal }) => {
    const pdf = await householdLabels(principal, params.householdId, query, getRequestURL(event).origin)
    return printLabels(pdf, `Labels: ${query.kind}`)
  },
)
