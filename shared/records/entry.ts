import { wrongAt } from '#core/problem'
import * as z from 'zod'
import { JOB_KINDS } from '#core/season/today/job'
import { CHANGES } from '#core/trays/change'
import { MAX_COLUMNS, MAX_ROWS, MAX_SEEDS } from '#core/trays/layout'
import { FEELS_LIKE, WATERINGS, WEIGHED } from '#core/water/watering-events'
import { calibrationById, CALIBRATION_IDS } from '#core/learning/calibrations'
import { SEEN_IDS } from '#core/signs/seen'
import { amount, day, id, name, ruled } from './rules'

/**
 * `batch made`, `feed given`: at the bench. `counted`: a shelf or a packet was filled, counted or put right. `lost`, `given`:
 * plants that left a tray for good. `watered`, `weighed`, `felt`: the water of trays. `cleaned`: trays and tools. `carried`: a
 * tray that was put in another place. `seen`, `damage`, `flower`, `harvest`: what is looked at. `tended`:
 * plants that were trimmed, turned, treated, and their lamps and domes. `climate`: temperatures and light
 * of a place. `measured`: a figure of the bench that was measured by itself. `weather`, `thought`: of the day.
 */
export const ENTRY_KINDS = [
  'batch made',
  'feed given',
  'counted',
  'lost',
  'given',
  'watered',
  'weighed',
  'felt',
  'cleaned',
  'carried',
  'seen',
  'tended',
  'damage',
  'flower',
  'harvest',
  'climate',
  'measured',
  'weather',
  'thought',
  ...JOB_KINDS,
] as const
export type EntryKind = (typeof ENTRY_KINDS)[number]

/** Kinds that may be about nothing but the day, or a place. */
const OF_THE_DAY: readonly string[] = [
  'weather',
  'thought',
  'climate',
  'measured',
  'cleaned',
  'harvest',
  'damage',
  'seen',
  'tended',
  'flower',
]

/** Levels that entries move: packs on the shelf, seeds in a packet. */
export const LEVELS = ['stocks', 'packets'] as const

const actual = z.object({
  share: amount
    .min(0, 'A share is 0 or more.')
    .max(10, 'At most ten times as much as was planned.')
    .nullable()
    .default(null)
    .describe('So much of what was planned was measured out; null for all of it'),
  usedL: amount.min(0).max(100_000).nullable().default(null).describe('Mix really used, L'),
  mixedL: amount.min(0).max(100_000).nullish().describe('In the tub once it was stirred, L'),
  leftL: amount.min(0).max(100_000).nullable().default(null).describe('Left in the tub, L'),
  waterL: amount.min(0).max(100_000).nullable().default(null).describe('Water stirred in, L'),
  filled: amount.min(0).max(100_000).nullable().default(null).describe('Containers really filled'),
  backL: amount.min(0).max(100_000).nullable().default(null).describe('Feed or water that came back, L'),
  minutes: amount.min(0).max(100_000).nullable().default(null).describe('From the first step to the last'),
  roots: z.enum(['few', 'holding', 'circling']).nullable().default(null).describe('Roots at potting up'),
})

/**
 * Something that happened: the day, what it is about, who, and what it moved. Entries are only ever added; one that is
 * taken back is voided and stays. What it moved is worked out by the server in the transaction that writes it.
 */
const fields = z.object({
  name: name.describe('What happened, in a few words'),
  kind: z.enum(ENTRY_KINDS),
  on: day.describe('The day it happened, which may lie in the past'),
  at: z.iso
    .time({ precision: -1, error: 'This is not a time of day, as 07:30.' })
    .nullable()
    .default(null)
    .describe('Time of that day on the household’s clock; null where nobody looked'),
  by: z.string().max(80, 'Keep the name under 80 characters.').default('').describe('Who did it'),
  subjects: z
    .array(
      z.object({
        what: z.enum(['sowings', 'batches', 'feedings', 'stocks', 'packets', 'trays', 'photos', 'trials']),
        id,
        stage: z.int().min(0).max(99).nullable().default(null).describe('Which stage of a sowing’s schedule'),
      }),
    )
    .max(500, 'One entry is about at most 500 things.'),
  to: z.string().max(200, 'Keep it under 200 characters.').default('').describe('Which trays it went to'),
  note: z.string().max(600, 'Keep the note under 600 characters.').default(''),
  times: amount
    .min(0, 'Say how many jugs or cans.')
    .max(1000, 'At most 1000 jugs at a time.')
    .default(1)
    .describe('Vessels of feed that were mixed'),
  evenIfShort: z.boolean().default(false).describe('Take what there is where the supplies hold too little'),
  count: z
    .int('Count whole plants or cells.')
    .min(0, 'A count is 0 or more.')
    .max(1_000_000, 'That is more than a bench holds.')
    .nullable()
    .default(null)
    .describe(
      'What was counted: cells or seedlings that came up, plants that were moved; null where nobody counted',
    ),
  cells: z
    .array(
      z.object({
        trayId: id,
        group: z.string().regex(/^[A-Z]{1,2}$/, 'A group is called by a letter or two: A, B … AA.'),
        what: z.enum(CHANGES),
        cells: z
          .array(
            z.tuple([
              z
                .int()
                .min(0)
                .max(MAX_ROWS * MAX_COLUMNS - 1),
              z.int().min(0, 'A count is 0 or more.').max(MAX_SEEDS, 'That is more than a cell holds.'),
            ]),
          )
          .max(MAX_ROWS * MAX_COLUMNS)
          .describe('Cells of the group, each with how many seeds or plants'),
        count: z
          .int('Count whole plants or cells.')
          .min(0, 'A count is 0 or more.')
          .max(1_000_000, 'That is more than a tray holds.')
          .nullable()
          .default(null)
          .describe('So many, where nobody said which cells'),
      }),
    )
    .max(100, 'One entry changes at most 100 groups.')
    .default([])
    .describe('What it did to cells of trays'),
  water: z
    .array(
      z.object({
        trayId: id,
        how: z.enum(WATERINGS).nullable().default(null).describe('How it was watered'),
        litres: amount
          .min(0, 'Water given is 0 or more.')
          .max(500, 'That is more than a tray takes: at most 500 L.')
          .nullable()
          .default(null)
          .describe('Poured into the tray, L; null where nobody measured'),
        backL: amount
          .min(0, 'What comes back is 0 or more.')
          .max(500, 'At most 500 L come back.')
          .nullable()
          .default(null)
          .describe('Poured off again, L'),
        grams: amount
          .min(0.1, 'A weight is above 0.')
          .max(1_000_000, 'A weight is at most 1000 kg.')
          .nullable()
          .default(null)
          .describe('What it weighed, g'),
        moment: z.enum(WEIGHED).nullable().default(null).describe('Dry, just watered, or as it stood'),
        sdG: amount.min(0.001).max(1000).nullable().default(null).describe('Of the scale, g'),
        feels: z.enum(FEELS_LIKE).nullable().default(null).describe('By lift, surface or a scratch'),
        ecMsPerCm: amount
          .min(0)
          .max(50)
          .nullable()
          .default(null)
          .describe('Of what was given; the tap’s where null'),
        nMgPerL: amount.min(0).max(10_000).nullable().default(null).describe('Nitrogen of a feed'),
      }),
    )
    .max(200, 'One entry tells of at most 200 trays.')
    .default([])
    .describe('The water of trays: given, weighed, felt'),
  actual: actual.nullable().default(null).describe('What really happened, where somebody looked'),
  placeId: z
    .string()
    .min(1)
    .max(64)
    .nullable()
    .default(null)
    .describe('The place it was in, or was carried to'),
  signs: z
    .array(z.enum(SEEN_IDS))
    .max(20, 'At most 20 signs in one entry.')
    .default([])
    .describe('What was seen on the plants'),
  grams: amount
    .min(0, 'A weight is 0 or more.')
    .max(10_000_000, 'That is more than a bench bears.')
    .nullable()
    .default(null)
    .describe('What was picked, g'),
  remindOn: day.nullable().default(null).describe('A note to oneself comes back on that day'),
  climate: z
    .array(
      z
        .object({
          on: day,
          lowC: amount.min(-60, 'Air of −60 to 70 °C.').max(70, 'Air of −60 to 70 °C.').describe('°C'),
          highC: amount.min(-60, 'Air of −60 to 70 °C.').max(70, 'Air of −60 to 70 °C.').describe('°C'),
          meanC: amount.min(-60).max(70).nullable().default(null).describe('Mean of many readings, °C'),
          lightMol: amount
            .min(0, 'Light is 0 or more.')
            .max(80, 'The sun gives at most some 65 mol/m² a day.')
            .nullable()
            .default(null)
            .describe('mol/m² that day'),
          humidity: amount
            .min(0, 'Air holds 0 to 100 % of its vapour.')
            .max(1, 'Air holds 0 to 100 % of its vapour.')
            .nullable()
            .default(null)
            .describe('Relative humidity, a fraction'),
          mixC: amount
            .min(-60, 'A mix of −60 to 70 °C.')
            .max(70, 'A mix of −60 to 70 °C.')
            .nullish()
            .describe('Mean of the mix itself, °C'),
        })
        .refine(({ lowC, highC }) => lowC <= highC, {
          error: 'The low is no higher than the high.',
          path: ['lowC'],
        }),
    )
    .max(800, 'At most 800 days at once.')
    .default([])
    .describe('The air of its place, day by day'),
  measured: z
    .array(
      z.object({
        what: z.enum(CALIBRATION_IDS),
        of: z.string().max(80).default('').describe('The feed, jug, packet, crop or job it is of'),
        value: amount.min(-1_000_000).max(1_000_000),
        n: z.int().min(1).max(1_000_000).nullable().default(null).describe('What was counted, for shares'),
        key: z.string().max(80).default('').describe('What it replaces an earlier measurement of'),
      }),
    )
    .max(200, 'One entry measures at most 200 things.')
    .default([])
    .describe('Figures of the bench that it measured; the server adds those that follow from it'),
  carried: z
    .array(z.object({ trayId: id, from: z.string().max(64).nullable() }))
    .max(200)
    .default([])
    .describe('Where trays stood before they were carried; written by the server'),
  part: z.boolean().default(false).describe('Only so many were moved on; the rest stays where it is for now'),
  snoozedUntil: day
    .nullable()
    .default(null)
    .describe('null where it was done, else the day it was put off to'),
  act: id.nullable().default(null).describe('One press makes one act, however many entries come of it'),
  moves: z
    .array(
      z.object({
        of: z.enum(LEVELS),
        id,
        name: z.string().max(120),
        by: amount.describe('Packs or seeds; below 0 where they left'),
        amount: amount.describe('The same in `unit`'),
        unit: z.string().max(40),
      }),
    )
    .max(1000)
    .default([])
    .describe('What it moved; written by the server'),
  facts: z
    .array(z.object({ what: z.string().max(200), amount, unit: z.string().max(40) }))
    .max(1000)
    .default([])
    .describe('What went into it; written by the server'),
})
export const entry = ruled(fields, ({ kind, subjects, climate, placeId, measured }) => [
  ...measured.flatMap(({ what, value }, i) => {
    const { from, to, unit, name: of } = calibrationById(what)
    return value >= from && value <= to
      ? []
      : [wrongAt(['measured', i, 'value'], 'measuredOutside', { of, from, to, unit, value })]
  }),
  ...(subjects.length === 0 && !OF_THE_DAY.includes(kind) ? [wrongAt(['subjects'], 'whatFor')] : []),
  ...(climate.length && placeId === null ? [wrongAt(['placeId'], 'whichPlace')] : []),
])
export type EntryRecord = z.output<typeof entry>
/** Where nobody measured anything of what really happened. */
export const NOTHING_MEASURED = actual.parse({})
export type Subject = EntryRecord['subjects'][number]

/** Done once for each thing it is about, however often it is said; done once a day; as often as it is said. */
const ONCE: Readonly<Record<EntryKind, 'ever' | 'a day' | 'each time'>> = {
  'batch made': 'ever',
  'feed given': 'each time',
  counted: 'each time',
  lost: 'each time',
  given: 'each time',
  watered: 'each time',
  weighed: 'each time',
  felt: 'each time',
  cleaned: 'each time',
  carried: 'each time',
  seen: 'each time',
  tended: 'each time',
  damage: 'each time',
  flower: 'each time',
  harvest: 'each time',
  climate: 'each time',
  measured: 'each time',
  weather: 'each time',
  thought: 'each time',
  treat: 'ever',
  'soak mix': 'ever',
  'make mix': 'ever',
  stage: 'ever',
  look: 'a day',
  uncover: 'ever',
  thin: 'ever',
  fan: 'ever',
  roots: 'ever',
  settle: 'ever',
  care: 'ever',
  end: 'ever',
  feed: 'a day',
  harden: 'a day',
  shelter: 'a day',
  out: 'ever',
  'give up': 'ever',
}

/** Whether `one`, which stands, already says of a thing what `other` would say of it again. */
export function saysTheSame(one: EntryRecord, other: EntryRecord, subjects: Subject): boolean {
  if (one.kind !== other.kind || ONCE[one.kind] === 'each time') return false
  if (one.snoozedUntil !== null || other.snoozedUntil !== null) return false
  // A part that is moved can be followed by another, on the same day too.
  if (one.part || other.part) return false
  // Each tray, and each group of it, is sown, counted and thinned for itself.
  if (one.cells.length || other.cells.length) return false
  if (ONCE[one.kind] === 'a day' && one.on !== other.on) return false
  return one.subjects.some(
    ({ what, id, stage }) => what === subjects.what && id === subjects.id && stage === subjects.stage,
  )
}
