import { getRequestHeader } from 'h3'
import * as z from 'zod'
import { day } from '#shared/records/rules'
import { householdParams } from '../../../http/params'
import { HttpProblem } from '../../../http/problem-json'
import { readFile } from '../../../http/read-json'
import { route } from '../../../http/route'
import { inHousehold } from '../../../db/door'
import { daysAwayIn } from '../../../services/days-away'

const MAX_BYTES = 5 * 1024 * 1024

export default route(
  {
    summary: 'Days away in a calendar of one’s own (iCalendar, text/calendar); nothing is written',
    params: householdParams,
    answers: z.object({
      away: z.array(z.object({ from: day, to: day, name: z.string(), uid: z.string() })),
      left: z.array(z.string()),
    }),
    meaning: 'Events of whole days or over a night, from today on, and what was left out',
    refuses: [404, 408, 413, 415, 422],
  },
  async ({ params, event, principal }) => {
    if (!/^text\/calendar\b/i.test(getRequestHeader(event, 'content-type') ?? ''))
      throw new HttpProblem(415, 'Send it as text/calendar.')
    const bytes = await readFile(event, MAX_BYTES, 'A calendar')
    return inHousehold(principal, params.householdId, (tx) =>
      daysAwayIn(tx, params.householdId, bytes.toString('utf8')),
    )
  },
)
