import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { dequal } from 'dequal'
import type { RootsSeen } from '#core/season/schedule/roots'
import type { Day } from '#core/calendar/day'
import { edgeMoved, movedBy } from '#core/season/schedule/moves'
import { withOutside } from '#core/season/schedule/stays'
import { countsSeedlings } from '#core/sowing/crop'
import { extentOf, feedDemands, loadOf, mixDemands, overflows } from '#core/season/demand/demand'
import { stagesOf } from '#core/season/schedule/sowing'
import type { Job, Mark } from '#core/season/today/job'
import { doneBySowing, movedBySowing, upBySowing } from '#core/season/today/marks'
import { changesByTray, countsInTrays, trayStands } from '#shared/derived/trays'
import { climateByPlace } from '#shared/derived/measured'
import { hasSeason, jobsOn, openRows, rootsSeen, seasonPlanner, type Climates } from '#shared/derived/season'
import type { PlannedRow } from '#shared/derived/planned-row'
import type { EntryRecord } from '#shared/records/entry'
import { asMark } from '#shared/records/mark-of'
import { againNamed } from '#shared/commands/again-named'
import type { SowingRecord } from '#shared/records/sowing'
import { asSowingRequest } from '#shared/derived/sowing-request'
import type { TrayRecord } from '#shared/records/tray'
import type { Stored } from '#shared/records/collections'
import type { Kept } from '#shared/derived/context'

/** The season: sowings planned anew as they move, what they ask for, and what is due. */
export const useSeason = defineStore('season', () => {
  const household = useHousehold()
  const ownContext = useContext()
  const { attempt } = useCommands()
  const { note } = useNotes()
  const { saving, save: saveRecord, dismiss } = useSaving('sowings')
  const today = useToday()

  const frame = computed(() => household.season)
  const known = computed(() => {
    const context = toRaw(ownContext.whole)
    return hasSeason(context) ? context : null
  })
  // The same object while the same was seen, so that nothing is planned anew.
  let lastSeen: RootsSeen = new Map()
  const roots = computed(() => {
    const seen = known.value ? rootsSeen(household.entries, household.sowings, known.value.crops) : new Map()
    if (!dequal([...seen], [...lastSeen])) lastSeen = seen
    return lastSeen
  })
  const climate = computed((before?: Climates) => {
    const now = climateByPlace(household.entries)
    return before && dequal([...before], [...now]) ? before : now
  })
  const planner = computed(
    () => known.value && seasonPlanner(known.value, today.value, household.trays, roots.value, climate.value),
  )

  /** The sowing under the hand: planned as it is dragged, kept when it is let go. */
  const moving = shallowRef<{ id: string; body: SowingRecord } | null>(null)
  /** One that is being thought of, not yet kept. */
  const thought = shallowRef<{ id: string; body: SowingRecord } | null>(null)

  const marks = computed((): Mark[] => household.entries.flatMap(({ body }) => asMark(body)))
  const done = computed(() => doneBySowing(marks.value))
  const changes = computed(() => changesByTray(household.entries))
  const standing = ({ id, body }: Kept<TrayRecord>) =>
    trayStands(body, changes.value.get(id) ?? [], present(known.value).crops)
  // What stands in trays was counted there.
  const up = computed(() =>
    known.value
      ? new Map([...upBySowing(marks.value), ...countsInTrays(household.trays, standing, known.value)])
      : upBySowing(marks.value),
  )
  const moves = computed(() => movedBySowing(marks.value))
  const planned = computed(() => {
    if (!planner.value) return { rows: [], unplanned: [] }
    const hand = moving.value
    const all = household.sowings.map(({ id, body }) =>
      hand && hand.id === id ? hand : { id, body: toRaw(body) },
    )
    return openRows(
      planner.value,
      thought.value ? [...all, thought.value] : all,
      { done: done.value, up: up.value, moved: moves.value },
      today.value,
    )
  })
  const rows = computed((): PlannedRow[] => planned.value.rows)
  /** Sowings that cannot be planned as they stand, and why. */
  const unplanned = computed(() => planned.value.unplanned.filter(({ id }) => id !== thought.value?.id))
  const extent = computed(() => (frame.value ? extentOf(rows.value, frame.value, today.value) : null))
  const load = computed(() => extent.value && loadOf(rows.value, extent.value.from, extent.value.days))
  const overflowing = computed(() =>
    load.value && frame.value
      ? overflows(load.value, frame.value.places).filter(({ until }) => until > today.value)
      : [],
  )
  /** Places with an end of room in which something stands, in the household's order; the first of them where nothing does. */
  const crowded = computed(() => {
    const known = withOutside(frame.value?.places ?? []).filter(({ flats }) => flats !== null)
    const used = known.filter(({ id }) => load.value?.places.get(id)?.some((flats) => flats > 0))
    return used.length ? used : known.slice(0, 1)
  })
  const mixes = computed(() => (frame.value ? mixDemands(rows.value, frame.value) : []))
  const feeds = computed(() => (frame.value ? feedDemands(rows.value, frame.value) : []))
  const kept = computed(() => rows.value.filter(({ id }) => id !== thought.value?.id))
  const jobs = computed((): Job[] =>
    known.value ? jobsOn(today.value, kept.value, marks.value, known.value) : [],
  )
  const row = (id: string) => rows.value.find((one) => one.id === id)
  const sowing = (id: string) => household.sowings.find((one) => one.id === id)

  /** Keep one sowing; where somebody else was faster, both stand until one is chosen. */
  async function keep(id: string, after: SowingRecord): Promise<boolean> {
    const kept = await saveRecord(id, sowing(id)?.version ?? 0, after)
    if (!kept && 'message' in saving.value && saving.value.state !== 'stale') note(saving.value.message)
    return kept !== null
  }
  /** Sowings planned together; what is growing already is written down as sown on its day. @param said with Undo beside it */
  const keepAll = (
    name: string,
    changes: { id: string; after: SowingRecord; sownOn?: Day | null; up?: number | null }[],
    said?: string,
  ) =>
    attempt(
      name,
      [
        {
          name: 'plan',
          sowings: changes.map(({ id, after, sownOn = null, up = null }) => ({
            id,
            version: sowing(id)?.version ?? 0,
            body: after,
            sownOn,
            up,
          })),
        },
      ],
      said,
    )
  function later() {
    moving.value = null
    dismiss()
  }

  /** The record moved whole by so many days. */
  const moved = (body: SowingRecord, row: PlannedRow, days: number): SowingRecord =>
    movedBy(copyOf(body), row.planned, days)
  /** The record with an edge between two stages moved. */
  const edged = (body: SowingRecord, row: PlannedRow, index: number, days: number): SowingRecord =>
    edgeMoved(
      copyOf(body),
      row.planned,
      stagesOf(present(asSowingRequest(body, present(known.value)))),
      index,
      days,
    )

  /** What can be counted of a sowing, and how many at most: seedlings in clumps and broadcast, else cells with a plant. */
  function countable(id: string) {
    const one = row(id)
    if (!one) return null
    const { planned, crop } = one
    return countsSeedlings(crop) || first(planned.stages).kind === 'broadcast'
      ? { what: 'seed', most: planned.seeds * crop.seedlings, seedsEach: 1 }
      : { what: 'cell', most: planned.cells, seedsEach: planned.perCell }
  }
  const isSown = (id: string) => done.value.get(id)?.['stage-0'] !== undefined

  // What was done, undone or put off.
  const mark = (job: Pick<Job, 'kind' | 'of'>, title: string, until: Day | null = null) => {
    const { kind } = job
    const of = job.of.map(({ sowingId, stage }) => ({ sowingId, stage }))
    return until
      ? attempt(title, [{ name: 'snooze', kind, of, title: titled(title), until }], `Put off: ${title}.`)
      : attempt(title, [{ name: 'tick', kind, of, title: titled(title), on: today.value }], `Done: ${title}.`)
  }
  const titled = (title: string) => title.slice(0, 120)
  const unmark = (...stored: Stored<EntryRecord>[]) => {
    const { name } = first(stored).body
    const removals = stored.map(
      ({ id, version }) => ({ name: 'remove record', collection: 'entries', id, version }) as const,
    )
    return attempt(name, removals, `Undone: ${name}.`)
  }
  const isOf = ({ body }: Stored<EntryRecord>, job: Job) =>
    body.kind === job.kind &&
    body.snoozedUntil === null &&
    body.subjects.some(({ id, stage }) => job.of.some((of) => of.sowingId === id && of.stage === stage))
  /** Take the last entry off a job that is done. */
  async function undoJob(job: Job) {
    const written = household.entries.filter((one) => isOf(one, job))
    const last = written.at(-1)
    // Sown in several trays, or several sowings in one: one press wrote an entry for each.
    if (last)
      await unmark(
        ...written.filter((one) => one === last || (last.body.act && one.body.act === last.body.act)),
      )
  }
  /** Take back what was ticked off last, wherever it stands on the page. */
  async function undoLast() {
    const shown = jobs.value.filter(({ state }) => state === 'done')
    const last = household.entries
      .filter((one) => shown.some((job) => isOf(one, job)))
      .reduce<Stored<EntryRecord> | null>((a, b) => (a && a.number > b.number ? a : b), null)
    if (last) await unmark(last)
  }

  const nameOf = (id: string) => sowing(id)?.body.name ?? ''
  // What failed keeps its record and leaves the shelf.
  const giveUp = (id: string) =>
    attempt(nameOf(id), [{ name: 'give up', sowingId: id }], `Given up: ${nameOf(id)}.`)
  const endCrop = (id: string) =>
    attempt(nameOf(id), [{ name: 'end crop', sowingId: id }], `Finished: ${nameOf(id)}.`)
  async function takeUp(id: string) {
    const stored = household.entries.find(
      ({ body }) => body.kind === 'give up' && body.subjects.some((one) => one.id === id),
    )
    if (stored) await unmark(stored)
  }
  const sowAgain = (id: string) =>
    attempt(
      `${nameOf(id)}, sown again`,
      [{ name: 'sow again', sowingId: id, id: newId() }],
      `${againNamed({ name: nameOf(id) })} is planned for today; the first sowing is given up.`,
    )
  const holdOver = (id: string) =>
    attempt(
      `${nameOf(id)}, held over`,
      [{ name: 'hold over', sowingId: id }],
      `${nameOf(id)} is potted on and held over for a fortnight.`,
    )
  const lost = computed(() => household.sowings.filter(({ id }) => done.value.get(id)?.lost !== undefined))

  return {
    climate,
    today,
    frame,
    known,
    moving,
    thought,
    rows,
    kept,
    unplanned,
    extent,
    load,
    overflowing,
    crowded,
    mixes,
    feeds,
    jobs,
    done,
    up,
    row,
    sowing,
    saving,
    later,
    keep,
    keepAll,
    moved,
    edged,
    isSown,
    countable,
    mark,
    undoJob,
    undoLast,
    giveUp,
    endCrop,
    takeUp,
    holdOver,
    sowAgain,
    lost,
  }
})
