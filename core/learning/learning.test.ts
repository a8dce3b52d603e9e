import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { randomNormal } from 'd3-random'
import { mulberry32 } from '../numeric/random'
import { countedShare, intervalOf, learnedFrom, learnedRobustly, WILD_AT } from './learning'
import { calibrationsFrom, CALIBRATIONS, measurementKey, type Measurement } from './calibrations'
import { dayFrom } from '../calendar/day'

const belief = fc.record({
  mean: fc.double({ min: -50, max: 50, noNaN: true }),
  sd: fc.double({ min: 0.01, max: 20, noNaN: true }),
})

describe('precision weighting [standard: the posterior of a normal mean]', () => {
  it('by hand: a default of 10 ± 2 and two measurements of 13 ± 1 come to 12.67 ± 0.67', () => {
    // (10/4 + 13 + 13) / (1/4 + 2) = 28.5 / 2.25, sd = 1 / √2.25
    const learned = learnedFrom({ mean: 10, sd: 2 }, [
      { mean: 13, sd: 1 },
      { mean: 13, sd: 1 },
    ])
    expect(learned.mean).toBeCloseTo(12.6667, 4)
    expect(learned.sd).toBeCloseTo(0.6667, 4)
  })
  it('lies between what it is made of, is surer than any of it, and knows no order', () =>
    fc.assert(
      fc.property(belief, fc.array(belief, { minLength: 1, maxLength: 8 }), (prior, measured) => {
        const { mean, sd } = learnedFrom(prior, measured)
        const all = [prior, ...measured]
        expect(mean).toBeGreaterThanOrEqual(Math.min(...all.map((one) => one.mean)) - 1e-9)
        expect(mean).toBeLessThanOrEqual(Math.max(...all.map((one) => one.mean)) + 1e-9)
        expect(sd).toBeLessThan(Math.min(...all.map((one) => one.sd)))
        expect(learnedFrom(prior, [...measured].reverse()).mean).toBeCloseTo(mean, 9)
      }),
    ))
})

describe('learning of benches made up by lot', () => {
  /** The truth of a bench is drawn from the default's own spread, its measurements about that. */
  function bench(seed: number, wild: boolean) {
    const random = mulberry32(seed)
    const normal = (mean: number, sd: number) => randomNormal.source(random)(mean, sd)()
    const prior = { mean: 13, sd: 1 }
    const truth = normal(prior.mean, prior.sd)
    const n = 3 + Math.floor(random() * 5)
    const measured = Array.from({ length: n }, () => ({ mean: normal(truth, 0.7), sd: 0.7 }))
    if (wild) measured[0] = { mean: truth * 10, sd: 0.7 }
    return { truth, prior, measured }
  }
  const covered = (wild: boolean, learn: typeof learnedRobustly | typeof learnedFrom) =>
    Array.from({ length: 600 }, (_, seed) => {
      const { truth, prior, measured } = bench(seed + 1, wild)
      const [low, high] = intervalOf(learn(prior, measured))
      return low <= truth && truth <= high
    }).filter(Boolean).length / 600

  it('its 95 % interval holds the truth nine times in ten and more', () => {
    expect(covered(false, learnedRobustly)).toBeGreaterThanOrEqual(0.9)
  })
  it('one measurement ten times too large does not carry it away, as it would without weighing it down', () => {
    expect(covered(true, learnedRobustly)).toBeGreaterThanOrEqual(0.9)
    expect(covered(true, learnedFrom)).toBeLessThan(0.2)
  })
  it('a whole bench that differs from the book is believed, one by one', () => {
    const same = Array.from({ length: 6 }, () => ({ mean: 17, sd: 0.5 }))
    const { mean, far } = learnedRobustly({ mean: 13, sd: 1 }, same)
    expect(Math.max(...far)).toBeLessThan(WILD_AT)
    expect(mean).toBeGreaterThan(16.5)
  })
})

describe('figures of the bench', () => {
  const one = (over: Partial<Measurement>): Measurement => ({
    entryId: 'a',
    on: dayFrom('2027-03-01'),
    what: 'coir yield',
    of: '',
    value: 15,
    n: null,
    key: '',
    ...over,
  })
  it('are the book’s until something is measured, and again when that is left out', () => {
    for (const { id, prior } of CALIBRATIONS)
      expect(calibrationsFrom([]).of(id)).toMatchObject({ n: 0, mean: prior.mean })
    const all = [one({}), one({ entryId: 'b', value: 14 })]
    expect(calibrationsFrom(all).of('coir yield').n).toBe(2)
    expect(calibrationsFrom(all, all.map(measurementKey)).of('coir yield')).toMatchObject({ n: 0, mean: 13 })
  })
  it('a tray that is counted again says one thing, its last', () => {
    const counts = [
      one({ what: 'germination', of: 'p', value: 0.2, n: 50, key: 'tray A' }),
      one({
        entryId: 'b',
        what: 'germination',
        of: 'p',
        value: 0.9,
        n: 50,
        key: 'tray A',
        on: dayFrom('2027-03-04'),
      }),
    ]
    const { n, mean } = calibrationsFrom(counts).of('germination', 'p')
    expect(n).toBe(1)
    expect(mean).toBeGreaterThan(0.8)
  })
  it('a count weighs by how many were counted', () => {
    const few = countedShare(9, 10)
    const many = countedShare(90, 100)
    expect(many.sd).toBeLessThan(few.sd / 2)
    expect(countedShare(0, 10).sd).toBeGreaterThan(0)
  })
})
