import * as z from 'zod'
import { doseProblems, type DoseRequest } from '#core/feed/dose'
import { STAGES } from '#core/feed/stage'
import type { Problem } from '#core/problem'
import { amount, id, name, reference, ruled } from '../rules'
import type { Context } from '../context'
import { asFeed, feedFields } from './feed'
import { asTool, toolFields } from './tool'

const doseFields = z.object({
  stageId: reference.describe(`One of ${STAGES.map((stage) => stage.id).join(', ')}`),
  targetNMgPerL: amount.describe('Wanted strength, mg/L of nitrogen'),
  vessel: z.object({ name, volumeL: amount.describe('L') }),
})

/** A planned feed as a household keeps it. The tools are those it owns on the day. */
export const feeding = doseFields.extend({
  name,
  feedId: reference.describe('A generic feed, or one of the household’s own'),
  batchId: id.nullable().describe('The batch on whose bench card it stands'),
  toolId: reference.nullable().describe('The tool to measure with; null for the best at hand'),
})
export type FeedingRecord = z.output<typeof feeding>

export const doseToCompute = ruled(
  doseFields.extend({ feed: feedFields, tools: z.array(toolFields).max(200).default([]) }),
  (value) => doseProblems(asDoseRequest(value)),
)

export function asDoseRequest(value: {
  stageId: string
  targetNMgPerL: number
  vessel: { name: string; volumeL: number }
  feed: z.output<typeof feedFields>
  tools: z.output<typeof toolFields>[]
}): DoseRequest {
  return {
    ...value,
    feed: asFeed('feed', value.feed),
    tools: value.tools.map((tool, index) => asTool(String(index), tool)),
  }
}

/** What is wrong with a planned feed, given the household's own feeds and tools. */
export function feedingProblems(
  record: FeedingRecord,
  { feeds, tools }: Pick<Context, 'feeds' | 'tools'>,
): Problem[] {
  const feed = feeds.get(record.feedId)
  if (!feed) return [{ path: ['feedId'], message: 'This feed is not known.' }]
  return doseProblems({ ...record, feed, tools })
}
