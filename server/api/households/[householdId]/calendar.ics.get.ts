import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { seasonCalendar } from '../../../services/calendar'
import { dayQuery, householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary: 'The season as a calendar to subscribe to (RFC 5545)',
    params: householdParams,
    query: dayQuery.extend({
      alarms: z
        .enum(['none', 'morning'])
        .default('none')
        .describe('A reminder at seven on the morning of each day; soaking has its own always'),
    }),
    answers: z.string(),
    meaning: 'iCalendar, as it stands on that day',
    type: 'text/calendar',
  },
  async ({ params, query, event, principal }) => {
    const calendar = await seasonCalendar(principal, params.householdId, query.on, query.alarms === 'morning')
    setResponseHeaders(event, {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'inline; filename="season.ics"',
      'cache-control': 'no-cache',
    })
    return calendar
  },
)
