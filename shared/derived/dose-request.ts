import type * as z from 'zod'
import { doseProblems, type DoseRequest } from '#core/feed/dose'
import { wrongAt, type Problem } from '#core/problem'
import type { Context } from './context'
import type { feedFields } from '../records/feed'
import { asFeed } from '../records/as-feed'
import type { toolFields } from '../records/tool'
import { asTool } from '../records/as-tool'
import type { FeedingRecord } from '../records/feeding'

export function asDoseRequest(value: {
  growthStageId: string
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
  if (!feed) return [wrongAt(['feedId'], 'unknown', { what: 'feed' })]
  return doseProblems({ ...record, feed, tools })
}
