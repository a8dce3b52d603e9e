import type { Collection } from '../collections'

/** One record that an act wrote: from which version to which. What it was before is in its history. */
export interface WrittenRecord {
  /** `household` is the household's own record. */
  readonly collection: Collection | 'household'
  readonly id: string
  /** The version that stood before; 0 where there was none. */
  readonly before: number
  readonly after: number
  /** Whether it was in sight before, and is after. */
  readonly stood: boolean
  readonly stands: boolean
}
