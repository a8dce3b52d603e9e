import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { dailyLight, heightFor, ppfdAt } from './light'

const lamp = { ppfd: 210, atCm: 30, radiusCm: 30 }

const light = [10, 30, 60].map((cm) => [
  dailyLight(ppfdAt(lamp, cm), 16),
  dailyLight(ppfdAt({ ...lamp, radiusCm: 0 }, cm), 12),
  heightFor(lamp, 16, 12),
])

describe('the working of every figure, done again by an independent evaluator', () => {
  it('light', () => expectWorked(light))
})
