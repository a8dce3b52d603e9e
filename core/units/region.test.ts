import { describe, expect, it } from '@jest/globals'
import { unitsOfRegion } from './region'

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
  ])('%s', (tag, units) => {
    expect(unitsOfRegion([tag])).toEqual({ units, region: new Intl.Locale(tag).region })
  })
  it('the first language with a region counts; without one nothing is guessed', () => {
    expect(unitsOfRegion(['en', 'en-US', 'de-DE'])).toEqual({ units: 'us', region: 'US' })
    expect(unitsOfRegion(['en', 'de'])).toEqual({ units: 'metric', region: null })
    expect(unitsOfRegion(['no language at all', ''])).toEqual({ units: 'metric', region: null })
  })
})
