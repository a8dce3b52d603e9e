import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { addDays, type Day } from '#core/calendar/day'
import { codeAt, gridFor, usualGrid } from '#core/trays/layout'
import type { Bodies } from '#shared/records/collections'
import { newEntry, waterRow, type EntryRecord } from '#shared/records/entry'
import { guidedJob } from '#shared/records/guided-job'
import { tray as schema, type TrayRecord } from '#shared/records/tray'

/*
 * The Lamp Room's trays: what stands on the racks on that day, cell by cell, as it was sown, counted and moved.
 */

type Rows<C extends keyof Bodies> = [id: string, body: Bodies[C]][]
type Change = EntryRecord['cells'][number]

interface Ids {
  readonly id: (n: number) => string
  readonly ownTray: string
  readonly firstBatch: string
}
interface Held {
  readonly name: string
  readonly cropId: string
  readonly sowing: number
  readonly cells: number
  readonly stage?: number
  readonly seeds?: number
  readonly packet?: number
}

/** First of the ids of trays, and of what happened in them. */
const TRAYS = 401
const HAPPENED = 451
const RUNS = 601
/** The batch that is planned and not made yet. */
const SECOND_BATCH = 52
/** Batches that were made this spring. */
const [FIRST_MADE, SECOND_MADE] = [701, 702]

export function demoTrays(
  today: Day,
  { id, ownTray, firstBatch }: Ids,
): { trays: Rows<'trays'>; entries: Rows<'entries'>; guidedJobs: Rows<'guidedJobs'> } {
  const trays: Rows<'trays'> = []
  const entries: Rows<'entries'> = []

  const tray = (
    containerId: string,
    placeId: string,
    held: readonly Held[],
    more: Partial<TrayRecord> = {},
  ) => {
    const container = BUILT_IN_CONTAINERS.get(containerId)
    const own = { id: ownTray, kind: 'tray', cells: 40 } as const
    const wanted = held.reduce((sum, { cells }) => sum + cells, 0)
    const grid =
      container?.kind === 'tray' || !container ? usualGrid(container ?? own) : gridFor(container, wanted)
    const cells = held.flatMap(({ cells: n }, i) => Array<string>(n).fill(codeAt(i)))
    const body = schema.parse({
      name: container?.name ?? 'Depot 40-cell tray',
      containerId,
      ...grid,
      placeId,
      groups: held.map((one, i) => ({
        code: codeAt(i),
        name: one.name,
        cropId: one.cropId,
        sowingId: id(one.sowing),
        stage: one.stage ?? 0,
        packetId: one.packet ? id(one.packet) : null,
        seedsPerCell: one.seeds ?? 1,
      })),
      cells: [...cells, ...Array<string>(grid.rows * grid.columns - cells.length).fill('')],
      ...more,
    })
    const trayId = id(TRAYS + trays.length)
    trays.push([trayId, body])
    return { id: trayId, body }
  }
  type Made = ReturnType<typeof tray>
  /** Cells of a group, each with what happened to it; cells for which it answers nothing are left out. */
  const change = (of: Made, group: string, what: Change['what'], n: (i: number) => number): Change => ({
    trayId: of.id,
    group,
    what,
    count: null,
    cells: of.body.cells
      .flatMap((code, cell) => (code === group ? [cell] : []))
      .map((cell, i): [number, number] => [cell, n(i)])
      .filter(([, many]) => many > 0),
  })
  const did = (name: string, kind: EntryRecord['kind'], days: number, cells: Change[]) => {
    const subjects = [...new Set(cells.map(({ trayId }) => trayId))]
    entries.push([
      id(HAPPENED + entries.length),
      newEntry({
        name,
        kind,
        on: addDays(today, days),
        by: days % 2 ? 'Wren' : 'Idris',
        subjects: subjects.map((one) => ({ what: 'trays', id: one, stage: null })),
        cells,
      }),
    ])
  }
  const sown = (of: Made, group: string, days: number) => {
    const { seedsPerCell, name } = of.body.groups.find(({ code }) => code === group)!
    did(`Sown: ${name}`, 'stage', days, [change(of, group, 'sown', () => seedsPerCell)])
  }

  const tomatillo = tray(
    'tray-72',
    'racks',
    [{ name: 'Tomatillo', cropId: 'tomatillo', sowing: 201, cells: 72, packet: 122 }],
    { batchId: firstBatch },
  )
  sown(tomatillo, 'A', -24)
  // Every seventh cell stayed empty, and one seedling fell.
  did('Up: Tomatillo', 'look', -17, [change(tomatillo, 'A', 'up', (i) => (i % 7 === 3 ? 0 : 1))])
  did('Lost: Tomatillo', 'lost', -9, [change(tomatillo, 'A', 'lost', (i) => (i === 40 ? 1 : 0))])

  const salad = tray(
    'tray-72',
    'racks',
    [{ name: 'Lettuce, first', cropId: 'lettuce', sowing: 211, cells: 42, seeds: 2 }],
    { batchId: id(SECOND_MADE) },
  )
  sown(salad, 'A', -22)
  did('Up: Lettuce, first', 'look', -19, [
    change(salad, 'A', 'up', (i) => (i % 11 === 5 ? 0 : i % 3 === 0 ? 2 : 1)),
  ])

  const plugs = tray(
    'tray-200',
    'racks',
    [{ name: 'Snapdragon', cropId: 'snapdragon', sowing: 203, cells: 150, seeds: 2, packet: 124 }],
    { batchId: id(FIRST_MADE) },
  )
  sown(plugs, 'A', -38)
  did('Up: Snapdragon', 'look', -26, [change(plugs, 'A', 'up', (i) => (i % 5 === 2 ? 0 : 1))])
  const pricked = [50, 50].map((cells) =>
    tray('tray-50', 'racks', [
      { name: 'Snapdragon', cropId: 'snapdragon', sowing: 203, cells, stage: 1, packet: 124 },
    ]),
  )
  const up = (i: number) => i % 5 !== 2
  // The first hundred that were up went on, half into each tray.
  const upBefore = (i: number) => Array.from({ length: i }, (_, n) => n).filter(up).length
  pricked.forEach((into, half) =>
    did('Moved on: Snapdragon', 'stage', -7, [
      change(plugs, 'A', 'moved', (i) =>
        up(i) && upBefore(i) >= half * 50 && upBefore(i) < (half + 1) * 50 ? 1 : 0,
      ),
      change(into, 'A', 'set', () => 1),
    ]),
  )

  const basil = tray('tray-72', 'mat', [
    { name: 'Sweet basil', cropId: 'basil', sowing: 202, cells: 60, seeds: 2, packet: 121 },
  ])
  sown(basil, 'A', -15)

  const artichoke = tray('pot-11cm', 'racks', [
    { name: 'Artichoke', cropId: 'artichoke', sowing: 205, cells: 12, stage: 1 },
  ])
  did('Set: Artichoke', 'stage', -12, [change(artichoke, 'A', 'set', () => 1)])

  // What was poured, weighed and lifted. The salad is watered too often; the racks' scale knows the tomatillos.
  const water = (
    of: Made,
    kind: 'watered' | 'weighed' | 'felt',
    days: number,
    at: string,
    row: Partial<EntryRecord['water'][number]>,
  ) =>
    entries.push([
      id(HAPPENED + entries.length),
      newEntry({
        name: `${kind[0]!.toUpperCase()}${kind.slice(1)}: ${of.body.groups[0]!.name}`,
        kind,
        on: addDays(today, days),
        at,
        by: days % 2 ? 'Wren' : 'Idris',
        subjects: [{ what: 'trays', id: of.id, stage: null }],
        water: [waterRow({ trayId: of.id, ...row })],
      }),
    ])
  const below = { how: 'below' } as const
  for (const [days, grams] of [
    [-7, 3020],
    [-5, 3032],
    [-3, 3041],
    [-1, 3046],
  ] as const) {
    water(tomatillo, 'watered', days, '08:10', below)
    water(tomatillo, 'weighed', days, '09:00', { grams, moment: 'watered', sdG: 3 })
  }
  for (const [days, at, grams] of [
    [-6, '08:00', 2815],
    [-5, '07:40', 2632],
    [-4, '08:15', 2818],
    [-2, '08:00', 2826],
    [-1, '07:30', 2641],
  ] as const)
    water(tomatillo, 'weighed', days, at, { grams, moment: 'now', sdG: 3 })
  for (let days = -9; days < 0; days++) water(salad, 'watered', days, '18:30', below)
  for (const days of [-8, -6, -4, -2]) water(plugs, 'watered', days, '08:20', below)
  water(plugs, 'felt', -1, '08:00', { feels: 'middling' })
  for (const [i, one] of pricked.entries()) water(one, 'watered', -3 + i, '08:30', below)
  water(artichoke, 'watered', -3, '08:40', { how: 'below', litres: 1.6, backL: 0.3 })
  return { trays, entries, guidedJobs: demoGuidedJobs(today, id) }
}

/** A batch that was begun this morning, and trays that were cleaned last week. */
function demoGuidedJobs(today: Day, id: Ids['id']): Rows<'guidedJobs'> {
  const mark = (n: number, day: Day, time: string, step: string, by: string) => ({
    id: id(RUNS + 10 + n),
    step,
    what: 'done' as const,
    at: `${day}T${time}:00.000Z`,
    by,
    key: '',
    value: null,
    note: '',
  })
  const lastWeek = addDays(today, -6)
  return [
    [
      id(RUNS),
      guidedJob.parse({
        name: 'Mix batch 2: Chard and fennel in plugs',
        kind: 'mix',
        subjects: [{ what: 'batches', id: id(SECOND_BATCH), stage: null }],
        onDay: today,
        by: 'Wren',
        marks: [mark(0, today, '07:10', 'soak-coir', 'Wren')],
      }),
    ],
    [
      id(RUNS + 1),
      guidedJob.parse({
        name: 'Clean trays and tools',
        kind: 'clean',
        subjects: [{ what: 'trays', id: id(TRAYS), stage: null }],
        onDay: lastWeek,
        by: 'Idris',
        status: 'ended',
        marks: ['wash', 'disinfect', 'dry'].map((step, i) =>
          mark(1 + i, lastWeek, `17:${20 + i * 15}`, step, 'Idris'),
        ),
      }),
    ],
  ]
}
