import type { Crop } from '../../sowing/crop'
import { addDays, type Day } from '../../calendar/day'
import type { FeedDemand, MixDemand, SeasonRow } from '../demand/demand'
import type { StageKind } from '../schedule/schedules'
import type { Absence } from './absence'
import type { CareVisit } from '../schedule/final-care'

export const JOB_KINDS = [
  'treat',
  'soak mix',
  'make mix',
  'stage',
  'look',
  'uncover',
  'thin',
  'fan',
  'roots',
  'settle',
  'feed',
  'harden',
  'shelter',
  'out',
  'care',
  // Never due: what a household does with a sowing that failed, or one whose crop is over.
  'give up',
  'end',
] as const
export type JobKind = (typeof JOB_KINDS)[number]

/** What a job is about: a stage of one or more sowings. */
export interface JobTarget {
  readonly sowingId: string
  readonly stage: number
}

/** What a household did or put off: one mark for one action, on all the stages it was for. */
export interface Mark {
  readonly what: JobKind
  readonly of: readonly JobTarget[]
  /** The day it was done, or put off. */
  readonly on: Day
  /** null where it was done. */
  readonly snoozedUntil: Day | null
  /** What was counted: cells or seedlings that came up, plants that were moved; null where nobody counted. */
  readonly count?: number | null | undefined
  /** Only so many of them were moved; the rest stays where it is for now. */
  readonly part?: boolean | undefined
}

export interface Job {
  readonly id: string
  readonly kind: JobKind
  readonly stageKind: StageKind | null
  readonly of: readonly JobTarget[]
  readonly names: readonly string[]
  readonly dueOn: Day
  readonly state: 'due' | 'late' | 'danger' | 'coming' | 'done'
  /** What hurts if it waits, or what is wrong. */
  readonly danger: Danger | null
  /** Places the hands go to, by their ids; none where it is done at the bench. */
  readonly placeIds: readonly string[]
  readonly mix: MixDemand | null
  readonly feed: FeedDemand | null
  /** The first feed of these plants. */
  readonly first: boolean
  /** Hours outside, where it is hardening. */
  readonly hours: number | null
  /** Plants that were moved already, where a part was. */
  readonly moved: number
  /** What a crop in its last container wants. */
  readonly care: CareVisit | null
  /** It falls on days away: it was brought forward to before them, or somebody else has to look. */
  readonly away: (Absence & { readonly early: boolean }) | null
}

export type Danger =
  | { readonly kind: 'no-show'; readonly expected: Day; readonly verdict: 'late' | 'sow again' | 'too cold' }
  | { readonly kind: 'nights too cold'; readonly nightC: number; readonly lowestC: number }
  | {
      readonly kind: 'shelf full'
      readonly place: string
      readonly on: Day
      readonly flats: number
      readonly room: number
    }

/** A place that overflows, from a day on. */
export interface FullPlace {
  readonly placeId: string
  readonly name: string
  readonly on: Day
  readonly flats: number
  /** Flats it holds. */
  readonly room: number
}

export type TodayRow = SeasonRow & { readonly crop: Crop }

export interface TodayInput {
  readonly rows: readonly TodayRow[]
  readonly mixes: readonly MixDemand[]
  readonly feeds: readonly FeedDemand[]
  readonly marks: readonly Mark[]
  readonly today: Day
  /** Coldest night that is forecast for the days ahead, °C; null where nobody looked. */
  readonly nightC: number | null
  /** Days nobody is at the bench. */
  readonly away?: readonly Absence[]
  /** First day on which each place that is too small overflows. */
  readonly full: readonly FullPlace[]
  /** The can feeds are carried in, L. */
  readonly canL: number
  /** Whether the mix of a recipe is made of dry coir, which is soaked the evening before. */
  readonly wantsSoak: (recipeId: string) => boolean
}

/** Days ahead that are shown. */
export const AHEAD_DAYS = 7

/**
 * @example targetKey({ sowingId: 's', stage: 1 }) // 's 1'
 */
export const targetKey = ({ sowingId, stage }: JobTarget): string => `${sowingId} ${stage}`

/**
 * How a job stands on a day.
 *
 * @example stateOn('2027-03-01', '2027-03-02', null) // 'late'
 */
export function stateOn(dueOn: Day, today: Day, danger: Danger | null): Job['state'] {
  if (danger) return 'danger'
  if (dueOn > today) return 'coming'
  return dueOn < today ? 'late' : 'due'
}

/**
 * The last day that is shown.
 *
 * @example horizonOf('2027-03-01') // '2027-03-08'
 */
export const horizonOf = (today: Day): Day => addDays(today, AHEAD_DAYS)

/** What most jobs have in common. */
export const PLAIN = {
  stageKind: null,
  danger: null,
  placeIds: [],
  mix: null,
  feed: null,
  first: false,
  hours: null,
  moved: 0,
  care: null,
  away: null,
} as const
