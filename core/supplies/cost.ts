import { present } from '../present'
import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { yours } from '../working/source'
import type { BatchPlan } from '../media/batch'
import { needsOfBatch, type Need } from './needs'

export interface Cost {
  /** What the materials cost, in the household's own currency, where a price is known. */
  readonly cost: Figure
  readonly perL: Figure
  /** For each cell, pot or block filled: for each plant, where each comes up. */
  readonly perPlant: Figure
  /** Ids of materials without a price: the cost is that of the others. */
  readonly unpriced: readonly string[]
}

/**
 * What a batch costs.
 *
 * @param priceOf price of one unit (loose L, g or mL) of a need's goods, null when unknown
 * @returns null where no price is known at all
 */
export function costOf(plan: BatchPlan, priceOf: (need: Need) => number | null): Cost | null {
  const needs = needsOfBatch(plan).map((need) => ({ need, price: priceOf(need) }))
  const priced = needs.filter(({ price }) => price !== null)
  if (priced.length === 0) return null
  const cost = weightedTotal(
    'Cost of the materials',
    '',
    priced.map(({ need, price }) => ({
      figure: need.amount,
      weight: given(
        `${need.amount.name}: price a ${need.amount.unit}`,
        present(price),
        '',
        yours('your packs'),
      ),
    })),
  )
  const mixL = total('Loose mix', 'L', plan.lower ? [plan.mixL, plan.lower.mixL] : [plan.mixL])
  const cells = total(
    'Cells, pots and blocks',
    '',
    plan.fills.map((fill) => fill.cells),
  )
  return {
    cost,
    perL: derive('Cost of a litre of mix', '', 'c / V', { c: cost, V: mixL }, ({ c, V }) => c / V),
    perPlant: derive('Cost for each plant', '', 'c / n', { c: cost, n: cells }, ({ c, n }) => c / n),
    unpriced: needs.filter(({ price }) => price === null).map(({ need }) => need.id),
  }
}
