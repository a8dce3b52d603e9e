import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { CONTAINERS } from '../containers/catalogue'
import { DEFAULT_ALLOWANCES } from './batch-request'
import { planBatch } from './batch'
import { physicsIn } from './container-physics'
import { daysOfFood } from './food'
import { soakForFibre } from './hydration'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { batch, layered, request } from './test/everything'

const media = CONTAINERS.slice(0, 6).map((container) => physicsIn(container, batch))

const food = [20, 900].map((ml) => daysOfFood(batch.chemistry, given('cell', ml, 'mL', yours()), 'medium'))

const learnedMix = [
  planBatch({
    ...request,
    allowances: { ...DEFAULT_ALLOWANCES, mixingLossK: 0.13, learned: { mixingLossK: 4 } },
  }),
  soakForFibre(given('Fibre wanted', 9, 'L', yours()), { lPerKg: 14.2, n: 3 }),
]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('a batch of every material in every container', () => expectWorked(batch))
  it('air, water and food', () => expectWorked([media, food]))
  it('layers, sieve and hot water', () => expectWorked(layered))
  it('what was learned', () => expectWorked(learnedMix))
})
