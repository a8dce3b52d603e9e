import { plainWords, type SaidStep } from '#shared/messages/steps'
import type { CautionId } from '#core/cautions/caution'
import { sayCautions } from '#shared/messages/cautions'
import { growthStageById } from '#core/feed/growth-stage'
import { saidInParts } from '#core/media/recipe'
import { printNumber } from '#core/units/format'
import { printFraction } from '#core/units/fraction'
import { plannedBatch, plannedFeed } from '#shared/derived/planned-cards'
import type { Context } from '#shared/derived/context'
import { contextOf } from '#shared/derived/context'
import type { FeedingRecord } from '#shared/records/feeding'
import type { Block, Writing } from '../../paper/document'
import type { Principal } from '../../principal'
import { everything } from '../read-records'
import { invalid, unknown } from '../refusal'
import { sayNoWay } from '#shared/messages/feed'
import { printing, type Printing } from './printing'

const list = (steps: readonly SaidStep[], print: Printing): Block => ({
  kind: 'list',
  marks: 'boxes',
  items: steps.map(({ title, say, waitMinutes, right, test }) => ({
    title: waitMinutes ? `${title} (leave ${minutes(waitMinutes)})` : title,
    text: `${plainWords(say, print.figure)}${right && test ? ` Right: ${right}.` : ''}`,
  })),
})
const minutes = (n: number) => (n < 90 ? `${Math.round(n)} min` : `${printNumber(n / 60, 2)} h`)
const warnings = (ids: readonly CautionId[]): Block[] =>
  sayCautions(ids).map(({ title, text }) => ({ kind: 'caution', title, text }))

/** The card of a batch, with the feeds that go with it. @throws Refusal 404, 422 where it can no longer be computed */
export async function batchCard(principal: Principal, householdId: string, id: string): Promise<Writing> {
  const kept = await everything(principal, householdId)
  const batch = kept.batches.find((one) => one.id === id)
  if (!batch) throw unknown('batch')
  const context = contextOf(kept)
  const print = printing(kept.household.body)
  const planned = plannedBatch(batch.body, context)
  if (!planned)
    throw invalid([{ path: ['id'], message: 'This batch can no longer be computed as it stands.' }])
  const { plan, steps } = planned
  const fed = kept.feedings.filter(({ body }) => body.batchId === id)
  return {
    title: batch.body.name,
    kicker: `Batch ${batch.number}${batch.body.onDate ? ` · ${print.longDay(batch.body.onDate)}` : ''}`,
    blocks: [
      {
        kind: 'text',
        text: `${print.figure(plan.mixL)} of mix, ${saidInParts(batch.body.parts)}.`,
      },
      {
        kind: 'table',
        columns: ['Material', batch.body.scoop.name, 'Loose'],
        shares: [5, 2, 2],
        rows: plan.lines.map((line) => [
          `${line.material.name}${line.share ? '' : ', cover'}`,
          printFraction(line.scoops.scoops.value, 0.25),
          print.figure(line.looseL),
        ]),
      },
      ...warnings(plan.cautions),
      list(steps, print),
      ...fed.flatMap(({ body }) => feedBlocks(body, context, print)),
    ],
  }
}

/** The card of a feed. @throws Refusal 404, 422 */
export async function feedCard(principal: Principal, householdId: string, id: string): Promise<Writing> {
  const kept = await everything(principal, householdId)
  const feeding = kept.feedings.find((one) => one.id === id)
  if (!feeding) throw unknown('feed plan')
  const blocks = feedBlocks(feeding.body, contextOf(kept), printing(kept.household.body))
  return { title: feeding.body.name, kicker: 'Feed', blocks: blocks.slice(1) }
}

function feedBlocks(body: FeedingRecord, context: Context, print: Printing): Block[] {
  const planned = plannedFeed(body, context)
  if (!planned)
    throw invalid([
      { path: ['id'], message: `${body.name}: its feed or tools are no longer here, so there is no dose.` },
    ])
  const { feed, plan, strength, steps } = planned
  return [
    { kind: 'heading', text: body.name },
    {
      kind: 'text',
      text: `${feed.name}, ${feed.nPercent}-${feed.p2o5Percent}-${feed.k2oPercent}. ${growthStageById(body.growthStageId).name}: ${
        strength
          ? `${print.saying.strength(strength.nMgPerL.value)} (${printNumber(Math.round(strength.lowNMgPerL.value))} to ${printNumber(Math.round(strength.highNMgPerL.value))} by the tools, wanted ${printNumber(body.targetNMgPerL)}).`
          : sayNoWay(plan.noWay)
      }`,
    },
    ...warnings(plan.cautions),
    list(steps, print),
  ]
}
