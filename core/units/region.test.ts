import { describe, expect, it } from '@jest/globals'
import { kitchenOfRegion } from './region'

describe('the kitchen of a region', () => {
  // Unicode CLDR, supplemental measurement data: US for the United States, Liberia and Myanmar, UK for Great Britain.
  it.each([
    ['en-US', 'us'],
    ['es-US', 'us'],
    ['my-MM', 'us'],
    ['en-LR', 'us'],
    ['en-GB', 'imperial'],
    ['cy-GB', 'imperial'],
    ['en-IE', 'metric'],
    ['en-AU', 'metric'],
    ['fr-CA', 'metric'],
    ['de-AT', 'metric'],
    ['zh-Hant-TW', 'metric'],
  ])('%s', (tag, kitchen) => {
    expect(kitchenOfRegion([tag])).toEqual({ kitchen, region: new Intl.Locale(tag).region })
  })
  it('the first language with a region counts; without one nothing is guessed', () => {
    expect(kitchenOfRegion(['en', 'en-US', 'de-DE'])).toEqual({ kitchen: 'us', region: 'US' })
    expect(kitchenOfRegion(['en', 'de'])).toEqual({ kitchen: 'metric', region: null })
    expect(kitchenOfRegion(['no language at all', ''])).toEqual({ kitchen: 'metric', region: null })
  })
})
