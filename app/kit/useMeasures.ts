import { first } from '#core/numeric/at'
import { useHousehold } from '~/household/household'
import { printQuantity } from '#core/units/format'
import { saidIn } from '#core/units/said'

/** Amounts in the household's own measures, for what is said in a sentence. */
export function useMeasures() {
  const household = useHousehold()
  return {
    volume: (litres: number) => printQuantity(litres, 'volume', household.units),
    /** As much of it as a label on a chart has room for: one measure, no second. */
    roughVolume: (litres: number) => first(printQuantity(litres, 'volume', household.units).split(' + ')),
    /** As it is poured by hand: two digits are enough. */
    aboutVolume: (litres: number) => printQuantity(Number(litres.toPrecision(2)), 'volume', household.units),
    length: (mm: number) => printQuantity(mm, 'length', household.units),
    mass: (g: number) => printQuantity(g, 'mass', household.units),
    /** A sentence of the rules, its amounts in these measures. */
    said: (text: string) => saidIn(household.units, text, household.thermometer),
    temperature: (celsius: number) => printQuantity(celsius, 'temperature', household.thermometer),
  }
}
