import { printFraction } from './fraction'
import type { Dimension, Kitchen, Unit } from './unit'
import { fromBase, unitById } from './unit-table'

/** A number as a person would write it: three significant digits, no trailing zeros, at most `decimals`. */
export function printNumber(value: number, significant = 3): string {
  if (value === 0) return '0'
  const size = Math.floor(Math.log10(Math.abs(value)))
  const rounded = size >= significant - 1 ? Math.round(value) : Number(value.toPrecision(significant))
  return String(rounded).replace('-', '−')
}

/** A fraction 0–1 as per cent: `62 %`. */
export function printShare(share: number): string {
  return `${printNumber(share * 100, Math.abs(share) < 0.1 ? 2 : 3)} %`
}

/** `amount` base units printed in one given unit: `2¾ US cup`, `650 mL`. */
export function printIn(base: number, unitId: string): string {
  const unit = unitById(unitId)
  const amount = fromBase(base, unit)
  return `${unit.fractions ? printFraction(amount, step(amount)) : printNumber(amount)} ${unit.symbol}`
}

/**
 * A quantity in the kitchen's own units, in the unit and to the step one would measure it with:
 * mL below a litre, teaspoons before cups, cups before gallons.
 *
 * @param base the quantity in L, mm, g or °C
 */
export function printQuantity(base: number, dimension: Dimension, kitchen: Kitchen): string {
  const unit = chooseUnit(Math.abs(base), dimension, kitchen)
  const amount = fromBase(base, unit)
  if (unit.fractions) return `${printFraction(amount, step(amount))} ${spoken(unit, kitchen, amount)}`
  if (dimension === 'temperature') return `${Math.round(amount)} ${unit.symbol}`
  return `${printNumber(amount, Math.abs(amount) < 1 ? 2 : 3)} ${unit.symbol}`
}

/** The same quantity in the kitchen's units and in the other system's: `2¾ cups`, `650 mL`. */
export function printBoth(
  base: number,
  dimension: Dimension,
  kitchen: Kitchen,
): [own: string, other: string] {
  return [
    printQuantity(base, dimension, kitchen),
    printQuantity(base, dimension, kitchen === 'metric' ? 'us' : 'metric').replace(
      /^(\S+) (cups?|tsp|tbsp|fl oz|gal|qt|pt)$/,
      '$1 US $2',
    ),
  ]
}

type Ladder = readonly (readonly [fromBase: number, unitId: string])[]

/** From which size on (in base units) each unit is the handy one. */
const LADDERS: Readonly<Record<Dimension, Readonly<Record<Kitchen, Ladder>>>> = {
  volume: {
    metric: [
      [0, 'mL'],
      [0.9995, 'L'],
    ],
    us: [
      [0, 'us-tsp'],
      [0.0147, 'us-tbsp'],
      [0.0591, 'us-cup'],
      [1.89, 'us-gal'],
    ],
    imperial: [
      [0, 'metric-tsp'],
      [0.0149, 'metric-tbsp'],
      [0.056, 'imp-floz'],
      [0.284, 'imp-pt'],
      [4.54, 'imp-gal'],
    ],
  },
  length: {
    metric: [
      [0, 'mm'],
      [100, 'cm'],
      [1000, 'm'],
    ],
    us: [
      [0, 'in'],
      [610, 'ft'],
    ],
    imperial: [
      [0, 'in'],
      [610, 'ft'],
    ],
  },
  mass: {
    metric: [
      [0, 'mg'],
      [0.1, 'g'],
      [999.5, 'kg'],
    ],
    us: [
      [0, 'oz'],
      [453, 'lb'],
    ],
    imperial: [
      [0, 'oz'],
      [453, 'lb'],
    ],
  },
  temperature: { metric: [[0, 'C']], us: [[0, 'F']], imperial: [[0, 'C']] },
}

function chooseUnit(size: number, dimension: Dimension, kitchen: Kitchen): Unit {
  const ladder = LADDERS[dimension][kitchen]
  return unitById(ladder.findLast(([from]) => size >= from)?.[1] ?? ladder[0]![1])
}

/** In one's own kitchen a cup is a cup; more than one are cups. */
function spoken(unit: Unit, kitchen: Kitchen, amount: number): string {
  const short = unit.bare?.kitchens.includes(kitchen) ? unit.bare.spellings[0]! : unit.symbol
  return short.endsWith('cup') && amount > 1.12 ? `${short}s` : short
}

/** Finest part of a unit that is worth measuring at this size. */
function step(amount: number): number {
  const size = Math.abs(amount)
  if (size < 4) return 1 / 8
  if (size < 8) return 1 / 4
  if (size < 20) return 1 / 2
  return 1
}
