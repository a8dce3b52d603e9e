import { expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { FEEDS } from './feeds'
import { forPlantingHole, granularFor, topDressDays } from './granular'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!

it('granules go by the litre of mix and by the planting hole', () => {
  const granules = { ...feed('granular-5'), densityGPerMl: 0.75 }
  const pot = { ...CONTAINERS.find(({ id }) => id === 'pot-10cm')!, measuredVolumeMl: 500 }
  const dose = granularFor(granules, 3, pot)
  expect([dose.perPotG.value, dose.perPotMl.value]).toEqual([1.5, 2])
  // 3 g/L · 5 % · half let go
  expect(dose.nitrogenMgPerL.value).toBeCloseTo(75, 9)
  expect(forPlantingHole(granules, 10).massG.value).toBe(30)
  expect(topDressDays(90)).toEqual([42, 84])
})
