import { mulberry32 } from '../numeric/random'
import { PH_UNCERTAINTY } from './chemistry'
import { brings, FINDER_TRAITS, judgeBlend, type FinderTrait, type Table } from './finder-table'

/* How surely a recipe meets what is wanted, bags and scoops being what they are. */

/** A want as the search looks at it. */
export interface Listed {
  readonly name: FinderTrait
  readonly trait: number
  readonly low: number
  readonly high: number
  readonly scale: number
}

/** Figures of a material scatter by so much from one bag to the next, as a fraction [handbook: ±15 %]. */
const FIGURES_SCATTER = 0.15
/** A part that is scooped is off by so much, as a fraction [default: a level scoop]. */
const SCOOP_SCATTER = 0.07

/**
 * How far a blend lies inside all wants, in standard deviations: a trait is a sum over its materials, so its variance is the
 * sum of theirs. pH is known to ±0.4 as a whole; a price has no scatter.
 */
export function marginOf(
  parts: Int32Array,
  sum: number,
  table: Table,
  traits: Float64Array,
  wants: Listed[],
): number {
  let margin = Infinity
  for (const { trait, low, high } of wants) {
    const value = traits[trait]!
    const sd = trait === 2 ? PH_UNCERTAINTY : trait === 5 ? 0 : scatterOf(trait, value, parts, sum, table)
    const inside = Math.min(value - low, high - value)
    margin = Math.min(margin, sd > 0 ? inside / sd : inside >= 0 ? Infinity : -Infinity)
  }
  return Math.min(margin, MAX_MARGIN)
}
/** Further inside than this makes no difference. */
const MAX_MARGIN = 3

function scatterOf(trait: number, value: number, parts: Int32Array, sum: number, table: Table): number {
  let variance = 0
  for (let m = 0; m < parts.length; m++) {
    if (parts[m] === 0) continue
    const share = parts[m]! / sum
    const each = brings(trait, table, m)
    variance += (share * each * FIGURES_SCATTER) ** 2 + (share * (each - value) * SCOOP_SCATTER) ** 2
  }
  return Math.sqrt(variance)
}

const DRAWS = 400
/** Deviates for one draw: a scoop and a figure or more for each of six materials. */
const EACH = 64
/** Normal deviates, the same for every recipe, so that recipes differ and not their luck. */
const deviates = (() => {
  const random = mulberry32(20270508)
  // Never 0, of which there is no logarithm.
  const uniform = () => random() + 2 ** -33
  return Float64Array.from(
    { length: DRAWS * EACH },
    () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform()),
  )
})()

/** The chance that a recipe meets all wants, bags and scoops being what they are: the part of so many draws that did. */
export function chanceOf(parts: readonly number[], table: Table, wants: readonly Listed[]): number {
  const used = parts.flatMap((amount, m) => (amount > 0 ? [{ amount, m }] : []))
  const sums = new Float64Array(table.width)
  for (const { amount, m } of used)
    for (let i = 0; i < table.width; i++) sums[i]! += amount * table.values[m * table.width + i]!
  const sum = used.reduce((all, { amount }) => all + amount, 0)
  const traits = new Float64Array(FINDER_TRAITS.length)
  judgeBlend(sums, sum, table, traits)
  const linear = wants.filter(({ trait }) => trait !== 2 && trait !== 5)
  const bring = linear.map(({ trait }) => used.map(({ m }) => brings(trait, table, m)))
  const scale = linear.map(({ trait }, i) => {
    const plain = used.reduce((all, { amount }, k) => all + (amount / sum) * bring[i]![k]!, 0)
    return plain ? traits[trait]! / plain : 1
  })
  const fixed = wants
    .filter(({ trait }) => trait === 5)
    .every(({ low, high }) => traits[5]! >= low && traits[5]! <= high)
  if (!fixed) return 0
  const ph = wants.find(({ trait }) => trait === 2)
  let met = 0
  for (let d = 0; d < DRAWS; d++) {
    let next = d * EACH
    const draw = () => deviates[next++]!
    const amounts = used.map(({ amount }) => amount * Math.max(0, 1 + SCOOP_SCATTER * draw()))
    const all = amounts.reduce((a, b) => a + b, 0)
    const off = ph ? traits[2]! + PH_UNCERTAINTY * draw() : 0
    if (ph && (off < ph.low || off > ph.high)) continue
    const inside = linear.every(({ low, high }, i) => {
      const value =
        scale[i]! *
        amounts.reduce(
          (v, amount, k) => v + (amount / all) * bring[i]![k]! * (1 + FIGURES_SCATTER * draw()),
          0,
        )
      return value >= low && value <= high
    })
    if (inside) met++
  }
  return met / DRAWS
}
