import { plannedBatch, plannedFeed } from '#shared/derived/planned-cards'
import type { Stored } from '#shared/records/collections'
import type { BatchRecord } from '#shared/records/batch'
import type { FeedingRecord } from '#shared/records/feeding'

/** What follows from a planned batch, in this household. */
export const usePlannedBatch = (batch: Stored<BatchRecord>) => plannedBatch(batch.body, useContext().whole)

/** What follows from a planned feed, in this household. */
export const usePlannedFeed = ({ body }: Stored<FeedingRecord>) => plannedFeed(body, useContext().whole)
