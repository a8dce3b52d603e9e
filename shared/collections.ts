import * as z from 'zod'
import { batch, type BatchRecord } from './records/batch'
import { crop, type CropRecord } from './records/crop'
import { container, type ContainerRecord } from './records/container'
import { feed, type FeedRecord } from './records/feed'
import { feeding, type FeedingRecord } from './records/feeding'
import { household, type HouseholdRecord } from './records/household'
import { mark, type MarkRecord } from './records/mark'
import { material, type MaterialRecord } from './records/material'
import { packet, type PacketRecord } from './records/packet'
import { programme, type ProgrammeRecord } from './records/programme'
import { recipe, type Recipe } from './records/recipe'
import { sowing, type SowingRecord } from './records/sowing'
import { stock, type StockRecord } from './records/stock'
import { tool, type ToolRecord } from './records/tool'
import { use, type UseRecord } from './records/use'
import { id } from './rules'

/** What a household keeps, by collection. Every collection is read and written through the same calls. */
export const COLLECTIONS = {
  recipes: recipe,
  materials: material,
  containers: container,
  feeds: feed,
  tools: tool,
  batches: batch,
  feedings: feeding,
  programmes: programme,
  stocks: stock,
  uses: use,
  crops: crop,
  packets: packet,
  sowings: sowing,
  marks: mark,
} as const

export interface Bodies {
  recipes: Recipe
  materials: MaterialRecord
  containers: ContainerRecord
  feeds: FeedRecord
  tools: ToolRecord
  batches: BatchRecord
  feedings: FeedingRecord
  programmes: ProgrammeRecord
  stocks: StockRecord
  uses: UseRecord
  crops: CropRecord
  packets: PacketRecord
  sowings: SowingRecord
  marks: MarkRecord
}

export type Collection = keyof Bodies
export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as [Collection, ...Collection[]]

/** A record as it is kept: the body, an id the writer chose, and a version that each write raises by one. */
export interface Stored<Body> {
  id: string
  version: number
  /** Counts a household's batches from 1; 0 in collections that are not numbered. */
  number: number
  updatedAt: string
  body: Body
}

export type Everything = { [C in Collection]: Stored<Bodies[C]>[] } & {
  household: Stored<HouseholdRecord>
}

/** What a record was before a change. */
export interface Revision<Body> {
  version: number
  writtenAt: string
  body: Body
}

/** A write: the body, and the version it was made from (0 for a new record). */
export const write = <Body extends z.ZodType>(body: Body) =>
  z.object({ version: z.int().min(0, 'A version is 0 or more.'), body })

export const stored = <Body extends z.ZodType>(body: Body) =>
  z.object({ id, version: z.int(), number: z.int(), updatedAt: z.iso.datetime(), body })

export const HOUSEHOLD = household
