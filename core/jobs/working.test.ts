import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { batchSteps } from './batch-steps'
import { feedSteps } from './feed-steps'
import { waterSteps } from './water-steps'
import { planDose } from '../feed/dose'
import { FEEDS } from '../feed/feeds'
import { dissolvesNitrogen } from '../feed/feed'
import { follow } from '../water/follow'
import { outlookOf } from '../water/outlook'
import { conditions, store } from '../water/test/fixture'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { request, batch } from '../media/test/everything'

const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const

const doses = FEEDS.filter(dissolvesNitrogen).map((feed) =>
  planDose({
    feed,
    tools,
    growthStageId: 'seed-leaves',
    targetNMgPerL: 40,
    vessel: { name: 'jug', volumeL: 1 },
  }),
)

const litre = given('solution', 4, 'L', yours())

const followed = follow(
  store,
  { at: 0, contents: { waterL: store.capacityL.value, salts: 1, nitrogenMg: 9 }, sdL: 0.1 },
  (_, factor) => conditions({ factor }),
  [{ kind: 'felt', at: 30, feels: 'light' }],
  40,
  200,
)

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
