import { QUANTITIES, type Quantity } from '#core/readings/kinds'
import { printNumber } from '#core/units/format'

/** A reading in words, in the household's measures. */
export function useReadingWords() {
  const { temperature, mass } = useMeasures()
  return {
    printReading(quantity: Quantity, value: number): string {
      if (quantity === 'temperature') return temperature(value)
      // A pan that is empty flickers about nothing.
      if (quantity === 'mass') return Math.abs(value) < 0.005 ? mass(0).replace('mg', 'g') : mass(value)
      return `${printNumber(value, 3)} ${QUANTITIES[quantity].unit}`
    },
  }
}
