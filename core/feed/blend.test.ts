import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { BLEND_ELEMENTS, blendFeeds, clash, concentratesOf, perGram } from './blend'
import { FEEDS } from './feeds'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!

describe('a blend of several feeds', () => {
  const salts = [
    'calcium-nitrate',
    'potassium-nitrate',
    'monopotassium-phosphate',
    'magnesium-sulphate',
    'ammonium-sulphate',
  ].map(feed)

  it('reaches what can be reached, exactly', () => {
    const grams = [0.6, 0.3, 0.15, 0.4, 0.1]
    const wanted = Object.fromEntries(
      BLEND_ELEMENTS.map((element) => [
        element,
        salts.reduce((sum, one, i) => sum + perGram(one)[element] * grams[i]!, 0),
      ]),
    ) as ReturnType<typeof perGram>
    const blend = blendFeeds(salts, wanted)
    expect(blend.missMgPerL).toBeLessThan(1e-3)
    for (const { feed: one, gPerL } of blend.lines)
      expect(gPerL).toBeCloseTo(grams[salts.findIndex(({ id }) => id === one.id)]!, 4)
  })

  it('is the nearest there is: the conditions of Karush, Kuhn and Tucker hold', () => {
    const want = fc.double({ min: 0, max: 250, noNaN: true })
    fc.assert(
      fc.property(
        fc.subarray(
          FEEDS.filter(({ form }) => form === 'powder'),
          { minLength: 1, maxLength: 6 },
        ),
        fc.tuple(want, want, want, want, want),
        (feeds, [N, P, K, Ca, Mg]) => {
          fc.pre(N + P + K + Ca + Mg > 1)
          const wanted = { N, P, K, Ca, Mg }
          const blend = blendFeeds(feeds, wanted)
          for (const one of feeds) {
            const row = perGram(one)
            const gradient = BLEND_ELEMENTS.reduce((sum, e) => sum + row[e] * (blend.gives[e] - wanted[e]), 0)
            const size = Math.hypot(...BLEND_ELEMENTS.map((e) => row[e])) * Math.hypot(N, P, K, Ca, Mg)
            const used = blend.lines.some(({ feed: other }) => other.id === one.id)
            if (used) expect(Math.abs(gradient) / size).toBeLessThan(1e-4)
            else expect(gradient / size).toBeGreaterThan(-1e-4)
          }
        },
      ),
    )
  })

  it('never lets calcium meet sulphate or phosphate in one bottle', () => {
    fc.assert(
      fc.property(fc.subarray([...FEEDS]), (feeds) => {
        const { a, b } = concentratesOf(feeds)
        expect([...a, ...b].map(({ id }) => id).sort()).toEqual(feeds.map(({ id }) => id).sort())
        // A feed that clashes with itself alone is one bottle's matter of its maker.
        const simple = feeds.filter((one) => !((one.caPercent ?? 0) > 0 && one.p2o5Percent > 0))
        const { a: first, b: second } = concentratesOf(simple)
        for (const bottle of [first, second])
          for (const one of bottle) for (const other of bottle) expect(clash(one, other)).toBe(false)
      }),
    )
    expect(clash(feed('calcium-nitrate'), feed('magnesium-sulphate'))).toBe(true)
    expect(clash(feed('calcium-nitrate'), feed('monopotassium-phosphate'))).toBe(true)
    expect(clash(feed('potassium-nitrate'), feed('calcium-nitrate'))).toBe(false)
  })
})
