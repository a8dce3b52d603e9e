import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { batchSteps } from './batch-steps'
import { feedSteps } from './feed-steps'
import { waterSteps } from './water-steps'
import { outlookOf } from '../water/outlook'
import { conditions } from '../water/test/fixture'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { request, batch } from '../media/test/everything'
import { doses } from '../feed/test/doses'
import { followed } from '../water/test/followed'

const litre = given('solution', 4, 'L', yours())

const bench = [
  batchSteps(batch, request),
  feedSteps(doses[0]!, { feedName: 'Feed', vesselName: 'jug', vesselL: litre, toolId: null }),
  waterSteps(
    [
      {
        id: 'tray',
        name: 'tray 1',
        what: 'okra',
        place: 'Shelf',
        outlook: outlookOf(followed, conditions(), { endOfDay: 48, large: false }),
      },
    ],
    9,
  ),
]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('the steps of a job', () => expectWorked(bench))
})
