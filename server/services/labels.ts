import type * as z from 'zod'
import { todayOf } from '#core/calendar/clock'
import { withOutside } from '#core/season/schedule/stays'
import { contextOf } from '#shared/derived/context'
import { sheetOf, type labelRequest } from '#shared/labels/label-request'
import { labelDay, labelsOf, type LabelWish } from '#shared/labels/labels'
import { changesByTray, trayStands } from '#shared/derived/trays'
import type { Principal } from '../principal'
import { everything } from './read-records'
import { paperInThread } from '../threads/pool'
import { invalid, unknown } from './refusal'

/** What a household's labels are made from. @throws Refusal 404 where a tray, a feed or a batch is gone */
async function sourcesFor(
  principal: Principal,
  householdId: string,
  {
    trays,
    feeds,
    batches,
  }: { trays: readonly string[]; feeds: readonly string[]; batches: readonly string[] },
) {
  const kept = await everything(principal, householdId)
  const context = contextOf(kept)
  const changes = changesByTray(kept.entries)
  const pick = <One extends { id: string }>(
    list: readonly One[],
    ids: readonly string[],
    what: string,
  ): One[] =>
    ids.map((id) => {
      const found = list.find((one) => one.id === id)
      if (!found) throw unknown(what)
      return found
    })
  return {
    trays: pick(kept.trays, trays, 'tray').map((tray) => ({
      tray,
      stands: trayStands(tray.body, changes.get(tray.id) ?? [], context.crops),
    })),
    feedings: pick(kept.feedings, feeds, 'feed plan'),
    batches: pick(kept.batches, batches, 'batch'),
    allBatches: kept.batches,
    sowings: kept.sowings,
    context,
    today: todayOf(kept.household.body, new Date()),
  }
}

/** Labels on sheets, as PDF, as they were asked for. @throws Refusal 404, 422 where there is nothing to label */
export async function householdLabels(
  principal: Principal,
  householdId: string,
  asked: z.output<typeof labelRequest>,
  origin: string,
): Promise<Buffer> {
  const { kind, copies, supplier, start, paper } = asked
  const wish: LabelWish = { kind, copies, supplier, origin }
  const sources = await sourcesFor(principal, householdId, asked)
  const batches = wish.kind === 'tub' ? sources.batches : sources.allBatches
  const texts = labelsOf({ ...sources, batches }, wish)
  if (texts.length === 0)
    throw invalid([
      { path: ['trays'], message: 'Nothing is laid out in these trays: there is nothing to label.' },
    ])
  return paperInThread({ do: 'labels', of: [texts, sheetOf(asked), { start, cut: paper !== 'own' }] })
}

/** The key of trays, as PDF. @throws Refusal 404, 422 */
export async function householdKey(
  principal: Principal,
  householdId: string,
  trays: readonly string[],
  origin: string,
  paper: 'a4' | 'letter',
  perSheet: 1 | 2,
): Promise<Buffer> {
  const {
    trays: picked,
    context,
    sowings,
  } = await sourcesFor(principal, householdId, { trays, feeds: [], batches: [] })
  if (picked.length === 0) throw invalid([{ path: ['trays'], message: 'Say which trays.' }])
  const places = withOutside(context.frame?.places ?? [])
  return paperInThread({
    do: 'key',
    of: [
      picked.flatMap(({ tray, stands }) => {
        const container = context.containers.get(tray.body.containerId)
        if (!container) return []
        const days = stands.groups.flatMap(({ group, sownOn, setOn }) => {
          const on = setOn ?? sownOn ?? sowings.find(({ id }) => id === group.sowingId)?.body.sowOn
          return on ? [[group.code, labelDay(context.units, on)] as const] : []
        })
        return [
          {
            tray,
            stands,
            container,
            placeName: places.find(({ id }) => id === tray.body.placeId)?.name ?? '',
            address: `${origin}/trays/${tray.id}`,
            days: new Map(days),
          },
        ]
      }),
      paper,
      perSheet,
    ],
  })
}
