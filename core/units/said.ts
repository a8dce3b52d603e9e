import { present } from '../present'
import { printQuantity } from './format'
import type { Dimension, UnitSystem } from './unit'
import { convert } from './unit-table'

/** Units in which the rules of the trade are stated, with what one of them is in the base unit. */
const STATED: Readonly<Record<string, readonly [Dimension, number]>> = {
  L: ['volume', 1],
  mL: ['volume', 0.001],
  mm: ['length', 1],
  cm: ['length', 10],
  '°C': ['temperature', 1],
}
const AMOUNT =
  /(\d+(?:\.\d+)?)(?: (L|mL|mm|cm|°C))?( (?:to|and) )(\d+(?:\.\d+)?) (L|mL|mm|cm|°C)(?![\w/·])|(\d+(?:\.\d+)?) (L|mL|mm|cm|°C)(?![\w/·])/g

/** So many grams in a litre are so many in a gallon, where mixes are measured by the gallon. */
const RATE = /(\d+(?:\.\d+)?) g((?: of [a-z ]+?)?) a litre\b/g
const US_GALLON_L = convert(1, 'us-gal', 'L')

/**
 * A sentence with its amounts in the measures of a kitchen: `A tub holds 1 to 2000 L` becomes `A tub holds 1 qt to 528 gal`.
 * Rules are stated in litres, millimetres and °C; a rate (g/L) stays as it is.
 */
export function saidIn(units: UnitSystem, text: string, thermometer: UnitSystem = units): string {
  if (units === 'metric' && thermometer === 'metric') return text
  const print = (value: string, unit: string) => {
    const [dimension, inBase] = present(STATED[unit])
    // What stays as it is written is not rounded anew.
    const own = dimension === 'temperature' ? thermometer : units
    return own === 'metric' ? `${value} ${unit}` : printQuantity(Number(value) * inBase, dimension, own)
  }
  const perGallon = (_: string, grams: string, what: string) =>
    `${printQuantity(Number(grams) * US_GALLON_L, 'mass', units)}${what} a gallon`
  return (units === 'us' ? text.replace(RATE, perGallon) : text).replace(
    AMOUNT,
    (
      _,
      low?: string,
      lowUnit?: string,
      joins?: string,
      high?: string,
      unit?: string,
      one?: string,
      of?: string,
    ) =>
      low
        ? `${print(low, lowUnit ?? present(unit))}${joins}${print(present(high), present(unit))}`
        : print(present(one), present(of)),
  )
}
