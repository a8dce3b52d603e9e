import { dequal } from 'dequal'
import * as z from 'zod'
import { dayFrom } from '#core/calendar/day'
import { HOUSEHOLD, stored, type Everything } from '#shared/records/collections'
import { newEntry } from '#shared/records/new-entry'
import { noteOpened } from '../../../services/examples'
import { everything } from '../../../services/read-records'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'

export default route(
  {
    summary:
      'A household and what it keeps: of sowings and entries the last year and a half, and what is not over',
    params: householdParams,
    query: z.object({
      lean: z
        .enum(['true', 'false'])
        .default('false')
        .describe('Entries without the fields that hold nothing'),
    }),
    answers: z.looseObject({ household: stored(HOUSEHOLD) }),
    meaning: 'Everything in sight, as it stood at one moment',
  },
  async ({ params, query, principal }) => {
    const answer = await everything(principal, params.householdId)
    void noteOpened(principal, params.householdId).catch(() => undefined)
    return query.lean === 'true' ? lean(answer) : answer
  },
)

const nothing = new Map<string, unknown>(
  Object.entries(newEntry({ name: '', kind: 'thought', on: dayFrom('1990-01-01'), subjects: [] })),
)
const KEPT = ['name', 'kind', 'on', 'subjects']
const leanOf = new WeakMap<Everything, object>()

/** Most fields of most entries hold nothing, and are half of what a page begins with. */
function lean(whole: Everything): object {
  const known = leanOf.get(whole)
  if (known) return known
  const entries = whole.entries.map((one) => ({
    ...one,
    body: Object.fromEntries(
      Object.entries(one.body).filter(
        ([key, value]) => KEPT.includes(key) || !dequal(value, nothing.get(key)),
      ),
    ),
  }))
  const made = { ...whole, entries }
  leanOf.set(whole, made)
  return made
}
