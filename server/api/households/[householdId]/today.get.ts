import * as z from 'zod'
import { day, id } from '#shared/records/rules'
import { seasonToday } from '../../../services/season'
import { dayQuery, householdParams } from '../../../http/params'
import { route } from '../../../http/route'

const tray = z.object({
  trayId: id,
  number: z.int(),
  name: z.string(),
  place: z.string(),
  verdict: z.string(),
  how: z.string(),
  litres: z.number().describe('To pour, L'),
})

export default route(
  {
    summary:
      'What is due, late or in danger on a day, which trays to water, what runs short, and what cannot be planned',
    params: householdParams,
    query: dayQuery,
    answers: z.object({
      on: day,
      jobs: z.array(z.looseObject({ id: z.string(), kind: z.string() })),
      unplanned: z.array(z.object({ id: z.string(), name: z.string(), why: z.string() })),
      water: z.object({
        today: z.array(tray),
        fed: z.array(tray).describe('Due as well, and watered with today’s feed'),
        tomorrow: z.array(tray),
        look: z.array(tray).describe('To be looked at: how much is in them is not sure'),
        letDry: z.array(tray),
        refill: z.array(z.object({ placeId: z.string(), name: z.string(), on: day.nullable() })),
      }),
      short: z.array(
        z.object({
          kind: z.string(),
          id: z.string(),
          name: z.string(),
          unit: z.string(),
          wanted: z.number(),
          inSupplies: z.number(),
          short: z.number(),
        }),
      ),
    }),
    meaning: 'The jobs, most pressing first',
  },
  ({ params, query, principal }) => seasonToday(principal, params.householdId, query.on),
)
