import { getRequestURL, setResponseHeaders } from 'h3'
import * as z from 'zod'
import { labelRequest } from '#shared/labels/label-request'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { householdLabels } from '../../../services/labels'

export default route(
  {
    summary:
      'Labels for groups of trays, bottles of feed and tubs of mix, on plain paper or on sheets of labels',
    params: householdParams,
    query: labelRequest,
    answers: z.string(),
    meaning: 'A PDF in black only; a code on a label opens its tray here',
    type: 'application/pdf',
    refuses: [404],
  },
  async ({ params, query, event, principal }) => {
    const pdf = await householdLabels(principal, params.householdId, query, getRequestURL(event).origin)
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="labels.pdf"',
    })
    return pdf
  },
)
