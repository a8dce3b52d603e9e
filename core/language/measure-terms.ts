import { at as elementAt } from '../numeric/at'
import type { UnitSystem } from '../units/unit'
import { countAt, figure, numberAt, wholeAt } from './numbers'
import type { Term } from './pattern'
import { bareQuantity, quantity } from './quantities'

/** Numbers, and numbers with their units: all that is read without knowing a household. */
export const measureTerms = (units: UnitSystem): Record<string, Term> => ({
  number: numberAt,
  whole: wholeAt,
  count: countAt,
  volume: quantity('volume', units),
  mass: quantity('mass', units),
  length: quantity('length', units),
  temperature: quantity('temperature', units),
  'bare-volume': bareQuantity('volume', units),
  figure: ({ tokens }, at) => {
    const value = tokens[at]?.kind === 'number' ? figure(elementAt(tokens, at).plain) : undefined
    return value === undefined ? [] : [{ to: at + 1, value }]
  },
})
