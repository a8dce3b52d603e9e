import { sourcesOf } from '../../catalogue'
import { given } from '../../working/figure'
import { yours } from '../../working/source'
import type { DoseRequest } from '../dose'
import { FEED_FIGURES, type Feed, type FeedFigure } from '../feed'
import type { Tool } from '../tool'

/* A powder, tools and a jug for the tests of feed. */

const sources = sourcesOf(FEED_FIGURES, {} as Record<FeedFigure, unknown>, undefined, yours())
export const powder = (n: number, p: number, k: number, over: Partial<Feed> = {}): Feed => ({
  id: 'feed',
  name: 'feed',
  form: 'powder',
  nPercent: n,
  p2o5Percent: p,
  k2oPercent: k,
  densityGPerMl: 0.95,
  labelRatePerL: null,
  organic: false,
  sources,
  ...over,
})
export const amount = (value: number, unit: string) => given('given', value, unit, yours())
export const teaspoon: Tool = { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 }
export const syringe: Tool = { id: 's', name: '10 mL syringe', kind: 'syringe', capacityMl: 10 }
export const units: Tool = { id: 'k', name: 'kitchen scale', kind: 'kitchen scale', capacityMl: null }
export const pocket: Tool = { id: 'p', name: 'pocket scale', kind: 'pocket scale', capacityMl: null }
export const request = (over: Partial<DoseRequest> = {}): DoseRequest => ({
  feed: powder(20, 20, 20),
  growthStageId: 'true-leaves',
  targetNMgPerL: 60,
  vessel: { name: 'blue jug', volumeL: 2 },
  tools: [teaspoon, units],
  ...over,
})
