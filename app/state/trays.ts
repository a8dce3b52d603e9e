import { computed } from 'vue'
import { defineStore } from 'pinia'
import { newId } from '~/composables/newId'
import { useNotes } from '~/composables/useNotes'
import { readProblem, whyNot } from '~/composables/whyNot'
import { useContext } from '~/state/context'
import { useHousehold } from '~/state/household'
import { useKeeping } from '~/state/keeping'
import { useSeason } from '~/state/season'
import { useUndo, type Act } from '~/state/undo'
import { counted } from '#core/bench/wording'
import { addDays, type Day } from '#core/season/day'
import type { Change, ChangeKind } from '#core/trays/change'
import { cellsOf, freeCode, merged, type Layout } from '#core/trays/layout'
import { stepsOf } from '#core/trays/lineage'
import { standingIn, type RunStands, type TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/collections'
import type { EntryKind, EntryRecord } from '#shared/records/entry'
import type { SowingRecord } from '#shared/records/sowing'
import { layoutOf, type TrayRecord } from '#shared/records/tray'
import { changesByTray, proposedTrays, trayFor, trayStands, type ProposedTray } from '#shared/trays'

/** Days ahead for which trays can be laid out. */
const AHEAD_DAYS = 14

/** What a change is written down as. */
const KIND_OF: Record<ChangeKind, EntryKind> = {
  sown: 'rung',
  up: 'look',
  thinned: 'thin',
  lost: 'lost',
  given: 'given',
  out: 'out',
  moved: 'rung',
  set: 'rung',
}
const SAID: Record<ChangeKind, string> = {
  sown: 'Sown',
  up: 'Up',
  thinned: 'Thinned',
  lost: 'Lost',
  given: 'Given away',
  out: 'Planted out',
  moved: 'Moved on',
  set: 'Set',
}

/** What happened to cells of one run. */
interface Told {
  readonly stands: RunStands
  readonly cells: Change['cells']
  readonly count?: number | null
  /** What it did in other trays: plants that arrive there. */
  readonly also?: EntryRecord['cells']
}

/** Trays that stand: what each holds, and what happens to its cells. */
export const useTrays = defineStore('trays', () => {
  const household = useHousehold()
  const reckoned = useContext()
  const season = useSeason()
  const keeping = useKeeping()
  const undoing = useUndo()
  const { note } = useNotes()

  const all = computed(() => household.trays)
  const standing = computed(() => all.value.filter(({ body }) => body.emptiedOn === null))
  const changes = computed(() => changesByTray(household.entries))
  // Reckoned anew only where the tray or what happened in it is another.
  const remembered = new Map<string, { body: TrayRecord; marks: string; stands: TrayStands }>()
  const stands = (tray: Stored<TrayRecord>): TrayStands => {
    const own = changes.value.get(tray.id) ?? []
    const marks = own.map(({ entryId, on }) => `${entryId} ${on}`).join()
    const known = remembered.get(tray.id)
    if (known && known.body === tray.body && known.marks === marks) return known.stands
    const found = trayStands(tray.body, own, reckoned.whole.crops)
    remembered.set(tray.id, { body: tray.body, marks, stands: found })
    return found
  }
  const find = (id: string) => all.value.find((one) => one.id === id)
  const steps = computed(() => stepsOf([...changes.value.values()].flat()))
  const proposed = computed(() =>
    season.known ? proposedTrays(season.kept, addDays(season.today, AHEAD_DAYS)) : [],
  )

  async function attempt<Done>(act: () => Promise<Done>): Promise<Done | null> {
    try {
      return await act()
    } catch (error) {
      note(whyNot(error))
      return null
    }
  }

  /** A tray the season asked for becomes one that stands; what is sown already is sown in it on its day. */
  async function layOut(one: ProposedTray): Promise<string | null> {
    const id = newId()
    const ids = new Set(one.holds.map(({ row }) => row.id))
    // The batch that was planned or made for what is sown in it.
    const batch = household.batches.findLast(({ body: { sowings } }) =>
      sowings.some(({ id: of, rung }) => ids.has(of) && rung === 0),
    )
    const body = trayFor(one, (sowingId) => season.sowing(sowingId)?.body.packetId ?? null, batch?.id ?? null)
    const sown = body.runs.flatMap((run): Act[] => {
      const on = run.sowingId ? season.done.get(run.sowingId)?.['rung-0'] : undefined
      if (!on) return []
      const cells = cellsOf(body, run.code).map((cell): [number, number] => [cell, run.seedsPerCell])
      const name = `Sown: ${run.name}`
      // Its seed has left the packet already: this only says in which tray it lies.
      const said = {
        name,
        kind: 'rung',
        on,
        about: [{ what: 'trays', id, rung: null }],
        cells: [{ trayId: id, run: run.code, what: 'sown', cells, count: null }],
      } satisfies Parameters<typeof keeping.happened>[0]
      return [{ name, run: async () => (await keeping.happened(said, { quiet: true })).opposite }]
    })
    const laid = keeping.toBody('trays', id, body.name, body)
    return (await attempt(() => keeping.doTogether(`${body.name} laid out`, [laid, ...sown]))) && id
  }
  const make = (body: TrayRecord): Promise<string | null> => {
    const id = newId()
    return attempt(() => keeping.save('trays', id, 0, body)).then((kept) => kept && id)
  }
  /** Kept at the version it was made from; where another hand was faster, both are joined cell by cell. */
  async function keep(
    tray: Stored<TrayRecord>,
    after: TrayRecord,
    planned: readonly { id: string; body: SowingRecord }[] = [],
  ): Promise<boolean> {
    try {
      if (planned.length) {
        const acts = planned.map(({ id, body }) => keeping.toBody('sowings', id, body.name, body))
        await keeping.doTogether(`Tray ${tray.number} laid out`, [
          ...acts,
          keeping.toBody('trays', tray.id, after.name, after),
        ])
      } else await keeping.save('trays', tray.id, tray.version, after)
      return true
    } catch (error) {
      const theirs = (readProblem(error)?.current ?? null) as Stored<TrayRecord> | null
      const joined = theirs && merged(layoutOf(tray.body), layoutOf(after), layoutOf(theirs.body))
      if (!theirs || !joined) {
        note(whyNot(error))
        if (theirs) household.put('trays', theirs)
        return false
      }
      const body = { ...theirs.body, ...onlyChanged(tray.body, after), ...asRecord(joined.layout) }
      const again = await attempt(() => keeping.save('trays', tray.id, theirs.version, body))
      if (again && joined.both.length)
        note(
          `${counted(joined.both.length, 'cell')} had been given to another run meanwhile, and stay there.`,
        )
      return again !== null
    }
  }
  const asRecord = ({ rows, columns, runs, cells }: Layout) => ({
    rows,
    columns,
    runs: [...runs],
    cells: [...cells],
  })
  const onlyChanged = (before: TrayRecord, after: TrayRecord) =>
    Object.fromEntries(
      (Object.keys(after) as (keyof TrayRecord)[])
        .filter((key) => key !== 'cells' && key !== 'runs' && after[key] !== before[key])
        .map((key) => [key, after[key]]),
    )

  /** Entries of something that happened to cells of a tray, one for each run; the season follows them. */
  function entriesFor(
    tray: Stored<TrayRecord>,
    on: Day,
    what: ChangeKind,
    list: readonly Told[],
    part?: boolean,
    told: Partial<EntryRecord> = {},
  ): Act[] {
    const act = newId()
    return list.map(({ stands: of, cells, count = null, also = [] }): Act => {
      const plants = count ?? cells.reduce((sum, [, n]) => sum + n, 0)
      const name = `${SAID[what]}: ${of.run.name}, tray ${tray.number}`
      const own = {
        trayId: tray.id,
        run: of.run.code,
        what,
        cells: cells.map(([cell, n]) => [cell, n]),
        count,
      }
      const trays = new Set([tray.id, ...also.map(({ trayId }) => trayId)])
      const said = {
        name,
        kind: KIND_OF[what],
        on,
        act,
        about: [
          ...aboutSowing(of, what),
          ...[...trays].map((id) => ({ what: 'trays' as const, id, rung: null })),
        ],
        // Of what came up the trays tell; only that nothing did is said here.
        count: what === 'up' ? (plants === 0 ? 0 : null) : what === 'moved' ? plants : null,
        part: part ?? isPart(of, what, plants),
        cells: [own, ...also] as EntryRecord['cells'],
        ...told,
      }
      return { name, run: async () => (await keeping.happened(said, { quiet: true })).opposite }
    })
  }
  /** The same, written down and taken back together. */
  const happened = (
    ...[tray, on, what, list, part, told]: Parameters<typeof entriesFor>
  ): Promise<Act | null> =>
    attempt(() =>
      keeping.doTogether(`${SAID[what]}, tray ${tray.number}`, entriesFor(tray, on, what, list, part, told)),
    )
  /** The season follows: the sowing is sown, up, moved on, out. */
  function aboutSowing({ run }: RunStands, what: ChangeKind): EntryRecord['about'] {
    if (!run.sowingId || what === 'lost' || what === 'given') return []
    const rungs = season.row(run.sowingId)?.planned.rungs.length
    const rung = what === 'moved' ? run.rung + 1 : what === 'out' ? (rungs ?? run.rung + 1) : run.rung
    return [{ what: 'sowings', id: run.sowingId, rung }]
  }
  /** Whether as many of its sowing are still to be sown, moved or set out. */
  function isPart({ run }: RunStands, what: ChangeKind, plants: number): boolean {
    if (!run.sowingId || (what !== 'sown' && what !== 'moved' && what !== 'out')) return false
    const left = standing.value.flatMap((tray) =>
      stands(tray).runs.filter((one) => one.run.sowingId === run.sowingId && one.run.rung === run.rung),
    )
    if (what === 'sown') {
      const open = left.reduce((sum, one) => sum + one.cells - one.sownCells, 0)
      const planned = season.row(run.sowingId)?.planned.cells ?? 0
      const laid = left.reduce((sum, one) => sum + one.cells, 0)
      return open > plantsToCells(plants, run.seedsPerCell) || laid < planned
    }
    return left.reduce((sum, one) => sum + one.standing, 0) > plants
  }
  const plantsToCells = (seeds: number, each: number) => Math.round(seeds / Math.max(1, each))

  const toSow = (tray: Stored<TrayRecord>, runs: readonly RunStands[]): Told[] =>
    runs.map((of) => ({
      stands: of,
      cells: cellsOf(tray.body, of.run.code)
        .filter((cell) => stands(tray).cells[cell]!.sown === 0)
        .map((cell): [number, number] => [cell, of.run.seedsPerCell]),
    }))
  const sow = (tray: Stored<TrayRecord>, on: Day, runs: readonly RunStands[]) =>
    happened(tray, on, 'sown', toSow(tray, runs))

  /**
   * Plants moved on into another tray, each run with its name; the tray is made with them where it is new.
   *
   * @param from runs with the cells the plants come from, or how many where nobody knows which
   */
  const moveOn = (...[tray, on, from, into]: Parameters<typeof moveActs>): Promise<Act | null> =>
    attempt(() => keeping.doTogether(`Moved on, tray ${tray.number}`, moveActs(tray, on, from, into)))
  function moveActs(
    tray: Stored<TrayRecord>,
    on: Day,
    from: readonly Told[],
    into: { readonly id: string; readonly body: TrayRecord; readonly each: number },
    also: Partial<EntryRecord> = {},
  ): Act[] {
    const { runs } = into.body
    const cells = [...into.body.cells]
    const next = [...runs]
    const told = from.map((one): Told => {
      const plants = one.count ?? one.cells.reduce((sum, [, n]) => sum + n, 0)
      const code = freeCode(next)
      const { run } = one.stands
      next.push({ ...run, code, rung: run.rung + 1, seedsPerCell: 1 })
      const set: [number, number][] = []
      let left = plants
      for (let cell = 0; cell < cells.length && left > 0; cell++) {
        if (cells[cell] !== '') continue
        const n = Math.min(into.each, left)
        cells[cell] = code
        set.push([cell, n])
        left -= n
      }
      return { ...one, also: [{ trayId: into.id, run: code, what: 'set', cells: set, count: null }] }
    })
    const body = { ...into.body, runs: next, cells }
    return [
      keeping.toBody('trays', into.id, body.name, body),
      ...entriesFor(tray, on, 'moved', told, undefined, also),
    ]
  }

  /** Trays in which a sowing stands, or is to. */
  const ofSowing = (sowingId: string) =>
    standing.value.filter(({ body }) => body.runs.some((run) => run.sowingId === sowingId))
  /** A sowing that is laid out and not sown yet, sown in all its trays; null where none is laid out. */
  async function sowAll(sowingId: string, on: Day): Promise<Act | null> {
    const open = ofSowing(sowingId).flatMap((tray) =>
      stands(tray)
        .runs.filter(
          ({ run, cells, sown }) => run.sowingId === sowingId && run.rung === 0 && cells > 0 && !sown,
        )
        .map((of) => ({ tray, of })),
    )
    if (!open.length) return null
    const acts = open.flatMap(({ tray, of }, i) =>
      entriesFor(
        tray,
        on,
        'sown',
        [
          {
            stands: of,
            cells: cellsOf(tray.body, of.run.code).map((cell): [number, number] => [
              cell,
              of.run.seedsPerCell,
            ]),
          },
        ],
        // With its last tray the sowing is sown.
        i < open.length - 1,
      ),
    )
    return attempt(() => keeping.doTogether(`Sown: ${open[0]!.of.run.name}`, acts))
  }

  /** Plants of a run that stand, cell by cell, as many as are wanted. */
  function standingCells(
    tray: Stored<TrayRecord>,
    code: string,
    most: number,
    from: readonly number[] | null,
  ) {
    const { cells } = stands(tray)
    const taken: [number, number][] = []
    let left = most
    for (const cell of from ?? cellsOf(tray.body, code)) {
      if (tray.body.cells[cell] !== code) continue
      const n = Math.min(left, standingIn(cells[cell]!))
      if (n > 0) taken.push([cell, n])
      left -= n
      if (left <= 0) break
    }
    return taken
  }

  return {
    all,
    standing,
    changes,
    steps,
    proposed,
    stands,
    find,
    layOut,
    make,
    keep,
    happened,
    moveOn,
    moveActs,
    sow,
    sowActs: (tray: Stored<TrayRecord>, on: Day, runs: readonly RunStands[]) =>
      entriesFor(tray, on, 'sown', toSow(tray, runs)),
    sowAll,
    ofSowing,
    standingCells,
    /** A tray nobody did anything in yet is taken away; the rest is emptied. */
    remove: (tray: Stored<TrayRecord>) => attempt(() => keeping.remove('trays', tray)),
    undo: (act: Act) => undoing.takeBack(act),
  }
})
