import * as z from 'zod'
import { day } from '#shared/records/rules'
import { weatherDays } from '#shared/records/weather'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { allWeather } from '../../../../services/weather'

export default route(
  {
    summary: 'Weather that is kept: history and forecast, in the plain shape of docs/formats.md',
    params: householdParams,
    query: z.object({ from: day.optional(), to: day.optional() }),
    answers: weatherDays,
    meaning: 'Days in their order; a day may stand in it twice, as it was forecast and as it was',
    refuses: [404],
  },
  ({ params, query, principal }) =>
    inHousehold(principal, params.householdId, (tx) =>
      allWeather(tx, params.householdId, query.from, query.to),
    ),
)
