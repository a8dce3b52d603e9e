import type { RefusalKind } from '#shared/messages/refusals'
import type { SeasonRow } from '#core/season/demand/demand'
import type { Crop } from '#core/sowing/crop'
import type { Problem } from '#core/problem'
import type { Kept } from './context'
import type { SowingRecord } from '../records/sowing'

/** A sowing of the season, planned. */
export interface PlannedRow extends SeasonRow {
  readonly crop: Crop
}
/** One that cannot be planned as it stands, and why. */
export interface UnplannedRow extends Kept<SowingRecord> {
  readonly problem: Problem<RefusalKind>
}
