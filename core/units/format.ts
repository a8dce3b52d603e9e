import { first as firstOf, last } from '../numeric/at'
import { printFraction } from './fraction'
import type { Dimension, UnitSystem, Unit } from './unit'
import { fromBase, unitById } from './unit-table'

/**
 * A number as a person would write it: three significant digits, no trailing zeros, at most `decimals`.
 *
 * @example printNumber(1.2345) // '1.23'
 * @example printNumber(1.2345, 2) // '1.2'
 */
export function printNumber(value: number, significant = 3): string {
  if (value === 0) return '0'
  const size = Math.floor(Math.log10(Math.abs(value)))
  const rounded = size >= significant - 1 ? Math.round(value) : Number(value.toPrecision(significant))
  return digits(rounded).replace('-', '−')
}

/** Without an exponent, however small. */
const digits = (value: number) =>
  /e/.test(String(value)) ? value.toFixed(20).replace(/\.?0+$/, '') : String(value)

/**
 * A fraction 0–1 in whole per cent: `62 %`; what is nearly none or nearly all is not told as none or all.
 *
 * @example printShare(0.064) // '6 %'
 * @example printShare(0.997) // 'over 99 %'
 */
export function printShare(share: number): string {
  if (share > 0 && share < 0.005) return 'under 1 %'
  if (share > 0.995 && share < 1) return 'over 99 %'
  return `${printNumber(Math.round(share * 100))} %`
}

/**
 * A quantity in the kitchen's own units, as one would measure it: within 5 % of it (a depth below 19 mm within 6 %), in as few measures as that takes
 * (`2¾ cups`, `1 tbsp + ½ tsp`), and in the next finer measure where a spoon is too coarse.
 *
 * @param base the quantity in L, mm, g or °C
 * @example printQuantity(0.65, 'volume', 'us') // '2¾ cups'
 */
export function printQuantity(base: number, dimension: Dimension, units: UnitSystem): string {
  if (dimension === 'temperature') {
    const unit = unitById(SHOWN.temperature[units])
    return `${printNumber(Math.round(fromBase(base, unit)))} ${unit.symbol}`
  }
  if (base === 0) return `0 ${spoken(unitById(unitShown(0, dimension, units)), units, 0)}`
  const sign = base < 0 ? '−' : ''
  return sign + measured(Math.abs(base), dimension, units)
}

/** The unit a bare number means in a field that shows this quantity. @param base in L, mm, g or °C */
export function unitShown(base: number, dimension: Dimension, units: UnitSystem): string {
  if (dimension === 'temperature') return SHOWN.temperature[units]
  const schedule = MEASURES[dimension][units]
  const size = Math.abs(base)
  return (schedule.find(({ id, from }) => size >= from * unitById(id).factor * (1 - 1e-9)) ?? last(schedule))
    .id
}

/**
 * A quantity in one unit, for a field: as one would measure it where that is near, else in as many decimals as anybody measures.
 * What was stated in another system is rounded (80 mm are 3⅛ in); the value itself stays as it is until somebody types.
 */
export function printExactly(base: number, dimension: Dimension, units: UnitSystem): string {
  const unit = unitById(unitShown(base, dimension, units))
  const amount = fromBase(base, unit)
  const [nearest] = (unit.fractions ? STEPS : []).map((step) => Math.round(amount / step) * step)
  const near = nearest !== undefined && Math.abs(nearest - amount) <= NEAR_IN_FIELD * Math.abs(amount)
  const number = near ? printFraction(nearest, 1 / 8) : digits(inDecimals(amount, dimension, units))
  return `${number.replace('-', '−')} ${spoken(unit, units, amount)}`
}

/** A fraction in a field is this near to the value [default]. */
const NEAR_IN_FIELD = 0.01
function inDecimals(amount: number, dimension: Dimension, units: UnitSystem): number {
  // Degrees are read in halves of °F and tenths of °C.
  if (dimension === 'temperature')
    return units === 'us' ? Math.round(amount * 2) / 2 : Math.round(amount * 10) / 10
  return Number(amount.toPrecision(units === 'metric' ? 6 : 3))
}

/** The same quantity in the kitchen's units and in the other system's: `2¾ cups`, `650 mL`. */
export function printBoth(
  base: number,
  dimension: Dimension,
  units: UnitSystem,
): [own: string, other: string] {
  const other = printQuantity(base, dimension, units === 'metric' ? 'us' : 'metric')
  return [
    printQuantity(base, dimension, units),
    units === 'metric' ? other.replace(/ (cups?|tsp|tbsp|fl oz|gal|qt|pt)\b/g, ' US $1') : other,
  ]
}

/** How a unit is measured: from how many on it is handy, and to which parts of it. */
interface Measure {
  readonly id: string
  readonly from: number
  /** Finest parts of it that are measured, coarse first; none for a unit printed in decimals. */
  readonly parts?: readonly number[]
  /** Nobody adds spoons to it: what is no part of it is told in the next finer measure. */
  readonly alone?: boolean
}
const spoon = (id: string, from: number, parts: readonly number[]): Measure => ({ id, from, parts })
const plain = (id: string, from: number): Measure => ({ id, from })
const HALVES = [1, 1 / 2]
const QUARTERS = [1, 1 / 2, 1 / 4]
const EIGHTHS = [1, 1 / 2, 1 / 4, 1 / 8]
const STEPS = [1 / 8]
/** A measuring cup has thirds and eighths too. */
const CUP = [1, 1 / 2, 1 / 4, 1 / 3, 1 / 8]

/** The measures of each kitchen, largest first. */
const MEASURES: Readonly<
  Record<Exclude<Dimension, 'temperature'>, Readonly<Record<UnitSystem, readonly Measure[]>>>
> = {
  volume: {
    metric: [plain('L', 0.9995), plain('mL', 0)],
    us: [
      { ...spoon('us-gal', 1 / 2, QUARTERS), alone: true },
      { ...spoon('us-qt', 4, HALVES), alone: true },
      spoon('us-cup', 1 / 4, CUP),
      spoon('us-tbsp', 1, HALVES),
      spoon('us-tsp', 1 / 8, EIGHTHS),
      plain('mL', 0),
    ],
    imperial: [
      { ...spoon('imp-gal', 1, QUARTERS), alone: true },
      spoon('imp-pt', 1 / 2, QUARTERS),
      spoon('imp-floz', 2, HALVES),
      spoon('metric-tbsp', 1, HALVES),
      spoon('metric-tsp', 1 / 8, EIGHTHS),
      plain('mL', 0),
    ],
  },
  length: {
    metric: [plain('m', 1), plain('cm', 10), plain('mm', 0)],
    us: [spoon('ft', 2, HALVES), spoon('in', 1 / 16, [...EIGHTHS, 1 / 16])],
    imperial: [spoon('ft', 2, HALVES), spoon('in', 1 / 16, [...EIGHTHS, 1 / 16])],
  },
  mass: {
    metric: [plain('kg', 0.9995), plain('g', 0.1), plain('mg', 0)],
    us: [
      { ...spoon('lb', 1, QUARTERS), alone: true },
      spoon('oz', 1, HALVES),
      plain('g', 0.1),
      plain('mg', 0),
    ],
    imperial: [
      { ...spoon('lb', 1, QUARTERS), alone: true },
      spoon('oz', 1, HALVES),
      plain('g', 0.1),
      plain('mg', 0),
    ],
  },
}
const SHOWN = { temperature: { metric: 'C', us: 'F', imperial: 'C' } } as const

/** Printed amounts are this near to the true ones, as a fraction. */
const NEAR = 0.05
/** Depths are set in steps of 3 mm, which the trade takes for ⅛ in: 6 mm is ¼ in, 12 mm ½ in [common practice]. */
const SHALLOW_MM = 19
const NEAR_SHALLOW = 0.06
const nearOf = (base: number, dimension: Dimension) =>
  dimension === 'length' && base < SHALLOW_MM ? NEAR_SHALLOW : NEAR

function measured(base: number, dimension: Exclude<Dimension, 'temperature'>, units: UnitSystem): string {
  const schedule = MEASURES[dimension][units]
  const near = nearOf(base, dimension)
  const first = Math.max(
    0,
    schedule.findIndex(({ id }) => id === unitShown(base, dimension, units)),
  )
  for (const measure of schedule.slice(first)) {
    const one = inMeasure(base, measure, units, near)
    if (one) return one
    // So many whole ones, and the rest in a finer measure: 1 tbsp + ½ tsp.
    const unit = unitById(measure.id)
    const whole = Math.floor(base / unit.factor + 1e-9)
    if (!measure.parts || measure.alone || whole < 1) continue
    const rest = base - whole * unit.factor
    for (const finer of schedule.slice(schedule.indexOf(measure) + 1)) {
      const more = finer.parts ? inMeasure(rest, finer, units, (near * base) / rest / 2) : null
      if (more) return `${printFraction(whole, 1)} ${spoken(unit, units, whole)} + ${more}`
    }
  }
  const finest = unitById(dimension === 'length' ? 'mm' : last(schedule).id)
  return decimal(base, finest)
}

/** In one measure, to the coarsest parts that are near enough; null where none of them is. */
function inMeasure(base: number, { id, parts }: Measure, units: UnitSystem, near: number): string | null {
  const unit = unitById(id)
  const amount = fromBase(base, unit)
  if (!parts) return decimal(base, unit)
  for (const part of amount >= 20 ? parts.slice(0, 1) : parts) {
    const rounded = Math.round(amount / part) * part
    // A half or a quarter that is right is worth more than a whole that is nearly so.
    const close =
      Math.abs(rounded - amount) <= Math.min(near, part === 1 && amount < 8 ? 0.02 : near) * amount
    if (rounded > 0 && close) return `${printFraction(rounded, part)} ${spoken(unit, units, rounded)}`
  }
  return null
}

const decimal = (base: number, unit: Unit) => {
  const amount = fromBase(base, unit)
  return `${printNumber(amount, Math.abs(amount) < 1 ? 2 : 3)} ${unit.symbol}`
}

/** In one's own kitchen a cup is a cup; more than one are cups. */
function spoken(unit: Unit, units: UnitSystem, amount: number): string {
  const short = unit.bare?.unitSystems.includes(units) ? firstOf(unit.bare.spellings) : unit.symbol
  return short.endsWith('cup') && amount > 1 ? `${short}s` : short
}
