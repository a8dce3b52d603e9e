import * as z from 'zod'
import { seasonToday } from '../../../services/season'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

const query = z.object({
  on: z.iso.date('This is not a calendar day.').default(() => new Date().toISOString().slice(0, 10)),
})

export default route({ params: householdParams, query }, ({ params, query: { on } }) =>
  seasonToday(params.householdId, on),
)
