import { present } from '#core/present'
import { addDays, type Day } from '#core/calendar/day'
import type { ChangeKind } from '#core/trays/change'
import { stepsOf } from '#core/trays/lineage'
import type { GroupStands, TrayStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import { CHANGE_WORDS, standingCells, type Told } from '#shared/commands/told-cells'
import type { Sent } from '#shared/commands/commands'
import { keptByOthers } from '#shared/commands/kept-by-others'
import type { SowingRecord } from '#shared/records/sowing'
import type { TrayRecord } from '#shared/records/tray'
import { changesByTray, proposedTrays, trayStands, type ProposedTray } from '#shared/derived/trays'

type Tray = Stored<TrayRecord>

/** Days ahead that are listed among the next to lay out. */
const AHEAD_DAYS = 14

const COMMAND_OF = {
  sown: 'sow',
  up: 'count',
  thinned: 'thin',
  lost: 'lose',
  given: 'give away',
  out: 'plant out',
} as const satisfies Partial<Record<ChangeKind, Sent['name']>>
type WateringEvent = keyof typeof COMMAND_OF

const plots = (list: readonly Told[]) =>
  list.map(({ stands, cells, count = null }) => ({
    group: stands.group.code,
    cells: cells.map(([cell, n]): [number, number] => [cell, n]),
    count,
  }))

/** Trays that stand: what each holds, and what happens to its cells. */
export const useTrays = defineStore('trays', () => {
  const household = useHousehold()
  const context = useContext()
  const season = useSeason()
  const { attempt } = useCommands()
  const { note } = useNotes()

  const all = computed(() => household.trays)
  const standing = computed(() => all.value.filter(({ body }) => body.emptiedOn === null))
  const changes = computed(() => changesByTray(household.entries))
  // Worked out anew only where the tray or what happened in it is another.
  const cache = new Map<string, { body: TrayRecord; marks: string; stands: TrayStands }>()
  const stands = (tray: Tray): TrayStands => {
    const own = changes.value.get(tray.id) ?? []
    const marks = own.map(({ entryId, on }) => `${entryId} ${on}`).join()
    const known = cache.get(tray.id)
    if (known && known.body === tray.body && known.marks === marks) return known.stands
    const found = trayStands(tray.body, own, context.whole.crops)
    cache.set(tray.id, { body: tray.body, marks, stands: found })
    return found
  }
  const find = (id: string) => all.value.find((one) => one.id === id)
  const steps = computed(() => stepsOf([...changes.value.values()].flat()))
  /** Trays of the plan that are not laid out yet, by their day. */
  const toLayOut = computed(() => (season.known ? proposedTrays(season.kept, all.value) : []))
  const proposed = computed(() => {
    const until = addDays(season.today, AHEAD_DAYS)
    return toLayOut.value.filter(({ on }) => on <= until)
  })

  async function layOut({ key, container }: ProposedTray): Promise<string | null> {
    const id = newId()
    return (await attempt(`${container.name} laid out`, [{ name: 'lay out tray', id, key }])) && id
  }
  async function make(body: TrayRecord): Promise<string | null> {
    const id = newId()
    return (await attempt(body.name, [saving('trays', id, 0, body)])) && id
  }
  /** Kept as it was changed; where another hand was faster, both are joined cell by cell. */
  async function keep(
    tray: Tray,
    after: TrayRecord,
    planned: readonly { id: string; body: SowingRecord }[] = [],
  ): Promise<boolean> {
    const { id, version, body: before } = tray
    const done = await attempt(planned.length ? `Tray ${tray.number} laid out` : after.name, [
      { name: 'change tray', id, version, before, after, planned: [...planned] },
    ])
    const said = done && keptByOthers(before, after, present(find(id)).body)
    if (said) note(said)
    return done !== null
  }

  /** Something happened to cells of a tray. @param said what is noted, with Undo beside it */
  const happened = (
    tray: Tray,
    on: Day,
    what: WateringEvent,
    list: readonly Told[],
    said?: string,
    more: { note?: string; signs?: Extract<Sent, { name: 'count' }>['signs'] } = {},
  ) =>
    attempt(
      `${CHANGE_WORDS[what]}, tray ${tray.number}`,
      [{ name: COMMAND_OF[what], trayId: tray.id, on, groups: plots(list), ...more }],
      said,
    )
  /** Everything of these plots that is still to be sown. */
  const sow = (tray: Tray, on: Day, groups: readonly GroupStands[], said?: string) =>
    happened(
      tray,
      on,
      'sown',
      groups.map((of) => ({ stands: of, cells: [] })),
      said,
    )
  const moveOn = (
    tray: Tray,
    on: Day,
    from: readonly Told[],
    into: { id: string; tray: TrayRecord | null; each: number },
  ) =>
    attempt(`Moved on, tray ${tray.number}`, [
      { name: 'move on', trayId: tray.id, on, groups: plots(from), into },
    ])

  /** Trays in which a sowing stands, or is to. */
  const ofSowing = (sowingId: string) =>
    standing.value.filter(({ body }) => body.groups.some((group) => group.sowingId === sowingId))
  /** Whether a sowing is laid out in a tray that is still to be sown. */
  const isLaidOut = (sowingId: string) =>
    ofSowing(sowingId).some((tray) =>
      stands(tray).groups.some(
        ({ group, cells, sown }) => group.sowingId === sowingId && group.stage === 0 && cells > 0 && !sown,
      ),
    )
  const sowAll = (sowingIds: readonly string[], on: Day, said: string) =>
    attempt(
      said,
      sowingIds.map((sowingId) => ({ name: 'sow everywhere', sowingId, on }) as const),
      said,
    )

  return {
    all,
    standing,
    changes,
    steps,
    toLayOut,
    proposed,
    stands,
    find,
    layOut,
    make,
    keep,
    happened,
    moveOn,
    sow,
    sowAll,
    ofSowing,
    isLaidOut,
    standingCells: (tray: Tray, code: string, most: number, from: readonly number[] | null) =>
      standingCells({ stands }, tray, code, most, from),
    /** A tray in which nothing was done yet is taken away; the rest is emptied. */
    remove: ({ id, version, body }: Tray) =>
      attempt(body.name, [{ name: 'remove record', collection: 'trays', id, version }]),
  }
})
