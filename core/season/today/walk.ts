import type { Day } from '../../calendar/day'
import { isIndoors, type Place } from '../../places/place'
import { withOutside } from '../schedule/stays'
import { flatsOf } from '../../containers/flat'
import type { PlannedStage } from '../schedule/sowing-request'
import { JOB_KINDS, type Job, type JobKind, type TodayRow } from './job'
import { standsNow } from './stands-now'

/** What stands in a place: the trays of one sowing. */
export interface Standing {
  readonly sowingId: string
  readonly name: string
  readonly container: string
  /** Trays or pots, a part of one where it is shared. */
  readonly count: number
  readonly flats: number
  /** Names the tray that is shared; null where it is not. */
  readonly sharedTray: string | null
  readonly isUp: boolean
  /** A job of today is done to it, and the worst of them. */
  readonly touch: 'danger' | 'late' | 'due' | 'done' | null
}

/** A place on the walk with what stands there and what is done there; the bench and the evening have no trays. */
export interface Stop {
  readonly key: string
  readonly place: Place | null
  readonly when: 'at the bench' | 'with the watering' | 'in the evening'
  readonly standing: readonly Standing[]
  readonly jobs: readonly Job[]
}

/** Done at the bench: seed, mix, and what is filled. */
const AT_BENCH: readonly JobKind[] = ['treat', 'soak mix', 'make mix', 'stage']
/** Done when the day is over: for tomorrow, and against the night. */
const isForEvening = ({ kind, dueOn }: Job, today: Day) =>
  kind === 'shelter' || (kind === 'soak mix' && dueOn >= today)

const WORST = ['danger', 'late', 'due', 'done'] as const

/**
 * Today as a walk: first the bench, then each place in the household's order with its trays, and the evening. Every job
 * stands at one stop only, the first it is met at.
 *
 * @param jobs of today; what is still to come belongs to no walk
 */
export function walkOf(
  rows: readonly TodayRow[],
  jobs: readonly Job[],
  done: ReadonlyMap<string, Readonly<Record<string, Day>>>,
  ownPlaces: readonly Place[],
  today: Day,
): Stop[] {
  const now = jobs.filter(({ state }) => state !== 'coming')
  // Under the roof first, then out of the door.
  const all = withOutside(ownPlaces)
  const places = [...all.filter(isIndoors), ...all.filter((place) => !isIndoors(place))]
  const evening = now.filter((job) => isForEvening(job, today))
  const bench = now.filter(
    (job) => !evening.includes(job) && (isBench(job) || !places.some(({ id }) => job.placeIds.includes(id))),
  )
  const met = new Set([...evening, ...bench])
  const stops = places.map((place): Stop => {
    const here = now.filter((job) => !met.has(job) && job.placeIds.includes(place.id))
    here.forEach((job) => met.add(job))
    const standing = rows
      .flatMap((row) => standingIn(row, place, done.get(row.id), now))
      .sort((a, b) => ((a.sharedTray ?? a.sowingId) < (b.sharedTray ?? b.sowingId) ? -1 : 1))
    return { key: place.id, place, when: 'with the watering', standing, jobs: here }
  })
  return [
    { key: 'bench', place: null, when: 'at the bench' as const, standing: [], jobs: bench },
    ...stops,
    { key: 'evening', place: null, when: 'in the evening' as const, standing: [], jobs: evening },
  ]
    .filter((stop) => stop.jobs.length > 0 || stop.standing.length > 0)
    .map((stop) => ({ ...stop, jobs: inOrderOfWork(stop.jobs) }))
}

/** Soak, make, then fill; what is done stands last. */
const inOrderOfWork = (jobs: readonly Job[]) =>
  [...jobs].sort(
    (a, b) =>
      Number(a.state === 'done') - Number(b.state === 'done') ||
      JOB_KINDS.indexOf(a.kind) - JOB_KINDS.indexOf(b.kind),
  )

/** Hardening begins where they stand; everything else that starts a stage is done at the bench. */
const isBench = ({ kind, stageKind }: Job) => AT_BENCH.includes(kind) && stageKind !== 'harden'

function standingIn(
  { id, name, planned }: TodayRow,
  place: Place,
  days: Readonly<Record<string, Day>> | undefined,
  jobs: readonly Job[],
): Standing[] {
  const stands = standsNow(planned, days)
  if (!stands) return []
  const states = jobs
    .filter((job) => job.of.some(({ sowingId }) => sowingId === id) && !isAhead(job))
    .map(({ state }) => state)
  const touch = WORST.find((state) => states.includes(state)) ?? null
  const trays = (stage: PlannedStage, count: number, sharedTray: string | null, isUp: boolean): Standing => ({
    sowingId: id,
    name,
    container: stage.container.name,
    count,
    flats: flatsOf(stage.container) * count,
    sharedTray,
    isUp,
    touch,
  })
  const { stage, placeIds } = stands
  const share = stage.where.elsewhere
  const part =
    placeIds.length > 1 && share ? (place.id === share.place.id ? share.share : 1 - share.share) : 1
  const count = (stage.placed?.trays ?? stage.fill.count) * part
  const isUp = days?.up !== undefined || stage.index > 0
  // A part that was moved on stands where the rest will.
  const next = planned.stages[stage.index + 1]
  const moved = next && next.moved > 0 && next.where.place.id === place.id ? next : null
  return [
    ...(placeIds.includes(place.id) ? [trays(stage, count, stage.placed?.sharedTray ?? null, isUp)] : []),
    ...(moved ? [trays(moved, containersFor(moved, moved.moved), null, true)] : []),
  ]
}

const containersFor = ({ container, fill }: PlannedStage, plants: number) =>
  Math.ceil(plants / (fill.plants ?? 1) / container.cells)

/** Mix and coir touch no tray yet. */
const isAhead = ({ kind }: Job) => kind === 'soak mix' || kind === 'make mix'
