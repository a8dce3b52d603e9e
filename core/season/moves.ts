import { addDays, daysBetween, type Day } from './day'
import type { LadderRung } from './ladder'
import type { PlannedSowing } from './sowing'

/** What a sowing keeps of its days; a record or a request. */
interface Dated {
  sowOn: Day | null
  outOn: Day | null
  rungs: readonly LadderRung[] | null
}

/** The sowing moved whole by so many days: the days it keeps move, or it is given the one it works out as. */
export function movedBy<Sowing extends Dated>(sowing: Sowing, planned: PlannedSowing, days: number): Sowing {
  const outOn = sowing.outOn || !sowing.sowOn ? addDays(sowing.outOn ?? planned.outOn, days) : sowing.outOn
  return { ...sowing, sowOn: sowing.sowOn && addDays(sowing.sowOn, days), outOn }
}

/**
 * Days handed over the edge after a rung to the next one, at least a day left to each; the last edge moves planting out.
 *
 * @param rungs of the sowing as it is planned
 * @param index the rung before the edge
 */
export function edgeMoved<Sowing extends Dated>(
  sowing: Sowing,
  planned: PlannedSowing,
  rungs: readonly LadderRung[],
  index: number,
  days: number,
): Sowing {
  const long = (i: number) => daysBetween(planned.rungs[i]!.from, planned.rungs[i]!.until)
  const last = index === rungs.length - 1 || rungs[index + 1]!.stage === 'set in'
  const most = last ? Infinity : long(index + 1) - 1
  const by = Math.max(1 - long(index), Math.min(days, most))
  return {
    ...sowing,
    rungs: rungs.map((rung, i) => {
      if (i === index) return { ...rung, days: long(index) + by }
      if (i === index + 1 && !last) return { ...rung, days: long(i) - by }
      // A rung that shares out the crop's weeks keeps what it has: shared out anew it could round to another day.
      return rung.stage === 'harden' || rung.stage === 'set in' ? { ...rung } : { ...rung, days: long(i) }
    }),
    // The sowing day stays where it is; planting out follows from the rungs.
    sowOn: planned.sowOn,
    outOn: sowing.outOn && addDays(planned.outOn, last ? by : 0),
  }
}
