import { present } from '../present'
import { canMeasure, fairFrom, MAX_FILLS } from './measuring'
import { density, type Feed } from './feed'
import { SOLUBLE_G_PER_L } from './injector'
import { isScale, TOOL_HABITS, type Tool } from './tool'

/*
 * How to measure a dose: straight with a tool, through a stock solution, or through a stock and a second dilution of
 * it. Every amount, vessel and tool is looked at. Errors that know nothing of each other add in squares; rounding the
 * last dose to the tool's own step is always the same way and adds outright.
 */

/** An amount measured with a tool: fills of a spoon or syringe, or grams on a scale. */
export interface Scooped {
  readonly tool: Tool
  /** mL, or g on a scale. */
  readonly amount: number
}

/** What is taken is made up with water to a volume. */
export interface Dilution extends Scooped {
  readonly madeUpToL: number
}

export interface Way {
  /** Stocks in order; none for a straight dose. */
  readonly stocks: readonly Dilution[]
  readonly dose: Scooped
  /** (given − wanted) / wanted, from rounding; a fraction. */
  readonly rounding: number
  /** ± of a careful hand, a fraction. */
  readonly spread: number
  /** Both together. */
  readonly worst: number
}

export interface PlannerRequest {
  readonly feed: Feed
  /** Feed wanted, g. */
  readonly massG: number
  readonly tools: readonly Tool[]
}

/** The way of least error for each number of steps; null where there is none. Among equals the smaller stock. */
export interface Ways {
  readonly direct: Way | null
  readonly stock: Way | null
  /** Of the stocks that measure about as well as the best, the one that uses the least feed and the smallest bottle. */
  readonly sparing: Way | null
  readonly twoStep: Way | null
  /** Ways that were weighed up, cut short ones counted as far as they went. */
  readonly looked: number
}

/** A bottle or jug filled to a mark [default]. */
export const TO_THE_MARK = 0.03
/** Volumes a stock is made up to: easy bottles, and what the jugs at hand hold, whole and half, L. */
const EASY_VOLUMES_L = [0.1, 0.25, 0.5, 1, 2]
const EASY_MASSES_G = [1, 2, 5, 10, 20, 25, 50, 100]
const EASY_FILLS = [1, 2, 3, 4, 5]

const NEVER = Infinity
/** A little error is worth not dissolving a cupful of feed for one jug. */
const WORTH_SPARING = 0.05

interface Option {
  readonly tool: Tool
  readonly amount: number
  /** What it is worth: g of feed for a first stock, mL for a second. */
  readonly worth: number
  /** Square of its spread. */
  readonly variance: number
}

/** Easy volumes for a stock solution in the household's own jugs, in L. */
export function stockVolumes(tools: readonly Tool[]): number[] {
  const jugs = tools.flatMap(({ kind, capacityMl }) =>
    (kind === 'jug' || kind === 'squeeze bottle') && capacityMl ? [capacityMl / 1000, capacityMl / 2000] : [],
  )
  return [...new Set([...EASY_VOLUMES_L, ...jugs])].filter((volume) => volume <= 5).sort((a, b) => a - b)
}

/** ± of a tool at an amount, a fraction. */
export function spreadAt(tool: Tool, amount: number): number {
  const habit = TOOL_HABITS[tool.kind]
  if (habit.relativeError > 0) return habit.relativeError
  return (habit.absoluteG ?? (habit.ofCapacity ?? 0) * present(tool.capacityMl)) / amount
}

function isFair(tool: Tool, amount: number): boolean {
  if (!(amount > 0) || amount < fairFrom(tool)) return false
  return isScale(tool.kind) || amount / present(tool.capacityMl) <= MAX_FILLS
}

/** The tool's step nearest to a wanted amount, with what rounding and hand do; worst is Infinity out of its range. */
function doseWith(tool: Tool, wanted: number): { amount: number; rounding: number; spread: number } | null {
  const habit = TOOL_HABITS[tool.kind]
  const step = isScale(tool.kind) ? habit.step : habit.step * present(tool.capacityMl)
  const amount = Math.round(wanted / step) * step
  if (!isFair(tool, amount) || wanted < fairFrom(tool)) return null
  return { amount, rounding: amount / wanted - 1, spread: spreadAt(tool, wanted) }
}

const easyAmounts = (tool: Tool): readonly number[] =>
  isScale(tool.kind) ? EASY_MASSES_G : EASY_FILLS.map((fills) => fills * present(tool.capacityMl))

/** Amounts that each tool measures easily and fairly. */
const easyOptions = (tools: readonly Tool[], worth: (tool: Tool, amount: number) => number): Option[] =>
  tools.flatMap((tool) =>
    easyAmounts(tool)
      .filter((amount) => isFair(tool, amount))
      .map((amount) => ({
        tool,
        amount,
        worth: worth(tool, amount),
        variance: spreadAt(tool, amount) ** 2 + TO_THE_MARK ** 2,
      })),
  )

/** Stocks of the feed, and stocks of a stock, in the order of how sure they are. */
function stockOptions(
  feedTools: readonly Tool[],
  liquidTools: readonly Tool[],
  densityGPerMl: number,
  volumes: readonly number[],
) {
  const into = (option: Option) => volumes.map((volumeL) => ({ ...option, volumeL }))
  const surest = (a: Option & { volumeL: number }, b: Option & { volumeL: number }) =>
    a.variance - b.variance || a.worth - b.worth || a.volumeL - b.volumeL
  const first = easyOptions(feedTools, (tool, amount) =>
    isScale(tool.kind) ? amount : amount * densityGPerMl,
  )
    .flatMap(into)
    .filter(({ worth, volumeL }) => worth / volumeL <= SOLUBLE_G_PER_L)
    .map((one) => ({ ...one, gPerMl: one.worth / one.volumeL / 1000 }))
  const second = easyOptions(liquidTools, (_, amount) => amount)
    .flatMap(into)
    .filter(({ worth, volumeL }) => worth < volumeL * 1000)
    .map((one) => ({ ...one, factor: one.worth / one.volumeL / 1000 }))
  return { first: first.sort(surest), second: second.sort(surest) }
}

/** A tool as the last step of dosing uses it. */
function doserOf(tool: Tool) {
  const habit = TOOL_HABITS[tool.kind]
  const capacityMl = present(tool.capacityMl)
  return {
    tool,
    step: habit.step * capacityMl,
    from: fairFrom(tool),
    most: MAX_FILLS * capacityMl,
    relative: habit.relativeError,
    fixed: (habit.ofCapacity ?? 0) * capacityMl,
  }
}

type Stock = Option & { readonly volumeL: number; readonly gPerMl: number }
type SecondStock = Option & { readonly volumeL: number; readonly factor: number }

/** The best tool for the last step; what it found last is kept here, since it is asked many thousand times. */
class DoserSearch {
  looked = 0
  found = { worst: NEVER, amount: 0, rounding: 0, spread: 0 }

  constructor(private readonly dosers: readonly ReturnType<typeof doserOf>[]) {}

  /** The tool that measures so many mL out of a stock better than `worst`; null where none does. */
  best(wantedMl: number, mostMl: number, variance: number, worst: number): Tool | null {
    let best: Tool | null = null
    for (const doser of this.dosers) {
      this.looked++
      if (wantedMl < doser.from || wantedMl > mostMl) continue
      const amount = Math.round(wantedMl / doser.step) * doser.step
      if (amount <= 0 || amount < doser.from || amount > doser.most) continue
      const own = doser.relative > 0 ? doser.relative : doser.fixed / wantedMl
      const rounding = amount / wantedMl - 1
      const spread = Math.sqrt(variance + own * own)
      const all = Math.abs(rounding) + spread
      if (all >= worst) continue
      worst = all
      best = doser.tool
      this.found = { worst: all, amount, rounding, spread }
    }
    return best
  }
}

function bestStock(massG: number, stocks: readonly Stock[], search: DoserSearch): Way | null {
  let best: Way | null = null
  for (const one of stocks) {
    const worst = best?.worst ?? NEVER
    if (Math.sqrt(one.variance) >= worst) break
    const tool = search.best(massG / one.gPerMl, one.volumeL * 1000, one.variance, worst)
    if (tool) best = asWay([dilution(one)], tool, search.found, one.variance)
  }
  return best
}

/** A stock nearly as sure as the best that takes less of the feed, or less water. */
function sparingStock(massG: number, stocks: readonly Stock[], search: DoserSearch, best: Way): Way {
  const most = best.worst + WORTH_SPARING
  let sparing = best
  let spared = { worth: NEVER, volumeL: NEVER }
  for (const one of stocks) {
    if (Math.sqrt(one.variance) > most) break
    if (one.worth > spared.worth || (one.worth === spared.worth && one.volumeL >= spared.volumeL)) continue
    const tool = search.best(massG / one.gPerMl, one.volumeL * 1000, one.variance, most)
    if (!tool) continue
    spared = one
    sparing = asWay([dilution(one)], tool, search.found, one.variance)
  }
  return sparing
}

function bestTwoStep(
  massG: number,
  first: readonly Stock[],
  second: readonly SecondStock[],
  search: DoserSearch,
): Way | null {
  let best: Way | null = null
  let worst = NEVER
  const leastSecond = second[0]?.variance ?? NEVER
  for (const one of first) {
    if (Math.sqrt(one.variance + leastSecond) >= worst) break
    for (const two of second) {
      const variance = one.variance + two.variance
      if (Math.sqrt(variance) >= worst) break
      if (two.worth > one.volumeL * 1000) continue
      const wantedMl = massG / (one.gPerMl * two.factor)
      const tool = search.best(wantedMl, two.volumeL * 1000, variance, worst)
      if (!tool) continue
      worst = search.found.worst
      best = asWay([dilution(one), dilution(two)], tool, search.found, variance)
    }
  }
  return best
}

/**
 * The least-error ways, exactly: every easy amount with every tool, every vessel, every tool for the dose. The search
 * for two steps walks stocks and dilutions from the most exact on and stops where their own error alone is as bad as
 * the best way found.
 *
 * @throws RangeError for a mass of 0 g or less
 */
export function searchWays({ feed, massG, tools }: PlannerRequest): Ways {
  if (!(massG > 0)) throw new RangeError(`massG: above 0, given ${massG}`)
  let looked = 0
  const densityGPerMl = density(feed).value
  const feedTools = tools.filter((tool) => canMeasure(tool, feed))
  const liquidTools = tools.filter((tool) => !isScale(tool.kind) && canMeasure(tool, { form: 'liquid' }))

  let direct: Way | null = null
  for (const tool of feedTools) {
    looked++
    const wanted = isScale(tool.kind) ? massG : massG / densityGPerMl
    const dosed = doseWith(tool, wanted)
    if (!dosed) continue
    const way = asWay([], tool, dosed, 0)
    if (!direct || way.worst < direct.worst) direct = way
  }

  const { first, second } = stockOptions(feedTools, liquidTools, densityGPerMl, stockVolumes(tools))
  const search = new DoserSearch(liquidTools.map(doserOf))
  const stock = bestStock(massG, first, search)
  const sparing = stock && sparingStock(massG, first, search, stock)
  const twoStep = bestTwoStep(massG, first, second, search)
  return { direct, stock, sparing, twoStep, looked: looked + search.looked }
}

const dilution = ({ tool, amount, volumeL }: { tool: Tool; amount: number; volumeL: number }): Dilution => ({
  tool,
  amount,
  madeUpToL: volumeL,
})

function asWay(
  stocks: readonly Dilution[],
  tool: Tool,
  dosed: { amount: number; rounding: number; spread: number },
  variance: number,
): Way {
  const spread = stocks.length ? dosed.spread : Math.sqrt(dosed.spread ** 2 + variance)
  return {
    stocks,
    dose: { tool, amount: dosed.amount },
    rounding: dosed.rounding,
    spread,
    worst: Math.abs(dosed.rounding) + spread,
  }
}

/** An error that is not worth another bottle. */
const WORTH_A_STEP = 0.05

/** The way to take: the fewest steps, unless another step takes at least five points off the error. */
export function advised({ direct, stock, twoStep }: Pick<Ways, 'direct' | 'stock' | 'twoStep'>): Way | null {
  return [direct, stock, twoStep].reduce(
    (best, way) => (way && (!best || way.worst < best.worst - WORTH_A_STEP) ? way : best),
    null,
  )
}
