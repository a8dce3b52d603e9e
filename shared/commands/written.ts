import type { Stored } from '../records/collections'
import type { Collection } from '../records/collection-names'
import type { HouseholdRecord } from '../records/household'

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
  /** Fields as they were, of what keeps no history of its own. */
  readonly was?: object
}

/** A record as it stands after an act; null where it is out of sight. */
export interface ChangedRecord {
  readonly collection: Collection
  readonly id: string
  readonly record: Stored<unknown> | null
}

/** What an act did, and what changed with it: levels that moved, too. */
export interface Performed {
  readonly act: string
  readonly wrote: readonly Pick<WrittenRecord, 'collection' | 'id' | 'after'>[]
  readonly changed: readonly ChangedRecord[]
  readonly household: Stored<HouseholdRecord> | null
  /** What is told once beside it: a key, how many days were written. */
  readonly told?: object
}
