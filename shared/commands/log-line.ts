import { at as elementAt } from '#core/numeric/at'
import type { LineKind, LineKnown, ReadLine } from '#core/language/log-line'
import { isFrostFree, seasonEnds } from '#core/calendar/frost'
import { withOutside } from '#core/season/schedule/stays'
import type { NameBook } from '#core/language/name-book'
import { FEELS_LIKE } from '#core/water/watering-events'
import type { Stored } from '../records/collections'
import type { TrayFacts } from '../reckoning/line-doubts'
import { find, standingTrays, type Bench } from '../reckoning/bench'
import { waterRow, type EntryKind, type EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import type { Sent } from './commands'

/** What a line that was typed at the bench is read with. */
export const lineKnown = (
  bench: Bench,
  names: NameBook,
  order: LineKnown['calendar']['order'],
): LineKnown => {
  const { kept, context, today } = bench
  return {
    trays: standingTrays(bench).map(({ id, number, body }) => ({ id, number, groups: body.groups })),
    sowings: kept.sowings.map(({ id, body }) => ({ id, name: body.name, cropId: body.cropId })),
    batches: kept.batches.map(({ id, number }) => ({ id, number })),
    places: withOutside(context.frame?.places ?? []).map(({ id, name }) => ({ id, name })),
    names,
    cropName: (id) => context.crops.get(id)?.name ?? id,
    calendar: {
      today,
      frosts: context.frame && !isFrostFree(context.frame) ? seasonEnds(context.frame) : null,
      order,
    },
    units: context.units,
  }
}

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

/** The command a line comes to: what happens to cells is of its tray, everything else is written down as it was said. */
export function lineCommand(line: ReadLine, said: string, bench: Bench): Sent {
  const tray = trayOfLine(bench, line)
  const of =
    tray && line.group ? bench.stands(tray).groups.find(({ group }) => group.code === line.group) : undefined
  if (tray && of && line.kind === 'sown' && of.sown === 0)
    return { name: 'sow', trayId: tray.id, on: line.on, groups: [{ group: of.group.code }] }
  const name = CELL_COMMANDS[line.kind as keyof typeof CELL_COMMANDS] as
    (typeof CELL_COMMANDS)[keyof typeof CELL_COMMANDS] | undefined
  if (name && tray && of && line.count !== null) {
    const noted = line.signs.length || line.rest.length || line.taken.length ? said : ''
    return {
      name,
      trayId: tray.id,
      on: line.on,
      groups: [{ group: of.group.code, count: line.count }],
      note: noted.slice(0, 600),
      signs: [...line.signs],
    }
  }
  return entryCommand(line, said, bench)
}

/** Kinds as entries are called; the rest are called the same. */
const ENTRY_OF: Partial<Record<LineKind, EntryKind>> = { sown: 'stage', moved: 'stage' }
const OF_SEASON: readonly EntryKind[] = ['look', 'thin', 'feed', 'out', 'stage']

function entryCommand(line: ReadLine, said: string, bench: Bench): Sent {
  const kind = ENTRY_OF[line.kind] ?? (line.kind as EntryKind)
  const stageOf = (id: string) => {
    const groups = line.trayIds.flatMap((trayId) => find(bench, 'trays', trayId)?.body.groups ?? [])
    return groups.find(({ sowingId }) => sowingId === id)?.stage ?? 0
  }
  const ofSeason = OF_SEASON.includes(kind)
  const isNow =
    line.on === bench.today && (['watered', 'weighed', 'felt', 'feed'] as EntryKind[]).includes(kind)
  return {
    name: 'write down',
    title: said.slice(0, 120),
    note: said.length > 120 ? said.slice(0, 600) : '',
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
    water: waterOf(line, kind, said, bench, stageOf),
  }
}

function waterOf(
  line: ReadLine,
  kind: EntryKind,
  said: string,
  bench: Bench,
  stageOf: (sowingId: string) => number,
): EntryRecord['water'] {
  const rows = (more: Partial<EntryRecord['water'][number]>) =>
    line.trayIds.map((trayId) => waterRow({ trayId, ...more }))
  const litres = line.litres === null ? null : line.litres / Math.max(1, line.trayIds.length)
  if (kind === 'watered')
    return rows({
      how: /mist/i.test(said) ? 'mist' : /above|rose|overhead/i.test(said) ? 'above' : 'below',
      litres,
    })
  if (kind === 'feed') {
    const [first = ''] = line.sowingIds
    const stage = bench.row(first)?.planned.stages[stageOf(first)]
    return rows({ how: 'below', litres, nMgPerL: stage?.care.nMgPerL ?? null })
  }
  if (kind === 'weighed') return rows({ grams: line.grams, moment: 'now' })
  if (kind === 'felt')
    return rows({ feels: FEELS_LIKE.find((one) => said.toLowerCase().includes(one)) ?? 'light' })
  return []
}
