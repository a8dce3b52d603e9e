import { at } from '../../numeric/at'
import { cellVolume, type Container } from '../../containers/container'
import { addDays, daysBetween, type Day } from '../../calendar/day'
import { stage as newStage, type ScheduleStage } from './schedules'
import type { PlannedSowing } from './sowing'

/** What a sowing keeps of its days; a record or a request. */
interface Dated {
  sowOn: Day | null
  outOn: Day | null
  stages: readonly ScheduleStage[] | null
}

/** The sowing moved whole by so many days: the days it keeps move, or it is given the one it works out as. */
export function movedBy<Sowing extends Dated>(sowing: Sowing, planned: PlannedSowing, days: number): Sowing {
  const outOn = sowing.outOn || !sowing.sowOn ? addDays(sowing.outOn ?? planned.outOn, days) : sowing.outOn
  return { ...sowing, sowOn: sowing.sowOn && addDays(sowing.sowOn, days), outOn }
}

/**
 * Days handed over the edge after a stage to the next one, at least a day left to each; the last edge moves planting out.
 *
 * @param stages of the sowing as it is planned
 * @param index the stage before the edge
 */
export function edgeMoved<Sowing extends Dated>(
  sowing: Sowing,
  planned: PlannedSowing,
  stages: readonly ScheduleStage[],
  index: number,
  days: number,
): Sowing {
  const long = (i: number) => daysBetween(at(planned.stages, i).from, at(planned.stages, i).until)
  const last = index === stages.length - 1 || at(stages, index + 1).kind === 'set in'
  const most = last ? Infinity : long(index + 1) - 1
  const by = Math.max(1 - long(index), Math.min(days, most))
  return {
    ...sowing,
    stages: stages.map((stage, i) => {
      if (i === index) return { ...stage, days: long(index) + by }
      if (i === index + 1 && !last) return { ...stage, days: long(i) - by }
      // A stage that shares out the crop's weeks keeps what it has: shared out anew it could round to another day.
      return stage.kind === 'harden' || stage.kind === 'set in' ? { ...stage } : { ...stage, days: long(i) }
    }),
    // The sowing day stays where it is; planting out follows from the stages.
    sowOn: planned.sowOn,
    outOn: sowing.outOn && addDays(planned.outOn, last ? by : 0),
  }
}

/** A pot to hold over in holds so many times what they stand in [common practice: the next size, not the biggest]. */
const NEXT_SIZE = 1.6
/** Held over for so long, and again where it must be [default]. */
const HELD_DAYS = 14
const POT_MIX = 'stretched-potting'

/**
 * The sowing held over: potted on into the next size before it is hardened, for a fortnight, because the weather does not
 * let it out.
 *
 * @param pots what it can be potted into
 * @param begun stages that are begun
 * @returns null where there is no bigger pot
 */
export function heldOver<Sowing extends Dated>(
  sowing: Sowing,
  planned: PlannedSowing,
  stages: readonly ScheduleStage[],
  pots: Iterable<Container>,
  begun: number,
  today: Day,
): Sowing | null {
  const harden = stages.findIndex(({ kind }) => kind === 'harden')
  const end = stages.findLastIndex(({ kind }) => kind !== 'set in') + 1
  // What is begun keeps its place in the schedule.
  const index = Math.min(end, Math.max(harden < 0 ? end : harden, begun))
  const stands = planned.stages[index - 1]
  if (!stands) return null
  const least = cellVolume(stands.container).value * NEXT_SIZE
  const [next] = [...pots]
    .filter((one) => one.kind === 'pot' && one.cells === 1 && cellVolume(one).value >= least)
    .sort((a, b) => cellVolume(a).value - cellVolume(b).value)
  if (!next) return null
  const before = stages.slice(0, index).map((one, i) => ({
    ...one,
    // It has stood there until today.
    days: Math.max(
      1,
      daysBetween(
        at(planned.stages, i).from,
        i === index - 1 ? latest(today, stands.from) : at(planned.stages, i).until,
      ),
    ),
  }))
  const recipeId =
    stages.findLast((one) => one.recipeId !== null && one.kind === 'pot up')?.recipeId ?? POT_MIX
  const held = { ...newStage('pot up', next.id, recipeId), days: HELD_DAYS }
  return { ...sowing, stages: [...before, held, ...stages.slice(index)], sowOn: planned.sowOn, outOn: null }
}

const latest = (one: Day, other: Day): Day => (one > other ? one : other)
