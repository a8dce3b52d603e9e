import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { follow } from './follow'
import { outlookOf } from './outlook'
import { reservoirOf } from './reservoir'
import { conditions, store } from './test/fixture'

const followed = follow(
  store,
  { at: 0, contents: { waterL: store.capacityL.value, salts: 1, nitrogenMg: 9 }, sdL: 0.1 },
  (_, factor) => conditions({ factor }),
  [{ kind: 'felt', at: 30, feels: 'light' }],
  40,
  200,
)

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
