import { randomBeta, randomBinomial, randomLcg, randomNormal } from 'd3-random'
import { dayNumber } from '../../calendar/day'
import type { PlannedSowing } from '../schedule/sowing'

/** How far things vary from year to year. */
export const VARIATION = {
  /** Germination of a packet counts as known from a test of so many seeds [default]. */
  germinationSeeds: 50,
  /** Losses on the way likewise, as if seen in forty plants [default]. */
  lossPlants: 40,
  /** Days to emergence vary by a fifth, one standard deviation [default]. */
  emergenceSd: 0.2,
} as const

export interface SimulatedSowing {
  readonly id: string
  readonly plants: number
  /** Whether each seedling is a plant of its own, not each cell. */
  readonly clump: boolean
  /** Seedlings that a seed gives, where they are pulled apart. */
  readonly seedlings: number
  readonly planned: PlannedSowing
}

export interface Spread {
  readonly half: number
  readonly nineTenths: number
}

export interface SimulatedSeason {
  readonly seasons: number
  /** Chance of reaching the wanted plants, for each sowing and for all of them at once; fractions. */
  readonly chance: Readonly<Record<string, number>>
  readonly chanceOfAll: number
  /** Good plants of each sowing, at 50 and 90 % of the seasons (at least so many). */
  readonly plants: Readonly<Record<string, Spread>>
  /** Litres of each mix that 50 and 90 % of the seasons do not go over. */
  readonly litres: Readonly<Record<string, Spread>>
  /** Most flats on the shelf on one day, likewise. */
  readonly flats: Spread
}

/**
 * Many seasons, in each of which every packet germinates, every tray loses and every sowing dawdles a little
 * differently. What comes up decides how many are potted on, and so how much mix and shelf it takes.
 *
 * @param seed of the random numbers: the same seed gives the same seasons
 */
export function simulateSeasons(
  sowings: readonly SimulatedSowing[],
  seasons = 2000,
  seed = 0.42,
  tell: (done: number) => void = () => {},
): SimulatedSeason {
  const random = randomLcg(seed)
  const normal = randomNormal.source(random)(0, VARIATION.emergenceSd)
  const models = sowings.map((sowing) => modelOf(sowing, random))
  const [first, days] = span(models)
  const recipes = [
    ...new Set(models.flatMap(({ stages }) => stages.flatMap(({ recipeId }) => recipeId ?? []))),
  ]
  const reached = new Int32Array(sowings.length)
  const plants = sowings.map(() => new Float64Array(seasons))
  const litres = new Map(recipes.map((recipe) => [recipe, new Float64Array(seasons)]))
  const peaks = new Float64Array(seasons)
  const flats = new Float64Array(days + 1)
  let all = 0

  for (let season = 0; season < seasons; season++) {
    flats.fill(0)
    let everyOne = true
    models.forEach((model, s) => {
      const up = model.emerge()
      const good = model.lose(up)
      plants[s]![season] = good
      if (good >= model.plants) reached[s]!++
      else everyOne = false
      // Potted on as planned, or as many as there are.
      const share = Math.min(1, up / model.carried)
      const late = Math.round(model.emergenceDays * Math.max(-0.6, normal()))
      model.stages.forEach((stage, i) => {
        const part = i === 0 ? 1 : share
        if (stage.recipeId) litres.get(stage.recipeId)![season]! += stage.looseL * part
        if (stage.flats === 0) return
        const from = stage.from + (i === 0 ? 0 : late) - first
        const until = stage.until + late - first
        flats[from]! += stage.flats * part
        flats[Math.max(from + 1, until)]! -= stage.flats * part
      })
    })
    if (everyOne) all++
    let standing = 0
    for (let day = 0; day <= days; day++) {
      standing += flats[day]!
      if (standing > peaks[season]!) peaks[season] = standing
    }
    if (season % 200 === 199) tell(season + 1)
  }

  const spread = (values: Float64Array, low: number, high: number): Spread => {
    const sorted = values.slice().sort()
    const at = (q: number) => sorted[Math.min(seasons - 1, Math.max(0, Math.ceil(q * seasons) - 1))] ?? 0
    return { half: at(low), nineTenths: at(high) }
  }
  return {
    seasons,
    chance: Object.fromEntries(sowings.map(({ id }, i) => [id, reached[i]! / seasons])),
    chanceOfAll: all / seasons,
    plants: Object.fromEntries(sowings.map(({ id }, i) => [id, spread(plants[i]!, 0.5, 0.1)])),
    litres: Object.fromEntries([...litres].map(([id, values]) => [id, spread(values, 0.5, 0.9)])),
    flats: spread(peaks, 0.5, 0.9),
  }
}

function modelOf({ plants, clump, seedlings, planned }: SimulatedSowing, random: () => number) {
  const { germination, lost, perCell, cells, seeds, stages, emergence } = planned
  const packet = betaAround(germination.value, VARIATION.germinationSeeds, random)
  const losing = betaAround(lost.value, VARIATION.lossPlants, random)
  const binomial = randomBinomial.source(random)
  const single = clump || stages[0]!.kind === 'broadcast'
  return {
    plants,
    carried: Math.max(1, stages[1]?.plants ?? plants),
    emergenceDays: emergence?.value ?? 0,
    /** What comes up: seedlings of a clump or a pinch, cells that hold at least one elsewhere. */
    emerge() {
      const g = packet()
      if (!emergence) return 0
      return single ? binomial(seeds, g)() * seedlings : binomial(cells, 1 - (1 - g) ** perCell)()
    },
    lose: (up: number) => binomial(up, 1 - losing())(),
    stages: stages.map(({ from, until, recipeId, looseL, flats }) => ({
      from: dayNumber(from),
      until: dayNumber(until),
      recipeId,
      looseL,
      flats,
    })),
  }
}

/** Draws around a mean, as certain as if it had been seen in so many; always the mean where it is 0 or 1. */
function betaAround(mean: number, seen: number, random: () => number): () => number {
  if (mean <= 0 || mean >= 1) return () => mean
  return randomBeta.source(random)(mean * seen, (1 - mean) * seen)
}

/** First day and number of days that any season can reach. */
function span(models: readonly ReturnType<typeof modelOf>[]): [number, number] {
  let first = Infinity
  let last = -Infinity
  for (const { stages, emergenceDays } of models)
    for (const { from, until } of stages) {
      first = Math.min(first, from - Math.ceil(emergenceDays))
      last = Math.max(last, until + Math.ceil(emergenceDays * 2) + 2)
    }
  return first < last ? [first, last - first] : [0, 1]
}
