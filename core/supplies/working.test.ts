import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { MATERIALS } from '../media/materials'
import { costOf } from './cost'
import { comesPressed, packHolds } from './goods'
import { needsOfBatch } from './needs'
import { batch, layered } from '../media/test/everything'
import { FEEDS } from '../feed/feeds'

const goods = [
  ...MATERIALS.map((material) => ({ kind: 'material' as const, material })),
  ...FEEDS.map((feed) => ({ kind: 'feed' as const, feed })),
].flatMap((one) =>
  (['loose', 'mass', ...(comesPressed(one) ? ['pressed' as const] : [])] as const).map((measure) =>
    packHolds({ measure, amount: 7 }, one),
  ),
)

const shelf = [costOf(batch, ({ id }) => id.length / 3), needsOfBatch(batch), needsOfBatch(layered)]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('a pack of everything there is', () => expectWorked(goods))
  it('what a batch takes and costs', () => expectWorked(shelf))
})
