import { at as elementAt } from '#core/numeric/at'
import type { LineKind, ReadLine } from '#core/language/line-said'
import type { Words } from '#core/language/reading'
import { stagesOf } from '#core/season/schedule/sowing'
import { stage as newStage } from '#core/season/schedule/schedules'
import { FEELS_LIKE } from '#core/water/watering-events'
import { wordsOf } from '../derived/known'
import type { Stored } from '../records/collections'
import type { TrayFacts } from '../derived/line-doubts'
import { find, type Bench } from '../derived/bench'
import type { EntryKind, EntryRecord } from '../records/entry'
import { waterRow } from '../records/new-entry'
import type { SowingRecord } from '../records/sowing'
import type { TrayRecord } from '../records/tray'
import type { Sent } from './commands'

/** What a line that was typed at the bench is read with. */
export const lineWords = (bench: Bench, order: Words['order']): Words =>
  wordsOf(bench.context, bench.today, order, bench.context.units, bench)

/** The one tray a line is about; none where it names several, or none. */
const trayOfLine = (bench: Bench, { trayIds }: ReadLine): Stored<TrayRecord> | undefined =>
  trayIds.length === 1 ? find(bench, 'trays', trayIds[0]) : undefined

/** What is known of a tray that a line is held against. */
export function trayFacts(bench: Bench, line: ReadLine): TrayFacts | null {
  const tray = trayOfLine(bench, line)
  if (!tray) return null
  const { groups, cells } = bench.stands(tray)
  const own = line.group ? groups.filter(({ group }) => group.code === line.group) : groups
  const begun = own.flatMap(({ sownOn, setOn }) => [sownOn, setOn].flatMap((day) => day ?? []))
  const store = bench.water(tray)
  return {
    number: tray.number,
    groups: own,
    since: begun.length ? begun.reduce((a, b) => (a < b ? a : b)) : null,
    takesL: store ? store.store.capacityL.value : null,
    soakedG: store ? store.store.dryMixG.value + store.store.capacityL.value * 1000 : null,
    cellsUp: tray.body.cells.reduce(
      (sum, code, cell) =>
        sum + (own.some(({ group }) => group.code === code) ? elementAt(cells, cell).up : 0),
      0,
    ),
    seedlings: bench.context.crops.get(own[0]?.group.cropId ?? '')?.seedlings ?? 1,
  }
}

const CELL_COMMANDS = {
  look: 'count',
  thin: 'thin',
  lost: 'lose',
  given: 'give away',
  out: 'plant out',
  moved: 'move away',
} as const satisfies Partial<Record<LineKind, Sent['name']>>
const MAX_TITLE = 120
const MAX_NOTE = 600

/** The commands a line comes to: what happens to cells is of its tray, everything else is written down as it was said. */
export function lineCommands(line: ReadLine, bench: Bench): Sent[] {
  const tray = trayOfLine(bench, line)
  const of =
    tray && line.group ? bench.stands(tray).groups.find(({ group }) => group.code === line.group) : undefined
  if (tray && of && line.kind === 'sown' && of.sown === 0)
    return [{ name: 'sow', trayId: tray.id, on: line.on, groups: [{ group: of.group.code }] }]
  const name = CELL_COMMANDS[line.kind as keyof typeof CELL_COMMANDS] as
    (typeof CELL_COMMANDS)[keyof typeof CELL_COMMANDS] | undefined
  // Plants that were never counted leave no cell: they are written down as they were said.
  const stands = of !== undefined && (line.kind === 'look' || of.standing > 0)
  if (name && tray && of && stands && line.count !== null)
    return [
      {
        name,
        trayId: tray.id,
        on: line.on,
        groups: [{ group: of.group.code, count: line.count }],
        note: line.said.slice(0, MAX_NOTE),
        signs: [...line.signs],
      },
    ]
  if (line.kind === 'moved') return movedCommands(line, bench)
  return [entryCommand(line, bench, stageNow(bench, line))]
}

/** Kinds as entries are called; the rest are called the same. */
const ENTRY_OF: Partial<Record<LineKind, EntryKind>> = { sown: 'stage', moved: 'stage' }
const OF_SEASON: readonly EntryKind[] = ['look', 'thin', 'feed', 'out', 'stage']
const MOVES: readonly string[] = ['prick out', 'pot up']
type StageOf = (sowingId: string) => number

/** The stage a sowing is in: that of its group in the tray, else the last it was moved to. */
function stageNow(bench: Bench, line: ReadLine): StageOf {
  return (id) => {
    const groups = line.trayIds.flatMap((trayId) => find(bench, 'trays', trayId)?.body.groups ?? [])
    const inTray = groups.find(({ sowingId }) => sowingId === id)?.stage
    return line.kind === 'sown' ? 0 : (inTray ?? lastDone(bench, id))
  }
}
const lastDone = (bench: Bench, id: string): number =>
  Math.max(
    0,
    ...Object.keys(bench.done.get(id) ?? {})
      .flatMap((key) => /^stage-(\d+)$/.exec(key)?.[1] ?? [])
      .map(Number),
  )

/** Plants moved on into a pot or a cell: the next stage of each sowing, or one that its plan did not foresee. */
function movedCommands(line: ReadLine, bench: Bench): Sent[] {
  const changed: Sent[] = []
  const stages = new Map<string, number>()
  let part = false
  for (const id of line.sowingIds) {
    const record = find(bench, 'sowings', id)
    const crop = record && bench.context.crops.get(record.body.cropId)
    if (!record || !crop) continue
    const now = stageNow(bench, line)(id)
    const all = stagesOf({ ...record.body, crop })
    const planned = all.findIndex(({ kind }, i) => i > now && MOVES.includes(kind))
    const stage = planned >= 0 ? planned : Math.min(now + 1, all.length)
    stages.set(id, stage)
    const moves = {
      ...newStage(
        'pot up',
        line.containerId ?? all[now]?.containerId ?? null,
        all[now]?.recipeId ?? null,
        HALF,
      ),
    }
    const next: SowingRecord['stages'] =
      planned < 0
        ? [...all.slice(0, stage), moves, ...all.slice(stage)]
        : line.containerId && all[planned]?.containerId !== line.containerId
          ? all.map((one, i) => (i === planned ? { ...one, containerId: line.containerId } : { ...one }))
          : null
    if (next)
      changed.push({
        name: 'save record',
        collection: 'sowings',
        id,
        version: record.version,
        body: { ...record.body, stages: next },
      })
    part ||= line.count !== null && line.count < record.body.plants
  }
  const entry = entryCommand(line, bench, (id) => stages.get(id) ?? 0)
  return [...changed, part ? asPart(entry, line) : entry]
}
/** Only so many were moved: the rest stays where it is. */
const asPart = (
  { title, note = '', on, subjects }: ReturnType<typeof entryCommand>,
  { count }: ReadLine,
): Sent => ({
  ...{ name: 'tick', kind: 'stage', title, note, on, count, part: true },
  of: subjects.flatMap(({ what, id, stage }) =>
    what === 'sowings' && stage != null ? [{ sowingId: id, stage }] : [],
  ),
})
/** Of the weeks under cover [default]. */
const HALF = 0.5

function entryCommand(line: ReadLine, bench: Bench, stageOf: StageOf): Extract<Sent, { name: 'write down' }> {
  const kind = kindOf(line)
  const ofSeason = OF_SEASON.includes(kind)
  const isNow =
    line.on === bench.today && (['watered', 'weighed', 'felt', 'feed'] as EntryKind[]).includes(kind)
  return {
    name: 'write down',
    title: line.said.slice(0, MAX_TITLE),
    note: line.said.length > MAX_TITLE ? line.said.slice(0, MAX_NOTE) : '',
    kind,
    on: line.on,
    at: line.at ?? (isNow ? bench.time : null),
    subjects: [
      ...line.trayIds.map((id) => ({ what: 'trays' as const, id, stage: null })),
      // What is only seen of a crop that stands in a tray is of the tray.
      ...(line.trayIds.length && !ofSeason
        ? []
        : line.sowingIds.map((id) => ({
            what: 'sowings' as const,
            id,
            stage: ofSeason ? stageOf(id) : null,
          }))),
      ...(line.batchId ? [{ what: 'batches' as const, id: line.batchId, stage: null }] : []),
    ],
    placeId: line.placeId,
    count: line.count,
    signs: [...line.signs],
    grams: line.kind === 'harvest' ? line.grams : null,
    remindOn: line.remindOn,
    water: waterOf(line, kind, bench, stageOf),
    climate: kind === 'climate' ? airOf(line) : [],
  }
}

/** The temperature or the damp of a place is its air; every other number with a unit is a measurement. */
function kindOf(line: ReadLine): EntryKind {
  const isAir = line.placeId !== null && line.measured.some(({ what }) => what === 'temperature')
  if (line.kind === 'measured') return isAir ? 'climate' : 'measured'
  return ENTRY_OF[line.kind] ?? (line.kind as EntryKind)
}

function airOf({ measured, on }: ReadLine): Extract<Sent, { name: 'write down' }>['climate'] {
  const degrees = measured.filter(({ what }) => what === 'temperature').map(({ value }) => value)
  const humidity = measured.find(({ what }) => what === 'humidity')?.value ?? null
  return [{ on, lowC: Math.min(...degrees), highC: Math.max(...degrees), humidity }]
}

function waterOf(line: ReadLine, kind: EntryKind, bench: Bench, stageOf: StageOf): EntryRecord['water'] {
  const rows = (more: Partial<EntryRecord['water'][number]>) =>
    line.trayIds.map((trayId) => waterRow({ trayId, ...more }))
  const litres = line.litres === null ? null : line.litres / Math.max(1, line.trayIds.length)
  const ecMsPerCm = line.measured.find(({ what }) => what === 'EC')?.value ?? null
  const said = line.said.toLowerCase()
  if (kind === 'watered')
    return rows({ how: /mist|spritz/.test(said) ? 'mist' : (line.how ?? 'below'), litres, ecMsPerCm })
  if (kind === 'feed') {
    const [first = ''] = line.sowingIds
    const stage = bench.row(first)?.planned.stages[stageOf(first)]
    const ppm = line.measured.find(({ what }) => what === 'ppm')?.value ?? null
    return rows({ how: line.how ?? 'below', litres, ecMsPerCm, nMgPerL: ppm ?? stage?.care.nMgPerL ?? null })
  }
  if (kind === 'weighed') return rows({ grams: line.grams, moment: 'now' })
  if (kind === 'felt') return rows({ feels: FEELS_LIKE.find((one) => said.includes(one)) ?? 'light' })
  return []
}
