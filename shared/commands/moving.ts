import { present } from '#core/present'
import * as z from 'zod'
import { freeCode } from '#core/trays/layout'
import type { Stored } from '../records/collections'
import { find, type Bench } from '../derived/bench'
import type { EntryRecord } from '../records/entry'
import { tray as trayRecord, type TrayRecord } from '../records/tray'
import { day, id } from '../records/rules'
import { cellEntries, PLOTS, toldOf, trayAt } from './cells'
import type { Told } from './told-cells'
import { command, inFuture, isRefusal, refuse, type Acting, type Change } from './command'

/** Where plants go on: a tray that stands, or one that is made with them. */
interface Into {
  readonly id: string
  readonly version: number
  readonly body: TrayRecord
  /** Plants in each cell. */
  readonly each: number
}

/** Plants moved on into another tray, each plot with its name; the tray is made with them where it is new. */
export function movedOn(
  bench: Bench,
  acting: Acting,
  tray: Stored<TrayRecord>,
  on: EntryRecord['on'],
  from: readonly Told[],
  into: Into,
  also: Partial<EntryRecord> = {},
): Change[] {
  const cells = [...into.body.cells]
  const groups = [...into.body.groups]
  const told = from.map((one): Told => {
    const code = freeCode(groups)
    const { group } = one.stands
    groups.push({ ...group, code, stage: group.stage + 1, seedsPerCell: 1 })
    const set: [number, number][] = []
    let left = one.count ?? one.cells.reduce((sum, [, n]) => sum + n, 0)
    for (let cell = 0; cell < cells.length && left > 0; cell++) {
      if (cells[cell] !== '') continue
      const n = Math.min(into.each, left)
      cells[cell] = code
      set.push([cell, n])
      left -= n
    }
    return { ...one, also: [{ trayId: into.id, group: code, what: 'set', cells: set, count: null }] }
  })
  const { id: intoId, version } = into
  return [
    { do: 'put', collection: 'trays', id: intoId, version, body: { ...into.body, groups, cells } },
    ...cellEntries(bench, acting, tray, on, 'moved', told, also),
  ]
}

export const moveOn = command(
  'move on',
  {
    trayId: id,
    on: day,
    groups: PLOTS,
    into: z.object({
      id,
      tray: trayRecord.nullable().default(null).describe('A new tray, empty; null for one that stands'),
      each: z.int().min(1, 'Say how many plants go into each.').default(1),
    }),
  },
  (bench, { trayId, on, groups, into }, acting) => {
    const late = inFuture(on, acting)
    if (late) return late
    const tray = trayAt(bench, trayId)
    if (isRefusal(tray)) return tray
    const list = toldOf(bench, tray, groups, 'moved')
    if (isRefusal(list)) return list
    const there = find(bench, 'trays', into.id)
    const target = into.tray ?? there?.body
    if (!target) return refuse(['into', 'id'], { kind: 'gone', values: { what: 'tray' } })
    if (target.emptiedOn !== null) return refuse(['into', 'id'], { kind: 'targetEmptied' }, there)
    const plants = list.reduce((sum, one) => sum + (one.count ?? one.cells.reduce((n, [, k]) => n + k, 0)), 0)
    const room = target.cells.filter((code) => code === '').length * into.each
    if (plants > room)
      return refuse(['into', 'each'], { kind: 'noRoom', values: { room, n: plants } }, { room })
    const version = into.tray ? 0 : present(there).version
    return movedOn(bench, acting, tray, on, list, { id: into.id, version, body: target, each: into.each })
  },
)
