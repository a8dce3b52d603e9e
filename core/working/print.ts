import { printNumber, printQuantity, printShare } from '../units/format'
import type { Kitchen } from '../units/unit'
import type { Figure } from './figure'

/** A figure as a person reads it: quantities in the kitchen's units, fractions as per cent. */
export function printFigure({ value, unit }: Pick<Figure, 'value' | 'unit'>, kitchen: Kitchen): string {
  switch (unit) {
    case 'L':
      return printQuantity(value, 'volume', kitchen)
    case 'mL':
      return printQuantity(value / 1000, 'volume', kitchen)
    case 'g':
      return printQuantity(value, 'mass', kitchen)
    case 'mm':
      return printQuantity(value, 'length', kitchen)
    case 'share':
      return printShare(value)
    default:
      return unit ? `${printNumber(value)} ${unit}` : printNumber(value)
  }
}

/** A formula set as on paper: `h / 6 · (A_top + 4 · A_mid)`, `4 · k · c²`, `√(…)`. */
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
