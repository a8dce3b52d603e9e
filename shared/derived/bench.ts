import { present } from '#core/present'
import type { Day } from '#core/calendar/day'
import { stagesOf } from '#core/season/schedule/sowing'
import type { Job, Mark } from '#core/season/today/job'
import { doneBySowing, movedBySowing, upBySowing } from '#core/season/today/marks'
import type { GroupStands, TrayStands } from '#core/trays/standing'
import { momentOf } from '#core/water/watering-events'
import type { Bodies, Everything, Stored } from '../records/collections'
import type { Collection } from '../records/collection-names'
import { contextOf, type Context, type Kept } from './context'
import { climateByPlace } from './measured'
import { asMark } from '../records/mark-of'
import type { SowingRecord } from '../records/sowing'
import { asSowingRequest } from './sowing-request'
import type { TrayRecord } from '../records/tray'
import {
  hasSeason,
  jobsOn,
  openRows,
  rootsSeen,
  seasonPlanner,
  type Happened,
  type SeasonContext,
} from './season'
import type { PlannedRow, UnplannedRow } from './planned-row'
import { changesByTray, countsInTrays, trayStands } from './trays'
import { trayWater, waterByTray, type TrayWater } from './water'

/** What a household keeps, with what follows from it at a moment. The page, the server and every command look at this one. */
export interface Bench {
  readonly kept: Everything
  readonly today: Day
  /** By the household's own clock, `07:30`. */
  readonly time: string
  readonly context: Context
  /** Null until the frosts are set. */
  readonly season: SeasonContext | null
  readonly done: ReadonlyMap<string, Readonly<Record<string, Day>>>
  readonly rows: readonly PlannedRow[]
  readonly unplanned: readonly UnplannedRow[]
  readonly jobs: readonly Job[]
  row(sowingId: string): PlannedRow | undefined
  stands(tray: Stored<TrayRecord>): TrayStands
  water(tray: Stored<TrayRecord>): TrayWater | null
}

/** What entries tell by themselves, whatever the day: plan and bench look at the same. */
interface Told {
  readonly context: Context
  readonly season: SeasonContext | null
  readonly marks: () => Mark[]
  readonly stands: (tray: Kept<TrayRecord>) => TrayStands
}
const known = new WeakMap<Everything, Told>()

function toldIn(kept: Everything): Told {
  const before = known.get(kept)
  if (before) return before
  const context = contextOf(kept)
  const changes = lazy(() => changesByTray(kept.entries))
  const standing = new Map<string, TrayStands>()
  const told: Told = {
    context,
    season: hasSeason(context) ? context : null,
    marks: lazy(() => kept.entries.flatMap(({ body }) => asMark(body))),
    stands({ id, body }) {
      const found = standing.get(id) ?? trayStands(body, changes().get(id) ?? [], context.crops)
      standing.set(id, found)
      return found
    },
  }
  known.set(kept, told)
  return told
}

/** Worked out once, when it is first asked for. */
function lazy<Value>(make: () => Value): () => Value {
  let made: { value: Value } | undefined
  return () => (made ??= { value: make() }).value
}

export function benchOf(
  kept: Everything,
  today: Day,
  time: string,
  planning: () => Planning | null = () => planningOf(kept, today),
): Bench {
  const { context, season, marks, stands } = toldIn(kept)
  const done = lazy(() => doneBySowing(marks()))
  const planned = lazy(() => {
    const ready = planning()
    return ready ? openRows(ready.planner, kept.sowings, ready.happened, today) : NOTHING_PLANNED
  })
  const rowsById = lazy(() => new Map(planned().rows.map((row) => [row.id, row])))
  const bench: Bench = {
    kept,
    today,
    time,
    context,
    season,
    get done() {
      return done()
    },
    get rows() {
      return planned().rows
    },
    get unplanned() {
      return planned().unplanned
    },
    get jobs() {
      return jobs()
    },
    row: (id) => rowsById().get(id),
    stands,
    water: (tray) =>
      trayWater(tray, stands(tray), watered().get(tray.id) ?? [], context, momentOf(today, time)),
  }
  const jobs = lazy(() => (season ? jobsOn(today, bench.rows, marks(), season) : []))
  const watered = lazy(() => wateredTrays(bench))
  return bench
}

const NOTHING_PLANNED: { rows: PlannedRow[]; unplanned: UnplannedRow[] } = { rows: [], unplanned: [] }

/** What a season is planned with: the planner holds a cache of what it has planned. */
export interface Planning {
  readonly planner: ReturnType<typeof seasonPlanner>
  readonly happened: Happened
}

/** Null until the frosts are set. */
export function planningOf(kept: Everything, today: Day): Planning | null {
  const { season, stands, ...told } = toldIn(kept)
  if (!season) return null
  const marks = told.marks()
  const planner = seasonPlanner(
    season,
    today,
    kept.trays,
    rootsSeen(kept.entries, kept.sowings, season.crops),
    climateByPlace(kept.entries),
  )
  const happened = {
    done: doneBySowing(marks),
    // What stands in trays was counted there.
    up: new Map([...upBySowing(marks), ...countsInTrays(kept.trays, stands, season)]),
    moved: movedBySowing(marks),
  }
  return { planner, happened }
}

/** What was written down of the water of trays, a feed of the season at the strength its stage is given. */
const wateredTrays = (bench: Pick<Bench, 'kept' | 'row'>) =>
  waterByTray(
    bench.kept.entries,
    bench.kept.household.body.water,
    standingTrays(bench),
    (sowingId, stage) => bench.row(sowingId)?.planned.stages[stage]?.care.nMgPerL ?? 0,
  )

type KeptBy = Pick<Bench, 'kept'>
type Tray = Stored<TrayRecord>

export const find = <C extends Collection>(
  { kept }: KeptBy,
  collection: C,
  id: string | undefined,
): Stored<Bodies[C]> | undefined => (kept[collection] as Stored<Bodies[C]>[]).find((one) => one.id === id)

export const standingTrays = ({ kept }: KeptBy): Tray[] =>
  kept.trays.filter(({ body }) => body.emptiedOn === null)

/** Trays in which a sowing stands, or is to. */
export const traysOfSowing = (bench: KeptBy, sowingId: string): Tray[] =>
  standingTrays(bench).filter(({ body }) => body.groups.some((group) => group.sowingId === sowingId))

/** Plots of cells of a sowing, on one stage, wherever they stand. */
export const groupsOfSowing = (
  bench: Pick<Bench, 'kept' | 'stands'>,
  sowingId: string,
  stage: number,
): { tray: Tray; of: GroupStands }[] =>
  standingTrays(bench).flatMap((tray) =>
    bench
      .stands(tray)
      .groups.filter(({ group }) => group.sowingId === sowingId && group.stage === stage)
      .map((of) => ({ tray, of })),
  )

/** The entry that says a batch was made. */
export const makingOf = ({ kept }: KeptBy, batchId: string) =>
  kept.entries.find(
    ({ body }) => body.kind === 'batch made' && body.subjects.some(({ id }) => id === batchId),
  )

/** The stages of a sowing as it is planned. */
export const stagesOfSowing = (body: SowingRecord, season: SeasonContext) =>
  stagesOf(present(asSowingRequest(body, season)))
