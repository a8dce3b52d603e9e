import * as z from 'zod'
import { id } from '#shared/records/rules'
import { route } from '../http/route'
import { householdsWithSimulated } from '../services/device-keys'

export default route(
  {
    summary: 'Households that have simulated devices: where the simulated bench sends to',
    answers: z.array(z.object({ householdId: id })),
    meaning: 'Their ids',
  },
  () => householdsWithSimulated(),
)
