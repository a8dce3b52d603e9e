import type { Collection } from './collections'

/*
 * How much one household keeps at most, stated once: far more than a life of growing at home, and little enough that nobody fills a
 * disk with it. Bounds of single fields stand beside them, in the shape of each record.
 */

/** Records of each kind, those that are removed and can be brought back among them. */
export const MOST_RECORDS: Readonly<Record<Collection, number>> = {
  recipes: 2_000,
  materials: 1_000,
  containers: 1_000,
  feeds: 1_000,
  tools: 500,
  batches: 20_000,
  feedings: 20_000,
  programmes: 1_000,
  stocks: 5_000,
  crops: 3_000,
  packets: 10_000,
  sowings: 30_000,
  trays: 30_000,
  guidedJobs: 20_000,
  trials: 1_000,
  photos: 5_000,
  devices: 100,
  entries: 1_000_000,
}
/** Pictures, with those no photo points at yet. */
export const MOST_PHOTO_FILES = 5_000
