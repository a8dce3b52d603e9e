import { useContext } from '~/state/context'
import { feedSteps, strengthToExpect } from '#core/bench/feed-steps'
import { batchSteps } from '#core/bench/batch-steps'
import { doseProblems, planDose } from '#core/feed/dose'
import { planBatch } from '#core/media/batch'
import { given } from '#core/working/figure'
import { learnedSource, yours } from '#core/working/source'
import { asBatchRequest, batchRecordProblems, type BatchRecord } from '#shared/records/batch'
import { jugKey, learnedVessel } from '#shared/habits'
import type { FeedingRecord } from '#shared/records/feeding'
import type { Stored } from '#shared/collections'

/** What follows from a planned batch: nothing derived is ever stored. */
export function usePlannedBatch(batch: Stored<BatchRecord>) {
  const { whole } = useContext()
  if (batchRecordProblems(batch.body, whole).length) return null
  const plan = planBatch(asBatchRequest(batch.body, whole))
  return { plan, steps: batchSteps(plan, batch.body) }
}

/** What follows from a planned feed, with the tools owned today. */
export function usePlannedFeed({ body }: Stored<FeedingRecord>) {
  const context = useContext()
  const feed = context.feeds.get(body.feedId)
  // The jug holds what it was found to hold.
  const vessel = learnedVessel(body.vessel, context.whole.habits)
  const request = feed && { ...body, vessel, feed, tools: context.tools }
  if (!request || doseProblems(request).length) return null
  const plan = planDose(request)
  const { n } = context.whole.habits.of('jug', jugKey(vessel.name))
  const vesselL = given(vessel.name, vessel.volumeL, 'L', learnedSource(n, yours('your vessel')))
  return {
    feed: request.feed,
    plan,
    strength: strengthToExpect(plan, body.toolId),
    steps: feedSteps(plan, {
      feedName: request.feed.name,
      vesselName: body.vessel.name,
      vesselL,
      toolId: body.toolId,
    }),
  }
}
