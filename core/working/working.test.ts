import { expect, it } from '@jest/globals'
import { withNumbers } from './explain'
import { derive, given, total } from './figure'
import { printFigure, printFormula } from './print'
import { yours } from './source'

it('puts the numbers into the formula, functions and constants left alone', () => {
  const h = given('h', 57, 'mm', yours())
  const figure = derive('x', '', 'round(pi * h_1 / 6)', { h_1: h }, ({ h_1 }) =>
    Math.round((Math.PI * h_1) / 6),
  )
  expect(withNumbers(figure)).toBe('round(pi * 57 / 6)')
  expect(withNumbers(h)).toBe('')
})

it.each([
  [{ value: 8.321, unit: 'L' }, 'metric', '8.32 L'],
  [{ value: 0.65, unit: 'L' }, 'us', '2¾ cups'],
  [{ value: 45.9, unit: 'mL' }, 'metric', '45.9 mL'],
  [{ value: 410, unit: 'g' }, 'metric', '410 g'],
  [{ value: 57, unit: 'mm' }, 'us', '2¼ in'],
  [{ value: 0.0638, unit: 'share' }, 'us', '6 %'],
  [{ value: 83.01, unit: 'mg/L' }, 'imperial', '83 mg/L'],
  [{ value: 144, unit: '' }, 'metric', '144'],
] as const)('prints %j in a %s kitchen as %s', (figure, units, text) => {
  expect(printFigure(figure, units)).toBe(text)
})

it('sets a formula as on paper', () => {
  expect(printFormula('sqrt(e_1^2 + e_12^2) * pi - 4 * k')).toBe('√(e₁² + e₁₂²) · π − 4 · k')
})

it('sums nothing to 0 and refuses what is no number', () => {
  expect(total('nothing', 'L', []).value).toBe(0)
  expect(() => derive('x', '', '1 / 0', {}, () => 1 / 0)).toThrow(/x: 1 \/ 0/)
})
