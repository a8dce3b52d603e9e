import { planSowing } from '#core/season/schedule/sowing'
import type { Day } from '#core/calendar/day'
import type { SowingRecord } from '../records/sowing'
import type { SeasonContext } from './season'
import { asSowingRequest } from './sowing-request'

/**
 * A sowing that is thought of after its usual days is sown today, and goes out as it is ready. Nothing is late that nobody could
 * have done; a day that was said stays.
 */
export function startedLate(body: SowingRecord, known: SeasonContext, today: Day): SowingRecord {
  if (body.sowOn !== null || body.outOn !== null) return body
  const request = asSowingRequest(body, known)
  if (!request) return body
  try {
    const { sowRange } = planSowing(request, known.frame, known.book)
    return sowRange[1] < today ? { ...body, sowOn: today } : body
  } catch (error) {
    // What cannot be planned is told where it is planned.
    if (error instanceof RangeError) return body
    throw error
  }
}
