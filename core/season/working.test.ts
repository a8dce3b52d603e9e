import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { addDays, dayFrom } from '../calendar/day'
import { plan, row } from './test/fixture'
import { CROPS } from '../sowing/crops'

const season = CROPS.map(({ id }) => row(id, id))

const sown = dayFrom('2027-04-01')

const learned = [
  // A packet that was counted, losses of one's own, and the warmth that was measured.
  [0, 6, 30].map((measured) =>
    plan('tomato', {
      done: { 'stage-0': sown },
      counted: { share: 0.62, n: 3, years: 1 },
      losses: { share: 0.08, n: 2 },
      warmth: () => new Map(Array.from({ length: measured }, (_, i) => [addDays(sown, i), 12 + (i % 9)])),
    }),
  ),
]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('a sowing of every crop', () => expectWorked(season))
  it('what was learned', () => expectWorked(learned))
})
