import { expect, it } from '@jest/globals'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planInjector } from './injector'

const figure = (value: number, unit = '') => given('x', value, unit, yours())

it('an injector of 1 in 100 wants a hundred times the strength in a hundredth of the water', () => {
  const plan = planInjector(figure(0.5, 'g/L'), figure(200, 'L'), 100)
  expect([plan.concentrateGPerL.value, plan.concentrateL.value, plan.dissolves]).toEqual([50, 2, true])
  expect(planInjector(figure(1.5, 'g/L'), figure(200, 'L'), 100).dissolves).toBe(false)
  expect(() => planInjector(figure(1), figure(1), 1)).toThrow(/ratio/)
})
