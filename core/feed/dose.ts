import { cautionsOf, type CautionId } from '../cautions/caution'
import { refuse, under, within, type Problem, wrongAt } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import { density, elements, feedProblems, type Feed } from './feed'
import { canMeasure, combined, measureWith, ranked, type Measurement } from './measuring'
import { judge, GROWTH_STAGES, growthStageById, type Verdict } from './growth-stage'
import { planStock, type StockPlan } from './stock'
import { concentrationFor, concentrationOfLiquid, massIn, strengthOf, volumeOfMass } from './strength'
import { TOOL_HABITS, toolProblems, type Tool } from './tool'

export interface Vessel {
  readonly name: string
  readonly volumeL: number
}

export interface DoseRequest {
  readonly feed: Feed
  readonly growthStageId: string
  readonly targetNMgPerL: number
  readonly vessel: Vessel
  readonly tools: readonly Tool[]
}

/** The strength a way of measuring really gives, mg/L of nitrogen: as measured, and how far the hand may stray. */
export interface StrengthRange {
  readonly nMgPerL: Figure
  readonly lowNMgPerL: Figure
  readonly highNMgPerL: Figure
}

export interface Way extends Measurement {
  readonly strength: StrengthRange
}

export interface DosePlan {
  readonly nMgPerL: Figure
  readonly pMgPerL: Figure
  readonly kMgPerL: Figure
  readonly concentrationGPerL: Figure
  readonly massG: Figure
  readonly volumeMl: Figure
  readonly verdict: Verdict
  /** Each tool that can measure this feed, best first. */
  readonly ways: readonly Way[]
  /** The better way when every tool is too coarse for the dose; null when none is needed or possible. */
  readonly stock: (StockPlan & { readonly strength: StrengthRange }) | null
  /** Why no tool at hand can measure the dose, even through a stock; null where one can. */
  readonly noWay: 'jug too small' | 'tools too small' | 'powder too little' | 'liquid too little' | null
  readonly cautions: readonly CautionId[]
}

/** One-tool errors above this are worth the trouble of a stock solution. */
const WORTH_A_STOCK = 0.25

const vesselProblems = ({ volumeL }: Vessel) => within(['vessel', 'volumeL'], volumeL, 0.01, 10_000, 'L')

/** What is wrong with a request, each at its field. */
export function doseProblems(request: DoseRequest): Problem[] {
  const { feed, targetNMgPerL, vessel, growthStageId } = request
  return [
    ...under('feed', feedProblems(feed)),
    ...(feed.use === 'mixed in' ? [wrongAt(['feed'], 'feedMixedIn')] : []),
    ...(feed.nPercent === 0 ? [wrongAt(['feed', 'nPercent'], 'feedNoNitrogen')] : []),
    ...(GROWTH_STAGES.some(({ id }) => id === growthStageId)
      ? []
      : [wrongAt(['growthStageId'], 'unknown', { what: 'stage' })]),
    ...within(['targetNMgPerL'], targetNMgPerL, 0.1, 1000, 'mg/L of nitrogen'),
    ...beyondReach(feed, targetNMgPerL),
    ...vesselProblems(vessel),
    ...request.tools.flatMap((tool, index) => under('tools', under(index, toolProblems(tool)))),
  ]
}

/** A brew may hold less than is wanted even undiluted. */
function beyondReach(feed: Feed, targetNMgPerL: number): Problem[] {
  if (feed.form !== 'liquid' || feed.nPercent === 0) return []
  const undiluted = density(feed).value * feed.nPercent * 10_000
  return targetNMgPerL > undiluted
    ? [wrongAt(['targetNMgPerL'], 'feedTooWeak', { mg: Math.floor(undiluted) })]
    : []
}

/**
 * From a wanted strength to a dose for this vessel, and how to measure it.
 *
 * @throws RangeError naming the field, for anything `doseProblems` finds
 */
export function planDose(request: DoseRequest): DosePlan {
  refuse(doseProblems(request))
  const { feed, tools } = request
  const label = elements(feed)
  const wanted = given('Wanted strength', request.targetNMgPerL, 'mg/L', yours('the strength you chose'))
  const vesselL = given(request.vessel.name, request.vessel.volumeL, 'L', yours('your vessel'))
  const concentrationGPerL = concentrationFor(wanted, label.n)
  const massG = massIn(concentrationGPerL, vesselL)
  const dose = { massG, volumeMl: volumeOfMass(massG, density(feed)) }

  const ways = ranked(
    tools.filter((tool) => canMeasure(tool, feed)).map((tool) => measureWith(tool, dose)),
  ).map((way): Way => ({ ...way, strength: strengthRange(wanted, way.rounding, way.spread) }))
  const [best] = ways
  const coarse = !best || best.fit !== 'fair' || best.worst.value > WORTH_A_STOCK
  const stock = coarse ? planStock(feed, dose, tools) : null
  return {
    nMgPerL: strengthOf('Nitrogen', concentrationGPerL, label.n),
    pMgPerL: strengthOf('Phosphorus', concentrationGPerL, label.p),
    kMgPerL: strengthOf('Potassium', concentrationGPerL, label.k),
    concentrationGPerL,
    ...dose,
    verdict: judge(wanted.value, growthStageById(request.growthStageId)),
    ways,
    stock: stock && { ...stock, strength: strengthRange(wanted, stock.dosing.rounding, stock.spread) },
    noWay:
      stock && stock.dosing.amount.value > request.vessel.volumeL * 1000
        ? 'jug too small'
        : coarse && !stock && best?.fit !== 'fair'
          ? missingTool(feed, best)
          : null,
    cautions: cautionsOf(hazards(request, stock !== null)),
  }
}

/** mg/L of nitrogen at the label's own rate, or null when the label gives none. */
export function strengthAtLabelRate(feed: Feed): Figure | null {
  if (feed.labelRatePerL === null) return null
  const unit = feed.form === 'powder' ? 'g/L' : 'mL/L'
  const rate = given('Label rate', feed.labelRatePerL, unit, feed.sources.labelRatePerL)
  const concentration = feed.form === 'powder' ? rate : concentrationOfLiquid(rate, density(feed))
  return strengthOf('Nitrogen', concentration, elements(feed).n)
}

/**
 * What was given: the strength from an amount of feed in a vessel. The inverse of `planDose`.
 *
 * @param amount g of a powder, mL of a liquid, 0 to 1e6
 * @throws RangeError naming the field of the label, the amount or the vessel that is wrong
 */
export function strengthFromDose(feed: Feed, amount: number, vessel: Vessel): Figure {
  refuse([
    ...under('feed', feedProblems(feed)),
    ...within(['amount'], amount, 0, 1e6),
    ...vesselProblems(vessel),
  ])
  const dose = given('Dose', amount, feed.form === 'powder' ? 'g' : 'mL', yours())
  const volume = given(vessel.name, vessel.volumeL, 'L', yours('your vessel'))
  const perLitre = derive(
    'Dose per litre',
    feed.form === 'powder' ? 'g/L' : 'mL/L',
    'a / V',
    { a: dose, V: volume },
    ({ a, V }) => a / V,
  )
  const concentration = feed.form === 'powder' ? perLitre : concentrationOfLiquid(perLitre, density(feed))
  return strengthOf('Nitrogen', concentration, elements(feed).n)
}

function strengthRange(wanted: Figure, rounding: Figure, toolSpread: Figure): StrengthRange {
  const jug = given('Spread of the vessel', TOOL_HABITS.jug.relativeError, 'share', TOOL_HABITS.jug.source)
  const spread = combined('Spread of tool and vessel', [toolSpread, jug])
  const nMgPerL = derive(
    'As measured',
    'mg/L',
    'N * (1 + r)',
    { N: wanted, r: rounding },
    ({ N, r }) => N * (1 + r),
  )
  return {
    nMgPerL,
    lowNMgPerL: derive('At the least', 'mg/L', 'max(0, N * (1 - s))', { N: nMgPerL, s: spread }, ({ N, s }) =>
      Math.max(0, N * (1 - s)),
    ),
    highNMgPerL: derive(
      'At the most',
      'mg/L',
      'N * (1 + s)',
      { N: nMgPerL, s: spread },
      ({ N, s }) => N * (1 + s),
    ),
  }
}

function missingTool(feed: Feed, best: Measurement | undefined): DosePlan['noWay'] {
  if (best?.fit === 'too many') return 'tools too small'
  return feed.form === 'powder' ? 'powder too little' : 'liquid too little'
}

function hazards(request: DoseRequest, stock: boolean): CautionId[] {
  const { feed } = request
  const label = strengthAtLabelRate(feed)
  const ids: CautionId[] = ['fertiliser']
  if (stock) ids.push('concentrates')
  if (feed.organic) ids.push('homeBrew')
  if (label && request.targetNMgPerL > label.value * 1.001) ids.push('aboveLabel')
  return ids
}
