import { expect, it } from '@jest/globals'
import { dayFrom } from '../calendar/day'
import { airOfDay, type AirReading } from './air-of-day'

const ON = dayFrom('2027-03-09')
const hours = (from: number, to: number, ppfd: number | null = null): AirReading[] =>
  Array.from({ length: to - from + 1 }, (_, i) => ({
    hour: from + i,
    airC: 16 + ((from + i) % 2) * 4,
    humidity: 0.6,
    ppfd,
  }))

it('a day has a mean once eighteen hours of it were covered', () => {
  expect(airOfDay(ON, hours(3, 20))?.meanC).toBeNull()
  expect(airOfDay(ON, hours(3, 21))?.meanC).not.toBeNull()
  // Low and high are said of any part of a day.
  expect(airOfDay(ON, hours(9, 10))).toMatchObject({ lowC: 16, highC: 20, meanC: null })
})
it('its light is the mean over all 24 hours: 100 µmol/m²/s all day are 8.64 mol/m²', () => {
  expect(airOfDay(ON, hours(0, 23, 100))?.lightMol).toBeCloseTo(8.64, 9)
  expect(airOfDay(ON, hours(3, 20, 100))?.lightMol).toBeNull()
  expect(airOfDay(ON, hours(0, 23))?.lightMol).toBeNull()
})
it('more light than any sun gives is held at what a meter may still say', () => {
  // 80 mol/m² a day are 926 µmol/m²/s all day and night.
  expect(airOfDay(ON, hours(0, 23, 925))?.lightMol).toBeLessThan(80)
  expect(airOfDay(ON, hours(0, 23, 927))?.lightMol).toBe(80)
})
it('without a reading of the air there is no day', () =>
  expect(airOfDay(ON, [{ hour: 9, airC: null, humidity: 0.5, ppfd: 100 }])).toBeNull())
