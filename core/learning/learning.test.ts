import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { randomNormal } from 'd3-random'
import jstat from 'jstat'
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

describe('what scatters and what is wild', () => {
  it('a spread is above 0, of the default and of every measurement', () => {
    const sure = { mean: 1, sd: 1 }
    for (const sd of [0, -1, NaN]) {
      expect(() => learnedFrom({ mean: 1, sd }, [])).toThrow(RangeError)
      expect(() => learnedFrom(sure, [sure, { mean: 1, sd }])).toThrow(RangeError)
    }
    expect(learnedFrom({ mean: 1, sd: 1e-3 }, []).mean).toBe(1)
  })
  it('with one or two measurements each lies as far as from the default: |x − m| / √(s² + d²)', () => {
    // 13 ± 3 and 17 ± 4: four apart, √(9 + 16) = 5.
    expect(learnedRobustly({ mean: 13, sd: 3 }, [{ mean: 17, sd: 4 }]).far).toEqual([0.8])
    expect(learnedRobustly({ mean: 13, sd: 3 }, [{ mean: -7, sd: 4 }]).far).toEqual([4])
    const two = learnedRobustly({ mean: 13, sd: 3 }, [
      { mean: 17, sd: 4 },
      { mean: 17, sd: 4 },
    ])
    expect(two.far).toEqual([0.8, 0.8])
  })
  it('with three each is as near as it is to the median of the default and the others, without itself', () => {
    // Of 20 the others are 21 and 21, the default 10: median 21, spread √(3² + 4²) = 5, and 10 / 5 from the default.
    const { far } = learnedRobustly({ mean: 10, sd: 4 }, [
      { mean: 20, sd: 3 },
      { mean: 21, sd: 4 },
      { mean: 21, sd: 4 },
    ])
    expect(far[0]).toBeCloseTo(0.2, 12)
  })
  it('up to 2.5 spreads off a measurement weighs whole, beyond by (2.5 / far)⁴', () => {
    const prior = { mean: 0, sd: 3 }
    const at = (far: number) => learnedRobustly(prior, [{ mean: far * 5, sd: 4 }])
    const plain = (mean: number, sd: number) => learnedFrom(prior, [{ mean, sd }])
    expect(at(WILD_AT).mean).toBeCloseTo(plain(12.5, 4).mean, 12)
    expect(at(5).mean).toBeCloseTo(plain(25, 16).mean, 12)
    expect(at(5).sd).toBeCloseTo(plain(25, 16).sd, 12)
    expect(at(2.6).mean).toBeLessThan(plain(13, 4).mean)
  })
  it('the 95 % interval holds 95 of 100 draws of a normal of spread 2, and is as wide on both sides', () => {
    const [low, high] = intervalOf({ mean: 5, sd: 2 })
    expect((low + high) / 2).toBeCloseTo(5, 12)
    expect(jstat.normal.cdf(high, 5, 2) - jstat.normal.cdf(low, 5, 2)).toBeCloseTo(0.95, 6)
  })
  it('a count of 9 in 10 by hand: p̃ = 11/14, √(p̃ (1 − p̃) / 14) = 0.1097', () => {
    const { mean, sd } = countedShare(9, 10)
    expect(mean).toBe(0.9)
    expect(sd).toBeCloseTo(0.10967, 4)
  })
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
  it('knows which things were measured, and that nothing was', () => {
    const none = calibrationsFrom([])
    expect([none.isEmpty, none.things('germination')]).toEqual([true, []])
    const some = calibrationsFrom([
      one({ what: 'germination', of: 'cress', value: 0.5, n: 20 }),
      one({ what: 'germination', of: 'leek', value: 0.5, n: 20 }),
      one({ what: 'minutes', of: 'pot up', value: 1.2 }),
    ])
    expect([some.isEmpty, some.things('germination'), some.things('coir yield')]).toEqual([
      false,
      ['cress', 'leek'],
      [],
    ])
  })
  it('of one key the later day stands, written before or after it; of one day what was written last', () => {
    const of = (on: string, value: number) =>
      one({ what: 'germination', of: 'p', value, n: 1000, key: 'tray', on: dayFrom(on) })
    const value = (...all: Measurement[]) => calibrationsFrom(all).of('germination', 'p').measured[0]!.value
    expect(value(of('2027-03-04', 0.9), of('2027-03-01', 0.2))).toBe(0.9)
    expect(value(of('2027-03-01', 0.2), of('2027-03-04', 0.9))).toBe(0.9)
    expect(value(of('2027-03-04', 0.9), of('2027-03-04', 0.4))).toBe(0.4)
  })
  it('a share that was counted scatters by its count, one that was not and what is no share as the book says', () => {
    const spread = (over: Partial<Measurement>) =>
      calibrationsFrom([one(over)]).of(one(over).what, 'x').measured[0]!.sd
    const scatter = (id: string) => CALIBRATIONS.find((each) => each.id === id)!.scatter
    expect(spread({ what: 'germination', of: 'x', value: 0.9, n: 10 })).toBe(countedShare(9, 10).sd)
    expect(spread({ what: 'germination', of: 'x', value: 0.9, n: null })).toBe(scatter('germination'))
    expect(spread({ what: 'minutes', of: 'x', value: 0.9, n: 10 })).toBe(scatter('minutes'))
  })
  it('each measurement comes back with how far it lies; the same question has the same answer', () => {
    const known = calibrationsFrom([one({ value: 40 }), one({ entryId: 'b', value: 13 })])
    const found = known.of('coir yield')
    expect(found.measured.map(({ entryId, value, far }) => [entryId, value, far > WILD_AT])).toEqual([
      ['a', 40, true],
      ['b', 13, false],
    ])
    expect(known.of('coir yield')).toBe(found)
    expect(known.of('coir yield', '', { mean: 20, sd: 1 })).not.toBe(found)
  })
  it('what is learned stays within what the figure can be', () => {
    for (const { id, from, to } of CALIBRATIONS) {
      const of = (value: number) =>
        calibrationsFrom(
          Array.from({ length: 40 }, (_, i) => one({ what: id, of: '', entryId: `e${i}`, value, n: null })),
        ).of(id).mean
      expect([id, of(to * 100)]).toEqual([id, to])
      expect([id, of(-100)]).toEqual([id, from])
    }
  })
  it('a measurement is named by its entry, what it is and what it is of, in 200 characters at the most', () => {
    expect(measurementKey(one({ what: 'minutes', of: 'pot up' }))).toBe('a minutes pot up')
    expect(measurementKey(one({ of: 'x'.repeat(300) }))).toHaveLength(200)
  })
})
