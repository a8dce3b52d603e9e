import { addDays, type Day } from '../calendar/day'
import type { Feed } from './feed'
import { judge, GROWTH_STAGES, type GrowthStage } from './growth-stage'
import { KEEPS_DAYS, type StockPlan } from './stock'

/** A feed that stands ready in a bottle, as its label says it. */
export interface BottleLabel {
  readonly title: string
  /** What is in it: the feed and its three numbers. */
  readonly contents: string
  /** Strength of what is in the bottle, and how it is used. */
  readonly strength: string
  /** Stages that like this strength; empty for a stock. */
  readonly growthStages: readonly GrowthStage[]
  readonly madeOn: Day
  readonly keepUntil: Day
}

/** How long a feed keeps once it is diluted, days, dark and cool [common practice: algae in mineral feeds, rot in organic ones]. */
const KEEPS_DILUTED_DAYS = { mineral: 14, organic: 3, brew: 1 } as const

const kindOf = ({ organic, strengthGuessed }: Feed) =>
  strengthGuessed ? 'brew' : organic ? 'organic' : 'mineral'

/** @returns days that a bottle of it, ready to give, keeps in the dark */
export const keepsDiluted = (feed: Feed): number => KEEPS_DILUTED_DAYS[kindOf(feed)]

const numbersOf = ({ name, nPercent, p2o5Percent, k2oPercent }: Feed) =>
  `${name}, ${nPercent}-${p2o5Percent}-${k2oPercent}`

/**
 * Labels for what stands about once a feed is mixed: the bottle or can that is given from, and the stock where there is one.
 *
 * @param nMgPerL strength of what is given, mg/L of nitrogen
 * @param print how a figure is printed
 * @param strength how a strength of nitrogen is said
 */
export function bottleLabels(
  { feed, nMgPerL, stock }: { feed: Feed; nMgPerL: number; stock: StockPlan | null },
  madeOn: Day,
  print: (value: number) => string,
  strength: (nMgPerL: number) => string,
): BottleLabel[] {
  const contents = numbersOf(feed)
  const ready: BottleLabel = {
    title: 'Feed, ready to give',
    contents,
    strength: `${strength(nMgPerL)}: give as it is`,
    growthStages: GROWTH_STAGES.filter(
      (growthStage) => growthStage.highNMgPerL > 0 && judge(nMgPerL, growthStage) === 'right',
    ),
    madeOn,
    keepUntil: addDays(madeOn, keepsDiluted(feed)),
  }
  if (!stock) return [ready]
  return [
    {
      title: 'Stock: never undiluted',
      contents,
      strength: `${print(stock.concentrationGPerL.value)} g of feed in a litre`,
      growthStages: [],
      madeOn,
      keepUntil: addDays(madeOn, KEEPS_DAYS[feed.organic ? 'organic' : 'mineral']),
    },
    ready,
  ]
}
