import { setResponseHeaders } from 'h3'
import { seasonCalendar } from '../../../services/calendar'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route({ params: householdParams }, async ({ params, event }) => {
  const calendar = await seasonCalendar(params.householdId, new Date().toISOString().slice(0, 10))
  setResponseHeaders(event, {
    'content-type': 'text/calendar; charset=utf-8',
    'content-disposition': 'inline; filename="season.ics"',
    'cache-control': 'no-cache',
  })
  return calendar
})
