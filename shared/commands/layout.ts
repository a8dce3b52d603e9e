import * as z from 'zod'
import { cellsOf, merged } from '#core/trays/layout'
import { find, type Bench } from '../derived/bench'
import { sowing } from '../records/sowing'
import { tray as trayRecord, type TrayRecord } from '../records/tray'
import { layoutOf } from '../records/tray-layout'
import { id } from '../records/rules'
import { proposedTrays, type ProposedTray } from '../derived/trays'
import { trayFor } from '../derived/tray-for'
import { command, entryOf, plainCommand, refuse } from './command'

/** Trays of the plan that are not laid out yet. */
const traysToLayOut = (bench: Pick<Bench, 'rows' | 'today' | 'season' | 'kept'>): ProposedTray[] =>
  bench.season ? proposedTrays(bench.rows, bench.kept.trays) : []

/** A tray the season asks for becomes one that stands; what is sown already is sown in it on its day. */
export const layOutTray = command(
  'lay out tray',
  { id, key: z.string().min(1).max(200).describe('Of the trays that the season asks for') },
  (bench, { id: trayId, key }, acting) => {
    const one = traysToLayOut(bench).find((tray) => tray.key === key)
    if (!one) return refuse(['key'], { kind: 'planChanged' })
    const ids = new Set(one.holds.map(({ row }) => row.id))
    // The batch that was planned or made for what is sown in it.
    const batch = bench.kept.batches.findLast(({ body: { sowings } }) =>
      sowings.some(({ id: of, stage }) => ids.has(of) && stage === 0),
    )
    const packetOf = (sowingId: string) => find(bench, 'sowings', sowingId)?.body.packetId ?? null
    const body = trayFor(one, packetOf, batch?.id ?? null)
    return [
      { do: 'put', collection: 'trays', id: trayId, version: 0, body },
      ...body.groups.flatMap((group) => {
        const on = group.sowingId ? bench.done.get(group.sowingId)?.['stage-0'] : undefined
        if (!on) return []
        const cells = cellsOf(body, group.code).map((cell): [number, number] => [cell, group.seedsPerCell])
        // Its seed has left the packet already: this only says in which tray it lies.
        return [
          entryOf(
            {
              name: `Sown: ${group.name}`,
              kind: 'stage',
              on,
              subjects: [{ what: 'trays', id: trayId, stage: null }],
              cells: [{ trayId, group: group.code, what: 'sown', cells, count: null }],
            },
            acting,
          ),
        ]
      }),
    ]
  },
)

/**
 * A tray laid out anew, from how it was to how it is to be; where another hand was faster, both are joined cell by cell. With it
 * the sowings that are planned in it.
 */
export const changeTray = plainCommand(
  'change tray',
  {
    id,
    version: z.int().min(1).describe('The version it was changed from'),
    before: trayRecord,
    after: trayRecord,
    planned: z
      .array(z.object({ id, body: sowing }))
      .max(60)
      .default([]),
  },
  ({ id: trayId, version, before, after, planned }) => [
    ...planned.map(
      (one) => ({ do: 'put', collection: 'sowings', id: one.id, version: 0, body: one.body }) as const,
    ),
    {
      do: 'update',
      collection: 'trays',
      id: trayId,
      make: (stood) => {
        if (stood.version === version) return after
        const joined = merged(layoutOf(before), layoutOf(after), layoutOf(stood.body))
        if (!joined) return refuse(['after'], { kind: 'laidOutElsewhere' }, stood)
        const { rows, columns, groups, cells } = joined.layout
        return {
          ...stood.body,
          ...changed(before, after),
          rows,
          columns,
          groups: [...groups],
          cells: [...cells],
        }
      },
    },
  ],
)

/** The fields beside the layout that were changed. */
const changed = (before: TrayRecord, after: TrayRecord) =>
  Object.fromEntries(
    (Object.keys(after) as (keyof TrayRecord)[])
      .filter((key) => key !== 'cells' && key !== 'groups' && after[key] !== before[key])
      .map((key) => [key, after[key]]),
  )
