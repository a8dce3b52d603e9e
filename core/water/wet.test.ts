import { expect, it } from '@jest/globals'
import { wetRisk } from './wet'

it('warns from four wet days of seven, once plants are up', () => {
  expect(wetRisk(3, 3, 20, 0.1)).toBeNull()
  expect(wetRisk(4, 3, 20, 0.1)?.damping).toContain('Wet on 4 of the last 7 days')
  expect(wetRisk(7, -1, 20, 0.1)).toBeNull()
  expect(wetRisk(7, 0, 20, 0.1)?.damping).toContain('these are 0 days up')
})
it('speaks of the neck for a fortnight, and of warmth below 18 °C', () => {
  expect(wetRisk(4, 14, 20, 0.1)?.damping).toMatch(/neck/)
  expect(wetRisk(4, 15, 20, 0.1)?.damping).not.toMatch(/neck/)
  expect(wetRisk(4, 3, 17.9, 0.1)?.todo).toContain('Stand it warmer.')
  expect(wetRisk(4, 3, 18, 0.1)?.todo).not.toContain('Stand it warmer.')
})
