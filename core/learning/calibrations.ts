import { present } from '../present'
import { at } from '../numeric/at'
import { COIR_EXPANSION_L_PER_KG } from '../media/hydration'
import { MIXING_LOSS_K } from '../media/mixing-loss'
import { BLOCK_COMPRESSION } from '../media/pressing'
import { ASSUMED_DENSITY_G_PER_ML } from '../feed/feed'
import { LOSSES } from '../sowing/losses'
import { byDefault, handbook, type Source } from '../working/source'
import type { Day } from '../calendar/day'
import { countedShare, learnedRobustly, type Belief, type Learned, type Measured } from './learning'

/** What a household’s own measurements correct, by what the figure is of. */
export interface Calibration {
  readonly id: string
  readonly name: string
  /** What it is a figure of: of the whole bench, or of one thing by its id or name. */
  readonly of: 'bench' | 'feed' | 'jug' | 'packet' | 'crop' | 'job'
  readonly unit: string
  /** Before anything is measured. */
  readonly prior: Belief
  /** How far one measurement of it scatters; counts bring their own. */
  readonly scatter: number
  /** Values outside these are no measurement. */
  readonly from: number
  readonly to: number
  readonly source: Source
  /** What measures it. */
  readonly by: string
  /** What it changes. */
  readonly changes: string
}

/** Spreads are defaults: how far benches differ, and how far one measurement of one bench scatters. */
export const CALIBRATIONS = [
  {
    id: 'settling',
    name: 'How much a mix settles, against the book',
    of: 'bench',
    unit: '×',
    prior: { mean: 1, sd: 0.4 },
    scatter: 0.3,
    from: 0,
    to: 5,
    source: byDefault('0.10 for peat and coir to 0.15, as the materials have it'),
    by: 'a guided job that makes a batch and says what was left in the tub',
    changes: 'litres for every tray and pot',
  },
  {
    id: 'mixing loss',
    name: 'Loss of an even mix of fine and coarse',
    of: 'bench',
    unit: 'share',
    prior: { mean: MIXING_LOSS_K, sd: 0.04 },
    scatter: 0.03,
    from: 0,
    to: 0.3,
    source: byDefault('5–20 % in handbooks'),
    by: 'a guided job that says how much was in the tub once it was stirred',
    changes: 'how much to measure out',
  },
  {
    id: 'coir yield',
    name: 'Moist fibre from a kilogram of dry coir',
    of: 'bench',
    unit: 'L/kg',
    prior: { mean: COIR_EXPANSION_L_PER_KG, sd: 1 },
    scatter: 0.7,
    from: 5,
    to: 25,
    source: byDefault('12–15 L/kg in the trade'),
    by: 'a soak that says what it came to',
    changes: 'how much coir to soak',
  },
  {
    id: 'block compression',
    name: 'Loose litres in a pressed one',
    of: 'bench',
    unit: '×',
    prior: { mean: BLOCK_COMPRESSION, sd: 0.35 },
    scatter: 0.2,
    from: 1,
    to: 4,
    source: byDefault('1.5–3 by the press and the mix'),
    by: 'a guided job that pressed blocks and says what was left',
    changes: 'litres for soil blocks',
  },
  {
    id: 'powder density',
    name: 'A level spoon of the powder, by weight',
    of: 'feed',
    unit: 'g/mL',
    prior: { mean: ASSUMED_DENSITY_G_PER_ML.powder, sd: 0.08 },
    scatter: 0.07,
    from: 0.2,
    to: 3,
    source: byDefault('0.8–1.1 g/mL'),
    by: 'weighing spoons of it',
    changes: 'spoons for a dose of that feed',
  },
  {
    id: 'jug',
    name: 'What the jug holds, against what it is said to',
    of: 'jug',
    unit: '×',
    prior: { mean: 1, sd: 0.07 },
    scatter: 0.02,
    from: 0.3,
    to: 3,
    source: byDefault('a jug or bucket is within a tenth of its name'),
    by: 'weighing the water it holds: 1 g is 1 mL',
    changes: 'doses and litres measured with it',
  },
  {
    id: 'germination',
    name: 'Seed that comes up',
    of: 'packet',
    unit: 'share',
    prior: { mean: 0.8, sd: 0.15 },
    scatter: 0.1,
    from: 0,
    to: 1,
    source: byDefault('the packet’s own figure, or the crop’s, 15 points either way'),
    by: 'every count of a tray',
    changes: 'cells and seed to sow from that packet',
  },
  {
    id: 'days up',
    name: 'Days to come up, against the book at that warmth',
    of: 'crop',
    unit: '×',
    prior: { mean: 1, sd: 0.25 },
    scatter: 0.2,
    from: 0.1,
    to: 6,
    source: handbook('Harrington & Minges 1954; a fifth either way is usual'),
    by: 'the day the first of a tray is counted up',
    changes: 'when a sowing is late, and when to sow',
  },
  {
    id: 'potting loss',
    name: 'Plants lost after they were moved on',
    of: 'bench',
    unit: 'share',
    prior: { mean: LOSSES, sd: 0.04 },
    scatter: 0.05,
    from: 0,
    to: 1,
    source: byDefault('one in twenty'),
    by: 'trays of moved plants, once they go out or are moved again',
    changes: 'cells to sow for so many plants',
  },
  {
    id: 'minutes',
    name: 'Time a job takes, against what is allowed for it',
    of: 'job',
    unit: '×',
    prior: { mean: 1, sd: 0.5 },
    scatter: 0.3,
    from: 0.05,
    to: 20,
    source: byDefault('a quarter of an hour a step, waits beside'),
    by: 'every job, from its first step to its last',
    changes: 'what a job is said to take',
  },
  {
    id: 'feed response',
    name: 'Strength of feed this crop likes, against its stage',
    of: 'crop',
    unit: '×',
    prior: { mean: 1, sd: 0.2 },
    scatter: 0.2,
    from: 0.2,
    to: 2,
    source: byDefault('the band of the stage; crops and waters differ by a fifth'),
    by: 'leaves seen pale, burnt or well within a fortnight of a feed',
    changes: 'mg/L of the next feeds',
  },
] as const satisfies readonly Calibration[]

export type CalibrationId = (typeof CALIBRATIONS)[number]['id']
export const CALIBRATION_IDS = CALIBRATIONS.map(({ id }) => id) as [CalibrationId, ...CalibrationId[]]
/**
 * @example calibrationById('minutes').unit // '×'
 */
export const calibrationById = (id: CalibrationId): Calibration =>
  present(CALIBRATIONS.find((one) => one.id === id))

/** Something that was measured, as the ledger keeps it. */
export interface Measurement {
  readonly entryId: string
  readonly on: Day
  readonly what: CalibrationId
  /** The feed, jug, packet, crop or job it is of; empty for the bench. */
  readonly of: string
  readonly value: number
  /** What was counted, for shares: plants, seeds. */
  readonly n: number | null
  /** A later measurement of the same key stands in the place of an earlier: a tray that is counted again. */
  readonly key: string
}

/**
 * What a measurement is called where it is dropped.
 *
 * @example measurementKey({ entryId: 'e', what: 'minutes', of: 'pot up' }) // 'e minutes pot up'
 */
export const measurementKey = ({ entryId, what, of }: Pick<Measurement, 'entryId' | 'what' | 'of'>): string =>
  `${entryId} ${what} ${of}`.slice(0, 200)

/** The last of each key: a tray that was counted three times says one thing. */
export function standingMeasurements(all: readonly Measurement[]): Measurement[] {
  const last = new Map<string, Measurement>()
  all.forEach((one, i) => {
    const key = `${one.what} ${one.of} ${one.key || `#${i}`}`
    const before = last.get(key)
    if (!before || before.on <= one.on) last.set(key, one)
  })
  return [...last.values()]
}

const measuredAs = (calibration: Calibration, { value, n }: Measurement): Measured =>
  n !== null && calibration.unit === 'share'
    ? countedShare(Math.round(value * n), n)
    : { mean: value, sd: calibration.scatter }

/** A figure as this household has it, with every measurement of it. */
export interface Calibrated extends Learned {
  readonly prior: Belief
  readonly measured: readonly (Measurement & { readonly sd: number; readonly far: number })[]
}

/** What is learned of everything that was ever measured, less what was dropped. */
export interface Calibrations {
  /** @param prior where a better one than the book’s is known, as a packet’s own germination */
  readonly of: (what: CalibrationId, of?: string, prior?: Belief) => Calibrated
  /** What has been measured of a habit: its things by id. */
  readonly things: (what: CalibrationId) => readonly string[]
  /** Whether nothing at all has been measured. */
  readonly isEmpty: boolean
}

/**
 * @param all measurements of all years, in the order they were written
 * @param dropped keys of those that are not to count
 * @example calibrationsFrom([]).isEmpty // true
 */
export function calibrationsFrom(all: readonly Measurement[], dropped: readonly string[] = []): Calibrations {
  const left = new Set(dropped)
  const byThing = new Map<string, Measurement[]>()
  for (const one of standingMeasurements(all.filter((each) => !left.has(measurementKey(each))))) {
    const key = `${one.what}\n${one.of}`
    byThing.set(key, [...(byThing.get(key) ?? []), one])
  }
  const known = new Map<string, Calibrated>()
  return {
    isEmpty: byThing.size === 0,
    things: (what) =>
      [...byThing.keys()].flatMap((key) => (key.startsWith(`${what}\n`) ? [key.slice(what.length + 1)] : [])),
    of(what, of = '', prior) {
      const calibration = calibrationById(what)
      const believed = prior ?? calibration.prior
      const key = `${what}\n${of}\n${believed.mean} ${believed.sd}`
      const before = known.get(key)
      if (before) return before
      const own = byThing.get(`${what}\n${of}`) ?? []
      const measured = own.map((one) => measuredAs(calibration, one))
      const { far, mean, sd, n } = learnedRobustly(believed, measured)
      const found = {
        mean: Math.min(calibration.to, Math.max(calibration.from, mean)),
        sd,
        n,
        prior: believed,
        measured: own.map((one, i) => ({ ...one, sd: at(measured, i).sd, far: at(far, i) })),
      }
      known.set(key, found)
      return found
    },
  }
}
