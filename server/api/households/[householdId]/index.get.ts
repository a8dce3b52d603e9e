import * as z from 'zod'
import { HOUSEHOLD, stored } from '#shared/records/collections'
import { noteOpened } from '../../../services/examples'
import { everything } from '../../../services/read-records'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary:
      'A household and what it keeps: of sowings and entries the last year and a half, and what is not over',
    params: householdParams,
    answers: z.looseObject({ household: stored(HOUSEHOLD) }),
    meaning: 'Everything in sight, as it stood at one moment',
  },
  async ({ params, principal }) => {
    const answer = await everything(principal, params.householdId)
    void noteOpened(principal, params.householdId).catch(() => undefined)
    return answer
  },
)
