import { last } from '#core/numeric/at'
import type { Day } from '#core/calendar/day'
import { isSign, seenName } from '#core/signs/seen'
import { totalOf } from '#core/trays/change'
import type { Context, Kept } from './context'
import type { BatchRecord } from '../records/batch'
import type { EntryRecord } from '../records/entry'
import type { TrayRecord } from '../records/tray'
import { counted } from '#core/text/plurals'
import type { TrayStands } from '#core/trays/standing'
import { changesByTray, trayStands } from './trays'

type Numbered<Body> = Kept<Body> & { readonly number: number }

/** One thing on the way of a tray. */
export interface TraceNode {
  readonly id: string
  readonly kind: 'seed' | 'material' | 'batch' | 'tray' | 'feed' | 'water'
  /** From what it is made to what happened to it: 0–3. */
  readonly column: number
  readonly name: string
  readonly says: string
  readonly to: string | null
  /** Signs were seen on it, or much of it was lost. */
  readonly isSick: boolean
  /** The tray that is asked about. */
  readonly isAsked: boolean
}
export interface TraceLink {
  readonly from: string
  readonly to: string
  readonly says: string
}
export interface Trace {
  readonly nodes: readonly TraceNode[]
  readonly links: readonly TraceLink[]
  /** What sick trays have in common and well ones have not. */
  readonly shared: readonly string[]
}

/**
 * The way of a tray: seed and materials, the batch, its other trays and those its plants came from, what was fed and watered.
 *
 * @param printDay a day as the reader writes it
 */
export function traceOf(
  trayId: string,
  records: {
    readonly trays: readonly Numbered<TrayRecord>[]
    readonly batches: readonly Numbered<BatchRecord>[]
    readonly entries: readonly Kept<EntryRecord>[]
  },
  context: Pick<Context, 'packets' | 'materials' | 'crops' | 'recipes'>,
  printDay: (day: Day) => string,
): Trace {
  const nodes = new Map<string, TraceNode>()
  const links = new Map<string, TraceLink>()
  const link = (from: string, to: string, says = '') => links.set(`${from} ${to}`, { from, to, says })
  const add = (node: Omit<TraceNode, 'isSick' | 'isAsked' | 'to'> & Partial<TraceNode>) =>
    nodes.set(node.id, { isSick: false, isAsked: false, to: null, ...node })
  const changes = changesByTray(records.entries)

  for (const { id, number, body } of records.trays) {
    const stands = trayStands(body, changes.get(id) ?? [], context.crops)
    add({ ...trayNode(stands, { id, number, body }, records.entries), isAsked: id === trayId })
    for (const group of body.groups) {
      const packet = group.packetId ? context.packets.get(group.packetId) : undefined
      if (!packet || !group.packetId) continue
      add({
        id: group.packetId,
        kind: 'seed',
        column: 0,
        name: `${packet.name} ${packet.year}`,
        says: packet.supplier || 'seed',
        to: `/records?subject=${group.packetId}`,
      })
      link(group.packetId, id)
    }
    if (body.batchId) link(body.batchId, id)
  }
  for (const { id, number, body } of records.batches) {
    const made = records.entries.find(
      ({ body: { kind, subjects } }) => kind === 'batch made' && subjects.some((one) => one.id === id),
    )
    add({
      id,
      kind: 'batch',
      column: 1,
      name: `Batch ${number}`,
      says: [body.name, made ? `made ${printDay(made.body.on)}` : 'not marked as made'].join(' · '),
      to: `/batches/${id}`,
    })
    for (const { materialId } of body.parts) {
      const material = context.materials.get(materialId)
      if (!material) continue
      add({ id: materialId, kind: 'material', column: 0, name: material.name, says: 'in the mix' })
      link(materialId, id)
    }
  }
  for (const { body } of records.entries) {
    // Plants that were moved between trays.
    const left = body.cells.filter(({ what }) => what === 'moved')
    const arrived = body.cells.filter(({ what }) => what === 'set')
    for (const from of left)
      for (const to of arrived)
        if (nodes.has(from.trayId) && nodes.has(to.trayId))
          link(from.trayId, to.trayId, `${totalOf(to)} on ${printDay(body.on)}`)
  }
  if (nodes.has(trayId))
    for (const node of givenTo(trayId, records.entries, printDay)) {
      add(node)
      link(trayId, node.id)
    }
  const all = [...nodes.values()].sort((a, b) => a.column - b.column || Number(b.isAsked) - Number(a.isAsked))
  const ways = [...links.values()].filter(({ from, to }) => nodes.has(from) && nodes.has(to))
  return { nodes: all, links: ways, shared: inCommon(all, ways) }
}

/** A tray: what grows in it, how many are up, and what was seen of it. */
function trayNode(
  { groups }: TrayStands,
  { id, number, body }: Numbered<TrayRecord>,
  entries: readonly Kept<EntryRecord>[],
) {
  const sum = (key: 'sown' | 'up' | 'lost' | 'standing') => groups.reduce((all, one) => all + one[key], 0)
  const signs = signsOf(id, entries)
  const lost = sum('lost')
  return {
    id,
    kind: 'tray' as const,
    column: 2,
    name: `Tray ${number}`,
    says: [
      body.groups.map(({ name }) => name).join(', ') || body.name,
      `${sum('up') || sum('standing')} up${sum('sown') ? ` of ${sum('sown')}` : ''}`,
      ...(lost ? [`${lost} lost`] : []),
      ...signs.map(seenName),
    ].join(' · '),
    to: `/trays/${id}`,
    isSick: signs.length > 0 || lost > Math.max(MAX_LOST, sum('up') * MAX_LOST_SHARE),
  }
}

/** More plants lost than these, or than this share of those that came up, is more than chance [default]. */
const MAX_LOST = 2
const MAX_LOST_SHARE = 0.2

/** Feeds and waterings of a tray, as what followed from it. */
function givenTo(trayId: string, entries: readonly Kept<EntryRecord>[], printDay: (day: Day) => string) {
  const rows = entries.flatMap(({ body }) =>
    body.water.flatMap((one) => (one.trayId === trayId ? [{ ...one, body }] : [])),
  )
  const fed = rows.filter(({ nMgPerL, body }) => nMgPerL && body.subjects.some(({ id }) => id === trayId))
  const watered = new Set(rows.flatMap(({ how, body }) => (how ? [body] : [])))
  const feeds = new Set(fed.map(({ body }) => body))
  return [
    ...(feeds.size
      ? [
          {
            id: 'feeds',
            kind: 'feed' as const,
            column: 3,
            name: counted(feeds.size, 'feed'),
            says: `last ${printDay(last(fed).body.on)}, ${Math.round(last(fed).nMgPerL ?? 0)} mg/L of nitrogen`,
            to: `/records?subject=${trayId}&of=fed`,
          },
        ]
      : []),
    ...(watered.size
      ? [
          {
            id: 'water',
            kind: 'water' as const,
            column: 3,
            name: `Watered ${counted(watered.size, 'time')}`,
            says: `last ${printDay(last([...watered]).on)}`,
            to: `/records?subject=${trayId}&of=water`,
          },
        ]
      : []),
  ]
}

function signsOf(trayId: string, entries: readonly Kept<EntryRecord>[]) {
  const seen = entries
    .filter(({ body }) => body.subjects.some(({ id }) => id === trayId))
    .flatMap(({ body }) => body.signs.filter(isSign))
  return [...new Set(seen)]
}

/** Seed or mix that every sick tray has and no well one. */
function inCommon(nodes: readonly TraceNode[], links: readonly TraceLink[]): string[] {
  const trays = nodes.filter(({ kind }) => kind === 'tray')
  const sick = trays.filter(({ isSick }) => isSick)
  const well = trays.filter(({ isSick }) => !isSick)
  if (sick.length < 2 || well.length === 0) return []
  const has = (tray: TraceNode, of: string) => links.some(({ from, to }) => from === of && to === tray.id)
  return nodes
    .filter(({ kind }) => kind === 'seed' || kind === 'batch')
    .filter(({ id }) => sick.every((tray) => has(tray, id)) && well.every((tray) => !has(tray, id)))
    .map(({ name }) => name)
}
