import { printFraction } from '../units/fraction'
import { printNumber, printQuantity, printShare } from '../units/format'
import type { UnitSystem } from '../units/unit'
import type { Figure } from './figure'

/**
 * A figure as a person reads it: quantities in the kitchen's units, fractions as per cent.
 *
 * @example printFigure({ value: 8.321, unit: 'L' }, 'metric') // '8.32 L'
 */
export function printFigure(
  { value, unit }: Pick<Figure, 'value' | 'unit'>,
  units: UnitSystem,
  thermometer: UnitSystem = units,
): string {
  switch (unit) {
    case 'L':
      return printQuantity(value, 'volume', units)
    case 'mL':
      return printQuantity(value / 1000, 'volume', units)
    case 'g':
      return printQuantity(value, 'mass', units)
    case 'mm':
      return printQuantity(value, 'length', units)
    case 'cm':
      return printQuantity(value * 10, 'length', units)
    case '°C':
      return printQuantity(value, 'temperature', thermometer)
    case 'hours':
      return printHours(value)
    case 'share':
      return printShare(value)
    case 'days': {
      // Nobody waits for tenths of a day.
      const printed = value > 0 && value < 1 ? 'under 1' : printNumber(Math.round(value))
      return `${printed} ${printed === '1' || printed === 'under 1' ? 'day' : 'days'}`
    }
    default:
      return unit ? `${printNumber(value)} ${unit}` : printNumber(value)
  }
}

/** How long one waits, as it is said: `20 minutes`, `2½ hours`. */
export function printHours(hours: number): string {
  const minutes = hours * 60
  if (minutes < 50) return `${Math.max(5, Math.round(minutes / 5) * 5)} minutes`
  const rounded = hours < 10 ? Math.round(hours * 2) / 2 : Math.round(hours)
  return `${printFraction(rounded, 0.5)} ${rounded === 1 ? 'hour' : 'hours'}`
}

/**
 * A formula set as on paper: `h / 6 · (A_top + 4 · A_mid)`, `4 · k · c²`, `√(…)`.
 *
 * @example printFormula('a * b_1^2') // 'a · b₁²'
 */
export function printFormula(formula: string): string {
  return formula
    .replaceAll('*', '·')
    .replace(/\bpi\b/g, 'π')
    .replace(/\bsqrt\(/g, '√(')
    .replace(/\^2/g, '²')
    .replace(/ - /g, ' − ')
    .replace(/_(\d+)/g, (_, digits: string) =>
      [...digits].map((digit) => '₀₁₂₃₄₅₆₇₈₉'[Number(digit)]).join(''),
    )
}
