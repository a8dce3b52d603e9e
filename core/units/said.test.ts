import { describe, expect, it } from '@jest/globals'
import { saidIn } from './said'

describe('a sentence in the measures of a kitchen', () => {
  // By hand: 37.8541 L / 3.78541 = 10 gal, 4.92892 mL = 1 tsp, 25.4 mm = 1 in, 5 °C = 41 °F, 40 °C = 104 °F.
  it.each([
    ['A cover is at most 25.4 mm.', /^A cover is at most 1 in\.$/],
    ['A mix is kept between 5 and 40 °C.', /^A mix is kept between 41 °F and 104 °F\.$/],
    ['A can of 4.92892 mL to 37.8541 L', /^A can of 1 tsp to 10 gal$/],
  ])('%s', (text, told) => {
    expect(saidIn('us', text)).toMatch(told)
    expect(saidIn('metric', text)).toBe(text)
  })

  // By hand: 3 g/L · 3.785 L = 11.36 g = 0.4 oz; printed within a twentieth.
  it('says a rate by the gallon where mixes are measured so', () => {
    const text = 'About 7.5 g of dolomitic lime a litre of mix brings it there.'
    expect(saidIn('us', text)).toBe('About 1 oz of dolomitic lime a gallon of mix brings it there.')
    expect(saidIn('imperial', text)).toBe(text)
  })

  it('leaves rates and counts as they are', () => {
    for (const text of ['A rate is 0.01 to 50 g/L.', '3 mL/L of feed', 'Leave 14 days, 90 %.'])
      expect(saidIn('us', text)).toBe(text)
  })
})
