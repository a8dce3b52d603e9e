import { present } from '../present'
import { at, first } from '../numeric/at'
import {
  GROWTH_PER_DAY,
  MASS_AT_EMERGENCE_MG,
  NITROGEN_OF_DRY_MASS,
  SEED_FEEDS_ITSELF_DAYS,
  letGoMg,
  nitrogenWantedMg,
  type Appetite,
} from '../media/food'
import { wholeWithin, within, type Problem, refuse, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { density, elements, type Feed } from './feed'
import { growthStageById, GROWTH_STAGES } from './growth-stage'

/** How a household feeds its seedlings, and why people hold to it. */
export interface FeedingMethod {
  readonly id: 'weak and often' | 'half strength' | 'living mix'
  readonly name: string
  readonly why: string
  readonly cost: string
  readonly everyDays: number
}

export const FEEDING_METHODS: readonly FeedingMethod[] = [
  {
    id: 'weak and often',
    name: 'Weak and often',
    why: 'Even growth, little to burn.',
    cost: 'A jug to mix every few days.',
    everyDays: 3,
  },
  {
    id: 'half strength',
    name: 'Half strength, every 10–14 days',
    why: 'One evening a fortnight.',
    cost: 'Feast and fast; a forgotten week shows.',
    everyDays: 12,
  },
  {
    id: 'living mix',
    name: 'Living mix, only at potting up',
    why: 'Compost and castings feed them.',
    cost: 'A small cell runs out sooner than one thinks.',
    everyDays: 0,
  },
]

/** One stage of the schedule, as far as feeding goes. */
export interface FeedStage {
  readonly growthStageId: string
  /** How long it stays there, days. */
  readonly days: number
  /** Volume of mix in its cell or pot, mL. */
  readonly cellMl: number
  /** Nitrogen that this mix lets go in 8 weeks, mg/L. */
  readonly releasedMgPerL: number
  /** Nitrogen that was soluble when it was mixed, mg/L. */
  readonly starterMgPerL: number
  /** Strength of a feed, mg/L of nitrogen; 0 for plain water. */
  readonly nMgPerL: number
  /** Days between feeds; 0 for none but the one at potting up. */
  readonly everyDays: number
}

export interface ProgrammeRequest {
  readonly feed: Feed
  readonly appetite: Appetite
  readonly method: FeedingMethod['id']
  readonly plants: number
  /** From emergence on, in order. */
  readonly stages: readonly FeedStage[]
}

export interface FeedingEvent {
  /** Days after emergence. */
  readonly day: number
  readonly stage: number
  readonly nMgPerL: number
  readonly mlPerPlant: number
  /** The mix still feeds them on this day: the feed can be left out. */
  readonly notYet: boolean
}

export interface ProgrammePlan {
  readonly events: readonly FeedingEvent[]
  /** For each day from emergence: nitrogen a plant wants and has been given by then, mg. */
  readonly wantedMg: readonly number[]
  readonly suppliedMg: readonly number[]
  /** First day on which it wants more than it was given; null when it never does. */
  readonly hungryFrom: number | null
  /** Days the first mix feeds it on its own, the seed's own week included. */
  readonly mixLasts: number
  readonly solutionL: Figure
  /** Feed for all plants to the end, g of a powder or mL of a liquid. */
  readonly feedAmount: Figure
  readonly feedPerPlant: Figure
}

/** A watering from below brings about this much of the cell's volume [default; computed from the mix where it is known]. */
const DRINK_SHARE = 0.15
/** A cell carries no more dry plant than this, mg for each mL of mix [default]. */
const MAX_PLANT_MG_PER_ML = 20
/** A mix that lasts less than this many days more is topped up already: feeds take a few days to show. */
const AHEAD_DAYS = 2

/**
 * Strength and interval a method gives a stage: the band's lower edge often, its middle at half strength, once for a living mix.
 *
 * @example habitOf('half strength', 'potted-up').nMgPerL // 150
 */
export function habitOf(
  method: FeedingMethod['id'],
  growthStageId: string,
): Pick<FeedStage, 'nMgPerL' | 'everyDays'> {
  const { lowNMgPerL, highNMgPerL } = growthStageById(growthStageId)
  const { everyDays } = present(FEEDING_METHODS.find(({ id }) => id === method))
  const strength = {
    'weak and often': lowNMgPerL,
    'half strength': (lowNMgPerL + highNMgPerL) / 2,
    'living mix': lowNMgPerL,
  }
  return { nMgPerL: strength[method], everyDays }
}

/** What is wrong with a feeding schedule, each at its field; none where it can be planned. */
export function programmeProblems({ stages, plants, feed }: ProgrammeRequest): Problem[] {
  return [
    ...wholeWithin(['plants'], plants, 1, 20_000),
    ...(stages.length ? [] : [wrongAt(['stages'], 'noStage')]),
    ...(feed.nPercent > 0 && feed.use !== 'mixed in' ? [] : [wrongAt(['feedId'], 'feedForWater')]),
    ...stages.flatMap((stage, i) => [
      ...(GROWTH_STAGES.some(({ id }) => id === stage.growthStageId)
        ? []
        : [wrongAt(['stages', i, 'growthStageId'], 'unknown', { what: 'stage' })]),
      ...wholeWithin(['stages', i, 'days'], stage.days, 1, 120, 'days'),
      ...within(['stages', i, 'cellMl'], stage.cellMl, 1, 50_000, 'mL'),
      ...within(['stages', i, 'nMgPerL'], stage.nMgPerL, 0, 1000, 'mg/L of nitrogen'),
      ...(stage.everyDays === 0
        ? []
        : within(['stages', i, 'everyDays'], stage.everyDays, 1, 60, 'days, or 0 for never')),
      ...within(['stages', i, 'releasedMgPerL'], stage.releasedMgPerL, 0, 5000, 'mg/L'),
      ...within(['stages', i, 'starterMgPerL'], stage.starterMgPerL, 0, 5000, 'mg/L'),
    ]),
  ]
}

/**
 * The feeds from seed leaves to hardening off, and whether they keep up: day by day, what a plant wants (growth bounded
 * by what its cell can carry), what seed and mix give, and what each feed adds.
 *
 * A feed that falls while the mix still feeds the plant is kept in the list and marked as not yet needed; it is not
 * given, and not counted.
 *
 * @throws RangeError naming the field, for anything `programmeProblems` finds
 */
export function planProgramme(request: ProgrammeRequest): ProgrammePlan {
  refuse(programmeProblems(request))
  const { stages, appetite } = request
  const wantedMg = wantedByDay(stages, appetite)
  const last = wantedMg.length - 1
  const suppliedMg = new Array<number>(last + 1).fill(nitrogenWantedMg(SEED_FEEDS_ITSELF_DAYS, appetite))
  const events: FeedingEvent[] = []
  const give = (fromDay: number, mg: (day: number) => number) => {
    for (let day = fromDay; day <= last; day++) suppliedMg[day]! += mg(day)
  }

  let start = 0
  stages.forEach((stage, index) => {
    // Roots go with the plant: what a mix has let go by the day it is left stays with it, the rest is lost.
    if (index === 0 || !staysPut(at(stages, index - 1), stage)) {
      const from = start
      const end = start + stayFrom(stages, index)
      give(from, (day) => letGoMg(stage, stage.cellMl, Math.min(day, end) - from))
    }
    const mlPerPlant = stage.cellMl * DRINK_SHARE
    const days =
      stage.nMgPerL <= 0
        ? []
        : stage.everyDays === 0
          ? index > 0 && at(stages, index - 1).cellMl < stage.cellMl
            ? [start]
            : []
          : Array.from(
              { length: Math.ceil(stage.days / stage.everyDays) },
              (_, i) => start + i * stage.everyDays,
            )
    for (const day of days) {
      const ahead = Math.min(last, day + AHEAD_DAYS)
      const notYet = at(suppliedMg, ahead) >= at(wantedMg, ahead) && request.method !== 'living mix'
      events.push({ day, stage: index, nMgPerL: stage.nMgPerL, mlPerPlant, notYet })
      if (!notYet) give(day, () => (stage.nMgPerL * mlPerPlant) / 1000)
    }
    start += stage.days
  })

  const hungry = wantedMg.findIndex((wanted, day) => wanted > at(suppliedMg, day) * 1.0001)
  return {
    events,
    wantedMg,
    suppliedMg,
    hungryFrom: hungry < 0 ? null : hungry,
    mixLasts: lastsOn(first(stages), wantedMg, appetite),
    ...amounts(request, events),
  }
}

/** Cumulative nitrogen, mg: dM/dt = g·M·(1 − M / most), 4 % of it nitrogen. */
function wantedByDay(stages: readonly FeedStage[], appetite: Appetite): number[] {
  const growth = Math.exp(GROWTH_PER_DAY[appetite]) - 1
  let mass = MASS_AT_EMERGENCE_MG
  const wanted = [0]
  for (const { days, cellMl } of stages) {
    const most = Math.max(mass, MAX_PLANT_MG_PER_ML * cellMl)
    for (let day = 0; day < days; day++) {
      mass += growth * mass * (1 - mass / most)
      wanted.push(NITROGEN_OF_DRY_MASS * (mass - MASS_AT_EMERGENCE_MG))
    }
  }
  return wanted
}

/** Whether a stage is spent in the same mix in the same place as the one before: a stay may be cut into pieces. */
const staysPut = (before: FeedStage, stage: FeedStage) =>
  before.cellMl === stage.cellMl &&
  before.releasedMgPerL === stage.releasedMgPerL &&
  before.starterMgPerL === stage.starterMgPerL

/** Days of the stay that begins with a stage. */
function stayFrom(stages: readonly FeedStage[], index: number): number {
  let days = at(stages, index).days
  for (let i = index + 1; i < stages.length && staysPut(at(stages, i - 1), at(stages, i)); i++)
    days += at(stages, i).days
  return days
}

function lastsOn(stage: FeedStage, wantedMg: readonly number[], appetite: Appetite): number {
  const own = nitrogenWantedMg(SEED_FEEDS_ITSELF_DAYS, appetite)
  const out = wantedMg.findIndex((wanted, day) => wanted > own + letGoMg(stage, stage.cellMl, day))
  return out < 0 ? wantedMg.length - 1 : out
}

function amounts({ feed, plants }: ProgrammeRequest, events: readonly FeedingEvent[]) {
  const given_ = events.filter(({ notYet }) => !notYet)
  const count = given('Plants', plants, '', yours())
  const sum = (pick: (event: FeedingEvent) => number) => given_.reduce((all, event) => all + pick(event), 0)
  const solutionL = derive(
    'Solution to the end',
    'L',
    'n * s / 1000',
    {
      n: count,
      s: given(
        'Solution for one plant',
        sum(({ mlPerPlant }) => mlPerPlant),
        'mL',
        byDefault('each feed, a sixth of the cell'),
      ),
    },
    ({ n, s }) => (n * s) / 1000,
  )
  const massG = derive(
    'Feed to the end',
    'g',
    'n * m / (w * 10)',
    {
      n: count,
      m: given(
        'Nitrogen fed to one plant',
        sum(({ nMgPerL, mlPerPlant }) => nMgPerL * mlPerPlant) / 1000,
        'mg',
        byDefault('strength times volume, each feed'),
      ),
      w: elements(feed).n,
    },
    // mg of nitrogen over mg of nitrogen in a gram of feed.
    ({ n, m, w }) => (n * m) / (w * 10),
  )
  const feedAmount =
    feed.form === 'powder'
      ? massG
      : derive('Feed to the end', 'mL', 'm / d', { m: massG, d: density(feed) }, ({ m, d }) => m / d)
  return {
    solutionL,
    feedAmount,
    feedPerPlant: derive(
      'Feed for one plant',
      feedAmount.unit,
      'a / n',
      { a: feedAmount, n: count },
      ({ a, n }) => a / n,
    ),
  }
}

/** Day on which a bottle runs out, given to all plants in the order of the programme; null when it lasts. */
export function runsOutOn(
  { events }: Pick<ProgrammePlan, 'events'>,
  { feed, plants }: Pick<ProgrammeRequest, 'feed' | 'plants'>,
  inSupplies: number,
): number | null {
  let left = inSupplies
  for (const { day, nMgPerL, mlPerPlant, notYet } of events) {
    if (notYet) continue
    const grams = (plants * mlPerPlant * nMgPerL) / 1000 / (feed.nPercent * 10)
    left -= feed.form === 'powder' ? grams : grams / density(feed).value
    if (left < -1e-9) return day
  }
  return null
}
