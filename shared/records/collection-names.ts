/** What a household keeps, by name, in the order it is written and read; the shapes stand in `collections.ts`. */
export const COLLECTION_NAMES = [
  'recipes',
  'materials',
  'containers',
  'feeds',
  'tools',
  'batches',
  'feedings',
  'programmes',
  'stocks',
  'crops',
  'packets',
  'sowings',
  'trays',
  'guidedJobs',
  'trials',
  'photos',
  'devices',
  'entries',
] as const
export type Collection = (typeof COLLECTION_NAMES)[number]
