import * as z from 'zod'
import { dayFrom } from '#core/season/day'
import { day } from '#shared/rules'
import { weatherDays } from '#shared/weather'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { findHousehold } from '../../../../services/reading'
import { weatherBetween } from '../../../../services/weather-days'

export default route(
  {
    summary: 'Weather that is kept: history and forecast, in the plain shape of docs/formats.md',
    params: householdParams,
    query: z.object({ from: day.optional(), to: day.optional() }),
    answers: weatherDays,
    meaning: 'Days in their order; a day may stand in it twice, as it was forecast and as it was',
    refuses: [404],
  },
  async ({ params, query }) => {
    await findHousehold(params.householdId)
    return weatherBetween(
      params.householdId,
      query.from ?? dayFrom('1990-01-01'),
      query.to ?? dayFrom('2099-12-31'),
    )
  },
)
