import { expect, it } from '@jest/globals'
import { blendWithRain, rainForAlkalinity } from './water'

it('rain thins tap water in proportion, and the least share that is enough is found', () => {
  const tap = { ecMsPerCm: 0.8, alkalinityMgPerL: 305 }
  expect(blendWithRain(tap, 0.5).alkalinityMgPerL.value).toBeCloseTo(155, 9)
  expect(blendWithRain(tap, 0).drift).toBe('up')
  const share = rainForAlkalinity(tap)
  expect(blendWithRain(tap, share).alkalinityMgPerL.value).toBeCloseTo(150, 9)
  expect(blendWithRain(tap, share - 0.01).drift).toBe('up')
  expect(rainForAlkalinity({ ecMsPerCm: 0.3, alkalinityMgPerL: 100 })).toBe(0)
})
