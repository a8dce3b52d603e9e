import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { density, type Feed } from './feed'
import { canMeasure, combined, measureWith, type Dose, type Measurement } from './measuring'
import { volumeOfMass } from './strength'
import { isScale, type Tool } from './tool'

/** An easy amount in an easy volume, of which millilitres are then dosed. */
export interface StockPlan {
  /** Measuring the feed into the stock. */
  readonly making: Measurement
  /** Feed that goes into the stock, g. */
  readonly feedG: Figure
  readonly stockL: Figure
  /** g of feed in a litre of stock. */
  readonly concentrationGPerL: Figure
  /** Measuring the stock into the vessel. */
  readonly dosing: Measurement
  readonly spread: Figure
  readonly worst: Figure
}

/** Common soluble feeds dissolve at least this well in cold water, g/L [handbook, from memory]. */
const SOLUBLE_G_PER_L = 100
const EASY_VOLUMES_L = [0.1, 0.25, 0.5, 1, 2]
const EASY_MASSES_G = [5, 10, 20, 25, 50, 100]
const EASY_FILLS = [1, 2, 3, 4]
/** A little error is worth not dissolving a cupful of feed for one jug. */
const WORTH_SPARING = 0.05
const BOTTLE = given('Spread of a marked bottle', 0.03, 'share', byDefault('a bottle filled to its mark'))

/**
 * The stock solution for a small dose with the tools at hand, or null when none can measure it.
 * Every pairing of an easy amount, an easy volume and a tool for the millilitres is weighed up; of those that
 * measure about as well as the best, the one that uses the least feed and the smallest bottle is taken.
 */
export function planStock(feed: Feed, dose: Dose, tools: readonly Tool[]): StockPlan | null {
  const dosers = tools.filter((tool) => !isScale(tool.kind) && canMeasure(tool, { form: 'liquid' }))
  const stocks = [...easyStocks(feed, tools)].flatMap(({ making, massG, volumeL }) =>
    dosers.flatMap((doser) => doseFrom(making, massG, volumeL, dose, doser) ?? []),
  )
  const least = Math.min(...stocks.map(({ worst }) => worst.value))
  const goodEnough = stocks.filter(({ worst }) => worst.value <= least + WORTH_SPARING)
  return (
    goodEnough.sort(
      (a, b) =>
        a.feedG.value - b.feedG.value || a.stockL.value - b.stockL.value || a.worst.value - b.worst.value,
    )[0] ?? null
  )
}

function* easyStocks(feed: Feed, tools: readonly Tool[]) {
  for (const tool of tools.filter((candidate) => canMeasure(candidate, feed)))
    for (const dose of easyDoses(tool, density(feed))) {
      const making = measureWith(tool, dose)
      if (making.fit !== 'fair') continue
      for (const volumeL of EASY_VOLUMES_L)
        if (dose.massG.value / volumeL <= SOLUBLE_G_PER_L) yield { making, massG: dose.massG, volumeL }
    }
}

function easyDoses(tool: Tool, densityGPerMl: Figure): Dose[] {
  const masses = isScale(tool.kind)
    ? EASY_MASSES_G
    : EASY_FILLS.map((fills) => fills * tool.capacityMl! * densityGPerMl.value)
  return masses.map((mass) => {
    const massG = given('Feed into the stock', mass, 'g', yours('an easy amount for this tool'))
    return { massG, volumeMl: volumeOfMass(massG, densityGPerMl) }
  })
}

function doseFrom(
  making: Measurement,
  massG: Figure,
  volumeL: number,
  dose: Dose,
  doser: Tool,
): StockPlan | null {
  const stockL = given('Stock made up to', volumeL, 'L', byDefault('an easy bottle'))
  const concentrationGPerL = derive(
    'Feed in the stock',
    'g/L',
    'm / V',
    { m: massG, V: stockL },
    ({ m, V }) => m / V,
    `Kept below ${SOLUBLE_G_PER_L} g/L so that it dissolves.`,
  )
  const volumeMl = derive(
    'Stock to dose',
    'mL',
    'm / c * 1000',
    { m: dose.massG, c: concentrationGPerL },
    ({ m, c }) => (m / c) * 1000,
  )
  if (volumeMl.value > volumeL * 1000) return null
  // A stock is mostly water: its grams are as good as its millilitres, and no scale doses it here.
  const dosing = measureWith(doser, { massG: volumeMl, volumeMl })
  if (dosing.fit !== 'fair') return null
  const spread = combined('Spread of stock and dose', [making.spread, BOTTLE, dosing.spread])
  const worst = derive(
    'Error',
    'share',
    'abs(r) + s',
    { r: dosing.rounding, s: spread },
    ({ r, s }) => Math.abs(r) + s,
  )
  return { making, feedG: massG, stockL, concentrationGPerL, dosing, spread, worst }
}
