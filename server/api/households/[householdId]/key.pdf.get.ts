import { getRequestURL, setResponseHeaders } from 'h3'
import * as z from 'zod'
import { keyRequest } from '#shared/labels/label-request'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { householdKey } from '../../../services/labels'

export default route(
  {
    summary:
      'The key of trays on paper: each drawn with its letters, a table of them, and room for counts by pencil',
    params: householdParams,
    query: keyRequest,
    answers: z.string(),
    meaning: 'A PDF in black only',
    type: 'application/pdf',
    refuses: [404],
  },
  async ({ params, query, event, principal }) => {
    const pdf = await householdKey(
      principal,
      params.householdId,
      query.trays,
      getRequestURL(event).origin,
      query.paper,
      query.perSheet === '2' ? 2 : 1,
    )
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="key.pdf"',
    })
    return pdf
  },
)
