import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { outlookOf } from './outlook'
import { reservoirOf } from './reservoir'
import { conditions, store } from './test/fixture'
import { followed } from './test/followed'

const wet = [
  store,
  [-5, 0, 12].flatMap((daysUp) =>
    [true, false].map((covered) =>
      outlookOf(followed, conditions({ daysUp, covered }), { endOfDay: 48, large: false }),
    ),
  ),
  reservoirOf(4, 0.15, 0.3),
]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('the water of a tray', () => expectWorked(wet))
})
