import * as z from 'zod'
import { removedHouseholds } from '../services/household-removal'
import { route } from '../http/route'

export default route(
  {
    summary: 'Households removed lately, which can be brought back',
    answers: z.array(z.object({ id: z.uuid(), name: z.string(), removedAt: z.iso.datetime() })),
    meaning: 'The last removed first',
  },
  () => removedHouseholds(),
)
