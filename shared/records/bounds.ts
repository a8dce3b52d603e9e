import type { Collection } from './collection-names'

/*
 * How much one household keeps at most, stated once: far more than a life of growing at home, and little enough that nobody fills a
 * disk with it. Bounds of single fields stand beside them, in the shape of each record.
 */

/** Records of each kind, those that are removed and can be brought back among them. */
export const MOST_RECORDS: Readonly<Record<Collection, number>> = {
  recipes: 5_000,
  materials: 5_000,
  containers: 5_000,
  feeds: 5_000,
  tools: 5_000,
  batches: 20_000,
  feedings: 20_000,
  programmes: 5_000,
  stocks: 10_000,
  crops: 5_000,
  packets: 20_000,
  sowings: 30_000,
  trays: 30_000,
  guidedJobs: 20_000,
  trials: 5_000,
  photos: 5_000,
  devices: 2_500,
  entries: 1_000_000,
}
/** Pictures, with those no photo points at yet. */
export const MOST_PHOTO_FILES = 5_000
