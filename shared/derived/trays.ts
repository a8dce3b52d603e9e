import { present } from '#core/present'
import { at } from '#core/numeric/at'
import type { Day } from '#core/calendar/day'
import type { FixedTray } from '#core/season/packing/packing'
import { shareKey } from '#core/season/packing/sharing'
import type { Count } from '#core/season/schedule/sowing-request'
import { countsSeedlings, type Crop } from '#core/sowing/crop'
import type { DatedChange } from '#core/trays/change'
import { surfaceOf } from '#core/trays/layout'
import { standingIn, standsAfter, type TrayStands } from '#core/trays/standing'
import type { Container } from '#core/containers/container'
import type { Context, Kept } from './context'
import type { EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import { layoutOf } from '../records/tray-layout'
import type { PlannedRow } from './planned-row'

/** What entries did to the cells of trays, by tray, in the order they were written. */
export function changesByTray(entries: readonly Kept<EntryRecord>[]): Map<string, DatedChange[]> {
  const changes = new Map<string, DatedChange[]>()
  for (const { id, body } of entries)
    for (const change of body.cells) {
      const own = changes.get(change.trayId) ?? []
      own.push({ ...change, on: body.on, entryId: id })
      changes.set(change.trayId, own)
    }
  return changes
}

/** A tray as it stands after all that was written down of it. */
export const trayStands = (
  record: TrayRecord,
  changes: readonly DatedChange[],
  crops: Context['crops'],
): TrayStands => standsAfter(layoutOf(record), changes, (cropId) => crops.get(cropId)?.seedlings ?? 1)

/** Whether every seedling of a group is counted, not only cells with a plant. */
export const countsEach = (
  crop: Pick<Crop, 'clump' | 'countsClumps'> | undefined,
  container: Pick<Container, 'kind'> | undefined,
): boolean =>
  Boolean(crop && countsSeedlings(crop)) || (container ? surfaceOf(container) === 'furrows' : false)

/** Trays that were laid out, as the season packs around them. */
export function fixedTrays(trays: readonly Kept<TrayRecord>[]): FixedTray[] {
  return trays.flatMap(({ id, body }) => {
    if (body.emptiedOn !== null) return []
    const cells = new Map<string, number>()
    for (const code of body.cells) cells.set(code, (cells.get(code) ?? 0) + 1)
    const holds = body.groups.flatMap(({ code, sowingId, stage }) =>
      sowingId && cells.has(code)
        ? [{ key: shareKey(sowingId, stage), cells: present(cells.get(code)) }]
        : [],
    )
    const { placeId, cut, columns } = body
    const first = cut ? cut.column / columns : 1
    const stands = [
      ...(placeId ? [{ placeId, share: first }] : []),
      ...(cut ? [{ placeId: cut.placeId, share: 1 - first }] : []),
    ]
    const free = cells.get('') ?? 0
    return holds.length
      ? [{ id, containerId: body.containerId, holds, free, cells: body.cells.length, stands }]
      : []
  })
}

/** What came up of sowings by the counts of their trays, once each tray of them was counted. */
export function countsInTrays(
  trays: readonly Kept<TrayRecord>[],
  standing: (tray: Kept<TrayRecord>) => TrayStands,
  { crops, containers }: Pick<Context, 'crops' | 'containers'>,
): Map<string, Count> {
  const bySowing = new Map<string, { up: number; on: Day | null; whole: boolean }>()
  for (const tray of trays)
    for (const stands of standing(tray).groups) {
      const { sowingId, stage } = stands.group
      if (!sowingId || stage !== 0 || stands.sown === 0) continue
      const each = countsEach(crops.get(stands.group.cropId), containers.get(tray.body.containerId))
      const so = bySowing.get(sowingId) ?? { up: 0, on: null, whole: true }
      so.up += Math.max(0, (each ? stands.up : stands.upCells) - stands.lost)
      if (stands.countedOn === null) so.whole = false
      else if (!so.on || stands.countedOn > so.on) so.on = stands.countedOn
      bySowing.set(sowingId, so)
    }
  return new Map(
    [...bySowing].flatMap(([id, { up, on, whole }]) => (whole && on ? [[id, { up, on }] as const] : [])),
  )
}

/** A tray the season asks for, that nobody has laid out yet. */
export interface ProposedTray {
  readonly key: string
  readonly on: Day
  readonly container: Container
  readonly placeId: string
  readonly recipeId: string
  readonly holds: readonly {
    readonly row: PlannedRow
    readonly stage: number
    readonly cells: number
    readonly seedsPerCell: number
  }[]
}

/**
 * Trays that are to be sown and are not laid out, the first first. Cells are packed into trays that are shared; pots and blocks stand
 * together in one that is their own.
 *
 * @param standing trays that are laid out
 */
export function proposedTrays(
  rows: readonly PlannedRow[],
  standing: readonly Pick<Kept<TrayRecord>, 'body'>[],
): ProposedTray[] {
  const trays = new Map<string, ProposedTray>()
  const inPots = new Set(
    standing.flatMap(({ body }) =>
      body.groups.flatMap((one) => (one.stage === 0 ? (one.sowingId ?? []) : [])),
    ),
  )
  for (const row of rows)
    for (const stage of row.planned.stages) {
      if (stage.kind !== 'sow' || stage.index !== 0 || !stage.recipeId) continue
      const own = { tray: `${row.id} own`, cells: stage.cells, fixed: inPots.has(row.id) }
      for (const part of stage.placed?.in ?? [own]) {
        if (part.fixed || part.cells === 0) continue
        const known = trays.get(part.tray)
        const one = { row, stage: 0, cells: part.cells, seedsPerCell: row.planned.perCell }
        trays.set(part.tray, {
          key: part.tray,
          on: known && known.on < stage.from ? known.on : stage.from,
          container: stage.container,
          placeId: stage.where.place.id,
          recipeId: stage.recipeId,
          holds: [...(known?.holds ?? []), one],
        })
      }
    }
  return [...trays.values()].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.key < b.key ? -1 : 1))
}

/** A tray whose last `most` cells in which nothing was sown or stands are left empty, and how many that were. */
export function leftEmpty(
  record: TrayRecord,
  stands: TrayStands,
  most: number,
): { record: TrayRecord; left: number } {
  const cells = [...record.cells]
  let left = 0
  for (let cell = cells.length - 1; cell >= 0 && left < most; cell--) {
    const now = at(stands.cells, cell)
    if (cells[cell] === '' || now.sown > 0 || standingIn(now) > 0) continue
    cells[cell] = ''
    left++
  }
  return { record: { ...record, cells }, left }
}
