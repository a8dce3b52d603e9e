import { batchSteps } from '#core/jobs/batch-steps'
import { feedSteps, strengthToExpect } from '#core/jobs/feed-steps'
import { doseProblems, planDose } from '#core/feed/dose'
import { planBatch } from '#core/media/batch'
import { given } from '#core/working/figure'
import { learnedSource, yours } from '#core/working/source'
import { sayStep } from '../messages/steps'
import type { Context } from './context'
import { jugKey, learnedVessel } from './calibrated-catalogues'
import type { BatchRecord } from '../records/batch'
import { asBatchRequest, batchRecordProblems } from './batch-request'
import type { FeedingRecord } from '../records/feeding'

/** What follows from a planned batch: nothing derived is ever stored. Null where it can no longer be computed. */
export function plannedBatch(body: BatchRecord, context: Context) {
  if (batchRecordProblems(body, context).length) return null
  const plan = planBatch(asBatchRequest(body, context))
  return { plan, steps: batchSteps(plan, body).map(sayStep) }
}

/** What follows from a planned feed, with the tools owned today. Null where its feed or tools are gone. */
export function plannedFeed(body: FeedingRecord, context: Context) {
  const feed = context.feeds.get(body.feedId)
  // The jug holds what it was found to hold.
  const vessel = learnedVessel(body.vessel, context.calibrations)
  const request = feed && { ...body, vessel, feed, tools: context.tools }
  if (!request || doseProblems(request).length) return null
  const plan = planDose(request)
  const { n } = context.calibrations.of('jug', jugKey(vessel.name))
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
    }).map(sayStep),
  }
}
