import { at } from '#core/numeric/at'
import * as z from 'zod'
import type { ChangeKind } from '#core/trays/change'
import { cellsOf } from '#core/trays/layout'
import type { GroupStands } from '#core/trays/standing'
import type { Stored } from '../records/collections'
import { find, groupsOfSowing, type Bench } from '../derived/bench'
import type { EntryKind, EntryRecord } from '../records/entry'
import { entry } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import { day, id } from '../records/rules'
import {
  command,
  entryOf,
  inFuture,
  isRefusal,
  refuse,
  type Acting,
  type Change,
  type Refusal,
} from './command'
import { CHANGE_WORDS, type Told } from './told-cells'

/*
 * What happens to cells of a tray: seed goes in, plants come up, are thinned, lost, given away, planted out. One entry for
 * each plot of cells; the season follows them.
 */

/** What a change is written down as. */
const KIND_OF: Record<ChangeKind, EntryKind> = {
  sown: 'stage',
  up: 'look',
  thinned: 'thin',
  lost: 'lost',
  given: 'given',
  out: 'out',
  moved: 'stage',
  set: 'stage',
}

type Tray = Stored<TrayRecord>

const plantsIn = ({ cells, count = null }: Pick<Told, 'cells' | 'count'>) =>
  count ?? cells.reduce((sum, [, n]) => sum + n, 0)

/** Entries of something that happened to cells of a tray, one for each plot. */
export function cellEntries(
  bench: Bench,
  acting: Acting,
  tray: Tray,
  on: EntryRecord['on'],
  what: ChangeKind,
  list: readonly Told[],
  told: Partial<EntryRecord> = {},
): Change[] {
  return list.map((one) => {
    const { stands: of, cells, count = null, also = [] } = one
    const plants = plantsIn(one)
    const own = {
      trayId: tray.id,
      group: of.group.code,
      what,
      cells: cells.map(([cell, n]): [number, number] => [cell, n]),
      count,
    }
    const trays = new Set([tray.id, ...also.map(({ trayId }) => trayId)])
    return entryOf(
      {
        name: `${CHANGE_WORDS[what]}: ${of.group.name}, tray ${tray.number}`,
        kind: KIND_OF[what],
        on,
        subjects: [
          ...aboutSowing(bench, of, what),
          ...[...trays].map((trayId) => ({ what: 'trays' as const, id: trayId, stage: null })),
        ],
        // Of what came up the trays tell; only that nothing did is said here.
        count: what === 'up' ? (plants === 0 ? 0 : null) : what === 'moved' ? plants : null,
        part: isPart(bench, of, what, plants),
        cells: [own, ...also],
        ...told,
      },
      acting,
    )
  })
}

/** The season follows: the sowing is sown, up, moved on, out. */
function aboutSowing(bench: Bench, { group }: GroupStands, what: ChangeKind): EntryRecord['subjects'] {
  if (!group.sowingId || what === 'lost' || what === 'given') return []
  const stages = bench.row(group.sowingId)?.planned.stages.length
  const stage =
    what === 'moved' ? group.stage + 1 : what === 'out' ? (stages ?? group.stage + 1) : group.stage
  return [{ what: 'sowings', id: group.sowingId, stage }]
}

/** Whether as many of its sowing are still to be sown, moved or set out. */
function isPart(bench: Bench, { group }: GroupStands, what: ChangeKind, plants: number): boolean {
  if (!group.sowingId || (what !== 'sown' && what !== 'moved' && what !== 'out')) return false
  const left = groupsOfSowing(bench, group.sowingId, group.stage).map(({ of }) => of)
  if (what === 'sown') {
    const open = left.reduce((sum, one) => sum + one.cells - one.sownCells, 0)
    const planned = bench.row(group.sowingId)?.planned.cells ?? 0
    const laid = left.reduce((sum, one) => sum + one.cells, 0)
    return open > Math.round(plants / Math.max(1, group.seedsPerCell)) || laid < planned
  }
  return left.reduce((sum, one) => sum + one.standing, 0) > plants
}

/** Cells of a plot in which nothing is sown yet, each with the seeds it is to get. */
export const toSow = (bench: Bench, tray: Tray, of: GroupStands): Told => ({
  stands: of,
  cells: cellsOf(tray.body, of.group.code)
    .filter((cell) => at(bench.stands(tray).cells, cell).sown === 0)
    .map((cell): [number, number] => [cell, of.group.seedsPerCell]),
})

/** A tray something can happen in. */
export function trayAt(bench: Bench, trayId: string, path = 'trayId'): Tray | Refusal {
  const tray = find(bench, 'trays', trayId)
  if (!tray) return refuse([path], { kind: 'gone', values: { what: 'tray' } })
  return tray.body.emptiedOn === null
    ? tray
    : refuse([path], { kind: 'trayEmptied', values: { tray: tray.number, on: tray.body.emptiedOn } }, tray)
}

const cellRow = entry.shape.cells.unwrap().element.shape
/** Plots of one tray, each with the cells it is about, or how many where nobody said which. */
export const PLOTS = z
  .array(z.object({ group: cellRow.group, cells: cellRow.cells.default([]), count: cellRow.count }))
  .min(1, 'Say which plants.')
  .max(100, 'At most 100 plots at once.')
const told = {
  note: entry.shape.note,
  signs: entry.shape.signs,
  by: entry.shape.by.unwrap().optional(),
}
const shape = { trayId: id, on: day, groups: PLOTS, ...told }

type Plots = z.output<typeof PLOTS>

/** What is said of plots, with what stands in them. @returns a refusal at the field that does not fit */
export function toldOf(bench: Bench, tray: Tray, plots: Plots, what: ChangeKind): Told[] | Refusal {
  const list: Told[] = []
  for (const [i, plot] of plots.entries()) {
    const stands = bench.stands(tray).groups.find(({ group }) => group.code === plot.group)
    if (!stands)
      return refuse(
        ['groups', i, 'group'],
        { kind: 'noGroupInTray', values: { group: plot.group, tray: tray.number } },
        tray,
      )
    const one: Told =
      what === 'sown' && plot.cells.length === 0 && plot.count === null
        ? toSow(bench, tray, stands)
        : { stands, cells: plot.cells, count: plot.count }
    const plants = plantsIn(one)
    if (TAKES.includes(what) && plants > stands.standing)
      return refuse(
        ['groups', i, plot.count === null ? 'cells' : 'count'],
        { kind: 'onlyThere', values: { there: stands.standing, n: plants } },
        { trayId: tray.id, group: plot.group, standing: stands.standing },
      )
    if (what === 'sown' && plants === 0)
      return refuse(
        ['groups', i, 'group'],
        { kind: 'sownAlready', values: { group: stands.group.name, tray: tray.number } },
        tray,
      )
    list.push(one)
  }
  return list
}
const TAKES: readonly ChangeKind[] = ['thinned', 'lost', 'given', 'out', 'moved']

const happens = <Name extends string>(name: Name, what: ChangeKind) =>
  command(name, shape, (bench, { trayId, on, groups, note, signs, by }, acting) => {
    const late = inFuture(on, acting)
    if (late) return late
    const tray = trayAt(bench, trayId)
    if (isRefusal(tray)) return tray
    const list = toldOf(bench, tray, groups, what)
    return isRefusal(list)
      ? list
      : cellEntries(bench, acting, tray, on, what, list, { note, signs, ...(by === undefined ? {} : { by }) })
  })

export const sow = happens('sow', 'sown')
export const count = happens('count', 'up')
export const thin = happens('thin', 'thinned')
export const lose = happens('lose', 'lost')
export const giveAway = happens('give away', 'given')
export const plantOut = happens('plant out', 'out')
/** Plants left the tray for another place, where nobody says which. */
export const moveAway = happens('move away', 'moved')

/** A sowing that is laid out, sown in all its trays. */
export const sowEverywhere = command(
  'sow everywhere',
  { sowingId: id, on: day },
  (bench, { sowingId, on }, acting) => {
    const late = inFuture(on, acting)
    if (late) return late
    const open = groupsOfSowing(bench, sowingId, 0).filter(({ of }) => of.cells > 0 && of.sown === 0)
    if (open.length === 0) return refuse(['sowingId'], { kind: 'notLaidOut' })
    return open.flatMap(({ tray, of }, i) =>
      // With its last tray the sowing is sown.
      cellEntries(bench, acting, tray, on, 'sown', [toSow(bench, tray, of)], { part: i < open.length - 1 }),
    )
  },
)
