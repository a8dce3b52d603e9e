import type { Container } from '../../containers/container'
import type { Fill } from '../../media/batch-request'
import type { Crop } from '../../sowing/crop'
import type { Counted } from '../../sowing/seed-age'
import type { WarmthSince } from '../../sowing/warmth'
import type { Placed } from './placed'
import type { Care } from './care'
import type { Day } from '../../calendar/day'
import type { Stay, Where } from './stays'
import type { RootsSeen } from './roots'
import type { ScheduleStage, StageKind } from './schedules'

/** What is wanted of one crop. Everything that is null follows from the crop and the season. */
export interface SowingRequest {
  readonly crop: Crop
  readonly plants: number
  /** Cells to sow, where they were said: a whole tray, a packet; else as many as the plants need. */
  readonly cells?: number | null
  readonly season: 'spring' | 'autumn'
  /** The day the plants are to be ready to go out. */
  readonly outOn: Day | null
  readonly sowOn: Day | null
  /** As the packet or a test says, a fraction. */
  readonly germination: number | null
  readonly seedYears: number
  /** Seeds in the packet; null where nobody counted. */
  readonly seedsThere: number | null
  /** Days to come up as the packet says; null where it does not. */
  readonly upDays?: { readonly from: number; readonly to: number } | null | undefined
  readonly certainty: number
  readonly seedsPerCell: number | null
  readonly scheduleId: string | null
  /** Where it stands until it is hardened; null where nobody said. */
  readonly placeId?: string | null | undefined
  /** The household's own stages, in place of the schedule's. */
  readonly stages: readonly ScheduleStage[] | null
  /** What came up by the last count; nothing where nobody counted. */
  readonly up?: Count | null | undefined
  /** Parts that were moved on while the rest stayed, by stage. */
  readonly moved?:
    readonly { readonly stage: number; readonly on: Day; readonly plants: number }[] | undefined
  /** What roots of the last such sowings showed. */
  readonly roots?: RootsSeen | undefined
  /** Germination by the household's own counts of this packet; nothing where it never counted. */
  readonly counted?: Counted | null | undefined
  /** Of what comes up so many are lost on the way, by its own trays. */
  readonly losses?: { readonly share: number; readonly n: number } | null | undefined
  /** Warmth the place had from day to day since it was sown, °C. */
  readonly warmth?: WarmthSince | null | undefined
  /** What was done, and when: `treat`, `stage-0`, `up`, `stage-1` …, `out`. What follows moves with it. */
  readonly done: Readonly<Record<string, Day>>
  /** What is not done yet cannot begin before this day: late work pushes what follows. */
  readonly notBefore: Day | null
}

/** Cells with a plant, seedlings where they stand in clumps or were broadcast, on the day they were counted. */
export interface Count {
  readonly up: number
  readonly on: Day
}

export interface PlannedStage {
  readonly index: number
  readonly kind: StageKind
  /** The day it was to begin; `from` is later where it is late. */
  readonly dueOn: Day
  readonly from: Day
  readonly until: Day
  /** Whole trays or pots, and their cover. */
  readonly fill: Fill
  readonly container: Container
  /** The mix newly filled in; null where the plants stay where they are. */
  readonly recipeId: string | null
  /** Loose mix, L. */
  readonly looseL: number
  /** In flats of 28 × 54 cm under the roof; 0 outside. */
  readonly flats: number
  readonly where: Where
  /** Where its flats stand from day to day. */
  readonly stays: readonly Stay[]
  /** Cells or pots in use. */
  readonly cells: number
  /** How they stand in trays that are shared; nothing said for pots, and before they are shared out. */
  readonly placed?: Placed
  readonly plants: number
  /** Of them, moved on already; what is filled and mixed is for the rest. */
  readonly moved: number
  readonly care: Care
}
