import { describe, expect, it } from '@jest/globals'
import { planBatch } from './batch'
import { batchProblems, DEFAULT_ALLOWANCES, type BatchRequest } from './batch-request'
import { fill, request } from './test/fixture'

describe('what cannot be planned is named at its field', () => {
  const fields = (over: Partial<BatchRequest>) =>
    batchProblems(request(over)).map(({ path }) => path.join('.'))

  it.each<[string, Partial<BatchRequest>, string]>([
    ['an empty recipe', { parts: [] }, 'parts'],
    ['zero parts', { parts: [{ materialId: 'coir', parts: 0 }] }, 'parts.0.parts'],
    [
      'negative parts',
      {
        parts: [
          { materialId: 'coir', parts: 3 },
          { materialId: 'peat', parts: -1 },
        ],
      },
      'parts.1.parts',
    ],
    [
      'a material twice',
      {
        parts: [
          { materialId: 'coir', parts: 3 },
          { materialId: 'coir', parts: 1 },
        ],
      },
      'parts.1.materialId',
    ],
    ['nothing to fill', { fills: [] }, 'fills'],
    ['an unknown material', { parts: [{ materialId: 'dust', parts: 1 }] }, 'parts.0.materialId'],
    ['lime by the part', { parts: [{ materialId: 'dolomitic-lime', parts: 1 }] }, 'parts.0.materialId'],
    ['extras without end', { extras: [{ materialId: 'rock-dust', gPerL: 1e4 }] }, 'extras.0.gPerL'],
    ['a tub smaller than a scoop', { tubL: 0.4 }, 'tubL'],
    ['a million trays', { fills: [fill('tray-72', 1e6)] }, 'fills.0.count'],
    ['half a tray', { fills: [fill('tray-72', 1.5)] }, 'fills.0.count'],
    ['a cover deeper than half the cell', { fills: [fill('tray-72', 1, 40)] }, 'fills.0.coverMm'],
    ['a scoop of nothing', { scoop: { name: 'scoop', volumeL: 0 } }, 'scoop.volumeL'],
    ['spare below nothing', { allowances: { ...DEFAULT_ALLOWANCES, spare: -0.1 } }, 'allowances.spare'],
  ])('%s', (_, over, field) => {
    expect(fields(over)).toContain(field)
    expect(() => planBatch(request(over))).toThrow(RangeError)
  })
})
