import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { BLEND_ELEMENTS, blendFeeds, clash, concentratesOf, EXACTLY, perGram } from './blend'
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
    for (const element of BLEND_ELEMENTS) expect(Math.abs(blend.misses[element])).toBeLessThan(1e-4)
    for (const { feed: one, gPerL } of blend.lines)
      expect(gPerL).toBeCloseTo(grams[salts.findIndex(({ id }) => id === one.id)]!, 4)
  })

  it('is the nearest there is: the conditions of Karush, Kuhn and Tucker hold', () => {
    const want = fc.double({ min: 0, max: 250, noNaN: true })
    fc.assert(
      fc.property(
        fc.subarray(
          FEEDS.filter((one) => one.form === 'powder' && BLEND_ELEMENTS.some((e) => perGram(one)[e] > 0)),
          { minLength: 1, maxLength: 6 },
        ),
        fc.tuple(want, want, want, want, want),
        (feeds, [N, P, K, Ca, Mg]) => {
          fc.pre(N + P + K + Ca + Mg > 1)
          const wanted = { N, P, K, Ca, Mg }
          const blend = blendFeeds(feeds, wanted)
          for (const one of feeds) {
            const row = perGram(one)
            // Each miss weighed against what is wanted of it; 5 mg/L where less is.
            const w = (e: keyof typeof wanted) => 1 / Math.max(wanted[e], 5) ** 2
            const gradient = BLEND_ELEMENTS.reduce(
              (sum, e) => sum + w(e) * row[e] * (blend.gives[e] - wanted[e]),
              0,
            )
            const size =
              Math.hypot(...BLEND_ELEMENTS.map((e) => row[e] * Math.sqrt(w(e)))) *
              Math.hypot(...BLEND_ELEMENTS.map((e) => wanted[e] * Math.sqrt(w(e))))
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
        const { a, b, alone } = concentratesOf(feeds)
        expect([...a, ...b, ...alone].map(({ id }) => id).sort()).toEqual(feeds.map(({ id }) => id).sort())
        for (const bottle of [a, b])
          for (const one of bottle) for (const other of bottle) expect(clash(one, other)).toBe(false)
      }),
    )
    expect(clash(feed('calcium-nitrate'), feed('magnesium-sulphate'))).toBe(true)
    expect(clash(feed('calcium-nitrate'), feed('monopotassium-phosphate'))).toBe(true)
    expect(clash(feed('potassium-nitrate'), feed('calcium-nitrate'))).toBe(false)
  })

  it('keeps a compound feed with calcium and phosphate out of both bottles', () => {
    const compound = feed('seedling-15')
    for (const other of ['calcium-nitrate', 'magnesium-sulphate', 'monopotassium-phosphate'])
      expect(clash(compound, feed(other))).toBe(true)
    const { a, b, alone } = concentratesOf([compound, feed('calcium-nitrate'), feed('magnesium-sulphate')])
    expect([a, b, alone].map((list) => list.map(({ id }) => id))).toEqual([
      ['calcium-nitrate'],
      ['magnesium-sulphate'],
      ['seedling-15'],
    ])
  })

  it('weighs a miss against what is wanted of it, and obeys at least, at most and any', () => {
    const wanted = { N: 100, P: 10, K: 100, Ca: 60, Mg: 20 }
    const two = [feed('balanced-20'), feed('calcium-nitrate')]
    const kinds = { ...EXACTLY, K: 'any', Mg: 'any' } as const
    const plain = blendFeeds(two, wanted, kinds)
    expect(blendFeeds(two, wanted, { ...kinds, P: 'at most' }).gives.P).toBeLessThanOrEqual(
      Math.max(10, plain.gives.P) + 1e-6,
    )
    expect(blendFeeds(two, wanted, { ...kinds, Ca: 'at least' }).gives.Ca).toBeGreaterThanOrEqual(
      plain.gives.Ca - 1e-6,
    )
    // Phosphorus counts ten times as much as nitrogen for each milligram: ten times less of it is wanted.
    const only = blendFeeds([feed('balanced-20')], wanted, { ...kinds, Ca: 'any' })
    expect(Math.abs(only.misses.P)).toBeLessThan(4)
    expect(only.gives.N).toBeLessThan(100)
    const watered = blendFeeds(salts, wanted, EXACTLY, { Ca: 40, Mg: 10 })
    expect(watered.gives.Ca).toBeCloseTo(60, 0)
  })
})
