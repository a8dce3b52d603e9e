import { benchOf } from '#shared/derived/bench'
import { knownFrom } from '#core/language/reading'
import { wordsOf } from '#shared/derived/known'
import { readAs, type ReadText } from '#shared/derived/read-as'
import { orderOf, type ReadRequest } from '#shared/computations/read'
import type { Principal } from '../principal'
import { everything } from './read-records'

/** What was typed, read with the trays, sowings, places and names of a household. @throws Refusal 404 */
export async function readTextOf(
  principal: Principal,
  householdId: string,
  { kind, text, today, units }: ReadRequest,
): Promise<ReadText> {
  const bench = benchOf(await everything(principal, householdId), today, '12:00')
  return readAs(kind, text, knownFrom(wordsOf(bench.context, today, orderOf(units), units, bench)))
}
