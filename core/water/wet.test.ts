import { expect, it } from '@jest/globals'
import { wetRisk } from './wet'

it('warns from four wet days of seven, once plants are up', () => {
  expect(wetRisk(3, 3, 20, 0.1)).toBeNull()
  expect(wetRisk(4, 3, 20, 0.1)).toMatchObject({ wetDays: 4, airShare: 0.1 })
  expect(wetRisk(7, -1, 20, 0.1)).toBeNull()
  expect(wetRisk(7, 0, 20, 0.1)?.youngDays).toBe(0)
})
it('speaks of the neck for a fortnight, and of warmth below 18 °C', () => {
  expect([14, 15].map((daysUp) => wetRisk(4, daysUp, 20, 0.1)?.youngDays)).toEqual([14, null])
  expect([17.9, 18].map((mixC) => wetRisk(4, 3, mixC, 0.1)?.coldC)).toEqual([17.9, null])
})
