import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { density, type Feed } from './feed'
import { SOLUBLE_G_PER_L } from './injector'
import { combined, measureWith, type Dose, type Measurement } from './measuring'
import { searchWays, TO_THE_MARK, type Dilution, type Way } from './planner'
import { volumeOfMass } from './strength'
import { isScale, type Tool } from './tool'

/** Some of the stock, made up with water once more. */
export interface SecondDilution {
  /** Measuring the first stock into the second bottle. */
  readonly taking: Measurement
  readonly madeUpToL: Figure
}

/** An easy amount in an easy volume, of which millilitres are then dosed. */
export interface StockPlan {
  /** Measuring the feed into the stock. */
  readonly making: Measurement
  /** Feed that goes into the stock, g. */
  readonly feedG: Figure
  readonly stockL: Figure
  readonly second: SecondDilution | null
  /** g of feed in a litre of what is dosed. */
  readonly concentrationGPerL: Figure
  /** Measuring what is dosed into the vessel. */
  readonly dosing: Measurement
  readonly spread: Figure
  readonly worst: Figure
  /** How long what is left keeps, days. */
  readonly keepsDays: number
}

const BOTTLE = given(
  'Spread of a marked bottle',
  TO_THE_MARK,
  'share',
  byDefault('a bottle filled to its mark'),
)
/** A mineral stock in the dark; organic ones turn [common practice]. */
export const KEEPS_DAYS = { mineral: 60, organic: 3 } as const

/**
 * The stock solution for a dose too small for the tools at hand, through a second dilution where one does not reach;
 * null when none can measure it. See `searchWays` for how it is found.
 */
export function planStock(feed: Feed, dose: Dose, tools: readonly Tool[]): StockPlan | null {
  const { sparing, twoStep } = searchWays({ feed, massG: dose.massG.value, tools })
  const way = sparing ?? twoStep
  return way && explain(way, feed, dose)
}

/** A way through stocks with its workings. @throws RangeError for a straight dose */
export function explain(way: Way, feed: Feed, dose: Dose): StockPlan {
  const [first, next] = way.stocks
  if (!first) throw new RangeError('way: a straight dose has no stock')
  const makingDose = easyDose(first, density(feed))
  const making = measureWith(first.tool, makingDose)
  const stockL = given('Stock made up to', first.madeUpToL, 'L', byDefault('an easy bottle'))
  const firstGPerL = derive(
    'Feed in the stock',
    'g/L',
    'm / V',
    { m: makingDose.massG, V: stockL },
    ({ m, V }) => m / V,
    `Kept below ${SOLUBLE_G_PER_L} g/L so that it dissolves.`,
  )
  const second = next ? dilute(next) : null
  const concentrationGPerL = second
    ? derive(
        'Feed in the second dilution',
        'g/L',
        'c * a / 1000 / V',
        { c: firstGPerL, a: second.taking.amount, V: second.madeUpToL },
        ({ c, a, V }) => (c * a) / 1000 / V,
      )
    : firstGPerL
  const volumeMl = derive(
    'Stock to dose',
    'mL',
    'm / c * 1000',
    { m: dose.massG, c: concentrationGPerL },
    ({ m, c }) => (m / c) * 1000,
  )
  // A stock is mostly water: its grams are as good as its millilitres, and no scale doses it here.
  const dosing = measureWith(way.dose.tool, { massG: volumeMl, volumeMl })
  const spread = combined('Spread of stock and dose', [
    making.spread,
    BOTTLE,
    ...(second ? [second.taking.spread, BOTTLE] : []),
    dosing.spread,
  ])
  const worst = derive(
    'Error',
    'share',
    'abs(r) + s',
    { r: dosing.rounding, s: spread },
    ({ r, s }) => Math.abs(r) + s,
  )
  return {
    making,
    feedG: makingDose.massG,
    stockL,
    second,
    concentrationGPerL,
    dosing,
    spread,
    worst,
    keepsDays: KEEPS_DAYS[feed.organic ? 'organic' : 'mineral'],
  }
}

function easyDose({ tool, amount }: Dilution, densityGPerMl: Figure): Dose {
  const mass = isScale(tool.kind) ? amount : amount * densityGPerMl.value
  const massG = given('Feed into the stock', mass, 'g', yours('an easy amount for this tool'))
  return { massG, volumeMl: volumeOfMass(massG, densityGPerMl) }
}

function dilute({ tool, amount, madeUpToL }: Dilution): SecondDilution {
  const taken = given('Stock into the second bottle', amount, 'mL', yours('an easy amount for this tool'))
  return {
    taking: measureWith(tool, { massG: taken, volumeMl: taken }),
    madeUpToL: given('Second dilution made up to', madeUpToL, 'L', byDefault('an easy bottle')),
  }
}
