import { useState } from '#imports'
import { computed, shallowRef, toRaw, type Ref } from 'vue'
import { defineStore } from 'pinia'
import { copyOf } from '~/composables/copyOf'
import { useNotes } from '~/composables/useNotes'
import { readProblem, useSaving } from '~/composables/useSaving'
import { useHousehold } from '~/state/household'
import type { Day } from '#core/season/day'
import { edgeMoved, movedBy } from '#core/season/moves'
import { extentOf, feedRuns, loadOf, mixRuns, overflows } from '#core/season/demand'
import { rungsOf } from '#core/season/sowing'
import { doneBySowing, isOver, type Job, type JobKind, type JobTarget } from '#core/season/today'
import { jobsOn, openRows, seasonKnown, seasonPlanner, type PlannedRow } from '#shared/season'
import { asSowingRequest, sowingRecordProblems, type SowingRecord } from '#shared/records/sowing'
import type { MarkRecord } from '#shared/records/mark'
import type { Stored } from '#shared/collections'

/** One thing that was changed, and what it was before; null where it was not there. */
interface Change {
  readonly id: string
  readonly before: SowingRecord | null
  readonly after: SowingRecord | null
}

/** The season: sowings planned anew as they move, what they ask for, and what is due. */
export const useSeason = defineStore('season', () => {
  const household = useHousehold()
  const { note } = useNotes()
  const { saving, save: saveRecord, dismiss } = useSaving('sowings')
  const today = useState<string>('today', () => new Date().toISOString().slice(0, 10))

  const frame = computed(() => household.season)
  const known = computed(
    () =>
      frame.value &&
      // Plain objects: a plan asks for a figure thousands of times, and nothing here is watched one by one.
      seasonKnown(toRaw(frame.value), {
        shed: household.shed,
        recipes: household.greenhouse.parts,
        feeds: household.ownFeeds,
        crops: household.crops,
        packets: household.packets,
      }),
  )
  const planner = computed(() => known.value && seasonPlanner(known.value, today.value))

  /** The sowing under the hand: planned as it is dragged, kept when it is let go. */
  const moving = shallowRef<{ id: string; body: SowingRecord } | null>(null)
  /** One that is being thought of, not yet kept. */
  const thought = shallowRef<{ id: string; body: SowingRecord } | null>(null)

  const marks = computed(() => household.marks.map(({ body }) => toRaw(body)))
  const done = computed(() => doneBySowing(marks.value))
  const open = computed(() => household.sowings.filter(({ id }) => !isOver(done.value.get(id), today.value)))
  const rows = computed((): PlannedRow[] => {
    if (!planner.value) return []
    const hand = moving.value
    const all = open.value.map(({ id, body }) => (hand && hand.id === id ? hand : { id, body: toRaw(body) }))
    return openRows(planner.value, thought.value ? [...all, thought.value] : all, done.value, today.value)
  })
  /** Sowings that cannot be planned as they stand, and why. */
  const unplanned = computed(() =>
    known.value
      ? open.value.flatMap((one) => {
          const [problem] = sowingRecordProblems(one.body, known.value!)
          return problem ? [{ ...one, problem }] : []
        })
      : [],
  )
  const extent = computed(() => (frame.value ? extentOf(rows.value, frame.value, today.value) : null))
  const load = computed(() => extent.value && loadOf(rows.value, extent.value.from, extent.value.days))
  const overflowing = computed(() =>
    load.value && frame.value
      ? overflows(load.value, frame.value.shelfFlats).filter(({ until }) => until > today.value)
      : [],
  )
  const mixes = computed(() => (frame.value ? mixRuns(rows.value, frame.value) : []))
  const feeds = computed(() => (frame.value ? feedRuns(rows.value, frame.value) : []))
  const kept = computed(() => rows.value.filter(({ id }) => id !== thought.value?.id))
  const jobs = computed((): Job[] =>
    known.value ? jobsOn(today.value, kept.value, marks.value, known.value, frame.value?.nightC ?? null) : [],
  )
  const row = (id: string) => rows.value.find((one) => one.id === id)
  const sowing = (id: string) => household.sowings.find((one) => one.id === id)

  // Undo and redo: each change is kept at once, and its opposite remembered.
  const past = shallowRef<Change[][]>([])
  const future = shallowRef<Change[][]>([])

  async function write({ id, after }: Pick<Change, 'id' | 'after'>): Promise<boolean> {
    const stored = sowing(id)
    if (after === null) {
      if (!stored) return true
      removed.set(id, await household.remove('sowings', stored))
      return true
    }
    return (await saveRecord(id, stored?.version ?? removed.get(id) ?? 0, after)) !== null
  }
  const removed = new Map<string, number>()

  /** Keep changes that belong together; what was there before can be brought back. */
  async function keep(changes: { id: string; after: SowingRecord | null }[]): Promise<boolean> {
    const made: Change[] = []
    for (const { id, after } of changes) {
      const before = sowing(id) ? copyOf(sowing(id)!.body) : null
      try {
        if (!(await write({ id, after }))) break
      } catch {
        note('The server does not answer; nothing was changed.')
        break
      }
      made.push({ id, before, after })
    }
    if (made.length) {
      past.value = [...past.value.slice(-100), made]
      future.value = []
    }
    return made.length === changes.length
  }

  async function takeBack(from: Ref<Change[][]>, to: Ref<Change[][]>) {
    const changes = from.value.at(-1)
    if (!changes) return
    const opposite = changes.map(({ id, before, after }) => ({ id, before: after, after: before })).reverse()
    for (const change of opposite) if (!(await write(change))) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, opposite]
  }

  // Somebody else was faster: both versions stand until one is chosen.
  async function keepMine() {
    if (saving.value.state === 'stale') await saving.value.again()
    moving.value = null
  }
  function takeTheirs() {
    if (saving.value.state === 'stale' && saving.value.current) household.put('sowings', saving.value.current)
    later()
  }
  function later() {
    moving.value = null
    dismiss()
  }

  /** The record moved whole by so many days. */
  const moved = (body: SowingRecord, row: PlannedRow, days: number): SowingRecord =>
    movedBy(copyOf(body), row.planned, days)
  /** The record with an edge between two rungs moved. */
  const edged = (body: SowingRecord, row: PlannedRow, index: number, days: number): SowingRecord =>
    edgeMoved(copyOf(body), row.planned, rungsOf(asSowingRequest(body, known.value!)!), index, days)

  const isSown = (id: string) => done.value.get(id)?.['rung-0'] !== undefined

  // What was done, undone or put off.
  async function mark(job: Job, name: string, snoozedUntil: Day | null = null) {
    const stored = await keepMark(name, job.kind, job.of, snoozedUntil)
    if (stored)
      note(snoozedUntil ? `Put off: ${name}.` : `Done: ${name}.`, {
        name: 'Undo',
        run: () => unmark(stored, name),
      })
  }
  async function keepMark(
    name: string,
    what: JobKind,
    of: readonly JobTarget[],
    snoozedUntil: Day | null = null,
  ): Promise<Stored<MarkRecord> | null> {
    try {
      return await household.save('marks', crypto.randomUUID(), 0, {
        name: name.slice(0, 120),
        what,
        of: of.map(({ sowingId, rung }) => ({ sowingId, rung })),
        on: today.value,
        snoozedUntil,
        seeds: [],
      })
    } catch (error) {
      note(readProblem(error)?.detail ?? 'The server does not answer; nothing was written.')
      return null
    }
  }
  async function unmark(stored: Stored<MarkRecord>, name: string) {
    const version = await household.remove('marks', stored)
    note(`Not done after all: ${name}.`, {
      name: 'Redo',
      run: () => household.save('marks', stored.id, version, stored.body),
    })
  }
  /** Take today's mark off a job that is done. */
  async function undo(job: Job, name: string) {
    const at = new Set(job.of.map(({ sowingId, rung }) => `${sowingId} ${rung}`))
    const stored = [...household.marks]
      .reverse()
      .find(
        ({ body }) =>
          body.what === job.kind &&
          body.snoozedUntil === null &&
          body.of.some(({ sowingId, rung }) => at.has(`${sowingId} ${rung}`)),
      )
    if (stored) await unmark(stored, name)
  }

  // What failed keeps its record and leaves the shelf.
  const markLost = (id: string) =>
    keepMark(`Given up: ${sowing(id)!.body.name}`, 'give up', [{ sowingId: id, rung: 0 }])
  async function giveUp(id: string) {
    const stored = await markLost(id)
    if (stored) note(`${stored.body.name}. Its place is free.`, { name: 'Undo', run: () => takeUp(id) })
  }
  async function takeUp(id: string) {
    const stored = household.marks.find(
      ({ body }) => body.what === 'give up' && body.of.some(({ sowingId }) => sowingId === id),
    )
    if (stored) await unmark(stored, stored.body.name)
  }
  /** The same again, sown today, in place of what never came. */
  async function sowAgain(id: string) {
    const before = copyOf(sowing(id)!.body)
    const after = {
      ...before,
      name: `${before.name.slice(0, 110)}, again`,
      sowOn: today.value,
      outOn: null,
    }
    if (!(await keep([{ id: crypto.randomUUID(), after }]))) return
    if (!(await markLost(id))) return
    note(`${after.name} is planned for today; what never came is given up.`, {
      name: 'Undo',
      run: async () => {
        await takeBack(past, future)
        await takeUp(id)
      },
    })
  }
  const lost = computed(() => household.sowings.filter(({ id }) => done.value.get(id)?.lost !== undefined))

  return {
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
    mixes,
    feeds,
    jobs,
    done,
    row,
    sowing,
    saving,
    keepMine,
    takeTheirs,
    later,
    keep,
    moved,
    edged,
    isSown,
    mark,
    undoJob: undo,
    giveUp,
    takeUp,
    sowAgain,
    lost,
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    undo: () => takeBack(past, future),
    redo: () => takeBack(future, past),
  }
})
