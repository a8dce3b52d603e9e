import { describe, expect, it } from '@jest/globals'
import type { Verdict } from '#core/media/verdicts'
import { sayingFor } from './saying'
import { sayVerdict } from './mix'

const saying = (units: 'metric' | 'us') => sayingFor({ units, day: String })
const say = (id: Verdict['id'], says: Verdict['says'], units: 'metric' | 'us' = 'metric') =>
  sayVerdict({ id, says }, saying(units)).text
const ph = (kind: Extract<Verdict['says'], { low: number }>['kind'], limeGPerL: number, limedGPerL = 0) =>
  say('ph', { kind, low: 5.5, high: 6.3, limeGPerL, limedGPerL })

describe('verdicts on a mix in words', () => {
  it('say how much lime is missing, more of it where some is in, and none where none is', () => {
    expect(ph('acid', 2)).toMatch(/^Too acid: 5\.5–6\.3 is best\. About 2 g of dolomitic lime a litre/)
    expect(ph('acid', 1, 1)).toContain('About 1 g more of dolomitic lime')
    expect(ph('acid', 0.04, 2)).not.toContain('lime')
    expect(ph('too much lime', 0, 0.06)).toContain('none is needed')
    expect(ph('too much lime', 2, 12)).toMatch(/Limed with 12 g .* about 2 g is enough/)
  })

  it('name what brings the salts, with its share, and whole per cent of air', () => {
    const salts = { material: 'Home compost', share: 0.4512, germination: 1, seedlings: 2 }
    expect(say('salts', { kind: 'salty', ...salts })).toMatch(
      /^Home compost is 45 % .* under 1\.0, seedlings under 2\.0/,
    )
    expect(say('salts', { kind: 'too salty', ...salts })).toContain('potting on')
    expect(say('air', { kind: 'little air', least: 0.1, comfortable: 0.2 })).toMatch(
      /10 % to 20 % .*go light and pale/,
    )
  })

  it('are said in the units and the English of the household', () => {
    const text = say('ph', { kind: 'acid', low: 5.5, high: 6.3, limeGPerL: 2, limedGPerL: 0 }, 'us')
    expect(text).toContain('a gallon of mix')
  })
})
