import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { planBatch } from './batch'
import {
  batchProblems,
  COVER_IS_THE_MIX,
  DEFAULT_ALLOWANCES,
  plainBatch,
  type BatchRequest,
  type Fill,
} from './batch-request'
import { BUILT_IN } from './materials'

const container = (id: string) => CONTAINERS.find((candidate) => candidate.id === id)!
const fill = (id: string, count: number, coverMm = 0, coverMaterialId = COVER_IS_THE_MIX): Fill => ({
  container: container(id),
  count,
  coverMm,
  coverMaterialId,
})
const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [fill('tray-72', 2)],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'yoghurt pot', volumeL: 0.5 },
  ...plainBatch(),
  materials: BUILT_IN,
  ...over,
})

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
