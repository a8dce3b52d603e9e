import type { Day } from '#core/calendar/day'
import type { English } from '#core/sowing/regional-names'
import { englishOf } from '#core/sowing/regional-names'
import { printNumber, printQuantity } from '#core/units/format'
import { saidIn } from '#core/units/said'
import type { UnitSystem } from '#core/units/unit'
import { inWordsOf } from './message'

/** How a household says amounts, days and words: one for screen, paper and answers of the server. */
export interface Saying {
  readonly english: English
  readonly volume: (l: number) => string
  /** As it is poured by hand: two digits are enough. */
  readonly aboutVolume: (l: number) => string
  readonly length: (mm: number) => string
  readonly mass: (g: number) => string
  readonly temperature: (celsius: number) => string
  readonly day: (day: Day) => string
  /** A strength of nitrogen: ppm where people say so, else mg/L. */
  readonly strength: (nMgPerL: number) => string
  /** What a strength of nitrogen is counted in. */
  readonly nitrogenUnit: 'ppm N' | 'mg/L N'
  /** What anything dissolved in water is counted in. */
  readonly litreUnit: 'ppm' | 'mg/L'
  /** A sentence or a name that states amounts, in the household's own measures and words. */
  readonly said: (text: string) => string
}

/** To the whole degree that is read, °C. */
const wholeDegrees = (celsius: number, thermometer: UnitSystem): number =>
  thermometer === 'us' ? ((Math.round((celsius * 9) / 5 + 32) - 32) * 5) / 9 : Math.round(celsius)

/**
 * @param day how a day is written
 * @param thermometer whose degrees are read
 * @param locale language region, where one was chosen
 */
export function sayingFor({
  units,
  thermometer = units,
  locale = null,
  day,
}: {
  readonly units: UnitSystem
  readonly thermometer?: UnitSystem
  readonly locale?: string | null | undefined
  readonly day: (day: Day) => string
}): Saying {
  const english = englishOf(locale, units)
  const litreUnit = english === 'american' ? 'ppm' : 'mg/L'
  const nitrogenUnit = `${litreUnit} N` as const
  return {
    english,
    litreUnit,
    nitrogenUnit,
    volume: (l) => printQuantity(l, 'volume', units),
    aboutVolume: (l) => printQuantity(Number(l.toPrecision(2)), 'volume', units),
    length: (mm) => printQuantity(mm, 'length', units),
    mass: (g) => printQuantity(g, 'mass', units),
    temperature: (celsius) => printQuantity(wholeDegrees(celsius, thermometer), 'temperature', thermometer),
    day,
    strength: (mg) => `${printNumber(Math.round(mg))} ${nitrogenUnit}`,
    said: (text) => inWordsOf(english, saidIn(units, text, thermometer)),
  }
}
