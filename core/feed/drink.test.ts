import { expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { solutionFor, vesselsToCarry } from './drink'

const figure = (value: number, unit = '') => given('x', value, unit, yours())

it('a tray drinks what its mix has lost, and a little is left over: worked by hand', () => {
  const tray = { ...CONTAINERS.find(({ id }) => id === 'tray-72')!, measuredVolumeMl: 45 }
  const physics = { easilyAvailableWater: figure(0.2, 'share') }
  // 2 · 72 · 45 mL · 0.2 · 0.45 · 1.15
  expect(solutionFor(tray, 2, physics).value).toBeCloseTo(2 * 72 * 0.045 * 0.2 * 0.45 * 1.15, 9)
  expect(vesselsToCarry(figure(18.1, 'L'), figure(9, 'L')).value).toBe(3)
  expect(vesselsToCarry(figure(18, 'L'), figure(9, 'L')).value).toBe(2)
})
