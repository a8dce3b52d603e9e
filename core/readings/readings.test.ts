import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dayFrom } from '../calendar/day'
import { FEEDS } from '../feed/feeds'
import { dayOfReadings } from './day-of'
import { drainLimit, ecPerMgN, nitrogenByEc, doseFound, drainFound } from './dose-by-ec'
import { QUANTITIES, QUANTITY_NAMES } from './kinds'
import { readingOf, SENT_AS } from './measured'
import { asPack, resolvePack } from './senml'
import { doubtOf, stillWeight } from './plausibility'

const NOW_S = 1_320_067_500

describe('SenML, by the examples of RFC 8428, section 5.1 (from memory of the published text)', () => {
  it('5.1.1: one measurement', () => {
    expect(resolvePack([{ n: 'urn:dev:ow:10e2073a01080063', u: 'Cel', v: 23.1 }], NOW_S)).toEqual([
      { name: 'urn:dev:ow:10e2073a01080063', unit: 'Cel', atS: NOW_S, value: 23.1, sum: null },
    ])
  })
  it('5.1.2: a base name, a base time, times before it, a base unit and a version', () => {
    const pack = [
      {
        bn: 'urn:dev:ow:10e2073a0108006:',
        bt: 1.276020076001e9,
        bu: 'A',
        bver: 5,
        n: 'voltage',
        u: 'V',
        v: 120.1,
      },
      { n: 'current', t: -5, v: 1.2 },
      { n: 'current', t: -4, v: 1.3 },
      { n: 'current', v: 1.7 },
    ]
    expect(resolvePack(pack, NOW_S).map(({ name, unit, atS, value }) => [name, unit, atS, value])).toEqual([
      ['urn:dev:ow:10e2073a0108006:voltage', 'V', 1.276020076001e9, 120.1],
      ['urn:dev:ow:10e2073a0108006:current', 'A', 1.276020071001e9, 1.2],
      ['urn:dev:ow:10e2073a0108006:current', 'A', 1.276020072001e9, 1.3],
      ['urn:dev:ow:10e2073a0108006:current', 'A', 1.276020076001e9, 1.7],
    ])
  })
  it('5.1.3: a whole name in the base, positions among humidity', () => {
    const pack = [
      { bn: 'urn:dev:ow:10e2073a01080063', bt: 1.320067464e9, bu: '%RH', v: 20 },
      { u: 'lon', v: 24.30621 },
      { t: 60, v: 20.3 },
    ]
    expect(resolvePack(pack, NOW_S).map(({ unit, atS, value }) => [unit, atS, value])).toEqual([
      ['%RH', 1.320067464e9, 20],
      ['lon', 1.320067464e9, 24.30621],
      ['%RH', 1.320067524e9, 20.3],
    ])
  })
  it('5.1.4: values of other types', () => {
    const pack = [
      { bn: 'urn:dev:ow:10e2073a01080063:', n: 'temp', u: 'Cel', v: 23.1 },
      { n: 'label', vs: 'Machine Room' },
      { n: 'open', vb: false },
      { n: 'nfc-reader', vd: 'aGkgCg' },
    ]
    const read = resolvePack(pack, NOW_S)
    expect(read.map(({ value }) => value)).toEqual([23.1, 'Machine Room', false, 'aGkgCg'])
    expect(read.map(readingOf)).toEqual([
      { quantity: 'temperature', name: 'temp', atMs: NOW_S * 1000, value: 23.1 },
      null,
      null,
      null,
    ])
  })
  it('4.3 to 4.5: base values are added, small times count from now, base fields alone say nothing', () => {
    expect(
      resolvePack(
        [
          { bv: 20, bs: 5 },
          { n: 'a', u: 'Cel', v: 1.5, s: 2, t: -30 },
        ],
        NOW_S,
      ),
    ).toEqual([{ name: 'a', unit: 'Cel', atS: NOW_S - 30, value: 21.5, sum: 7 }])
  })
  it.each<[unknown, RegExp]>([
    [{ n: 'a', v: 1 }, /array/],
    [[1], /Record 1 is no object/],
    [[{ n: 'a', v: '1' }], /“v” is a number/],
    [[{ n: 'a', v: 1, vs: 'x' }], /more than one value/],
    [[{ n: 'a b', v: 1 }], /no name/],
    [[{ v: 1 }], /no name/],
    [[{ n: 'a', v: 1, bver: 11 }], /version 11/],
    [[{ n: 'a', v: 1, must_: 1 }], /has to be understood/],
    [[{ n: 'a', v: NaN }], /is a number/],
  ])('%j is refused in words', (pack, words) => expect(() => resolvePack(pack, NOW_S)).toThrow(words))
  it('what is written is read back as it was', () => {
    const reading = fc.record({
      name: fc.stringMatching(/^[a-z][a-z0-9:/.-]{0,12}$/),
      unit: fc.constantFrom('Cel', '%RH', 'kg'),
      atS: fc.integer({ min: 2 ** 28, max: 2 ** 31 }),
      value: fc.double({ min: -1e4, max: 1e4, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 6 }), (all) => {
        const back = resolvePack(JSON.parse(JSON.stringify(asPack(all))), NOW_S)
        expect(back.map(({ name, unit, atS, value }) => ({ name, unit, atS, value }))).toEqual(
          JSON.parse(JSON.stringify(all)),
        )
      }),
    )
  })
  it('every quantity is sent in a unit of the registry that is read back as the same', () => {
    for (const quantity of QUANTITY_NAMES) {
      const [unit, of] = SENT_AS[quantity]
      const back = readingOf({ name: 'x', unit, atS: NOW_S, value: of(12.5), sum: null })
      expect(back).toMatchObject({ quantity, value: 12.5 })
    }
    // 1 S/m is 10 mS/cm; 0 °C is 273.15 K. [SI]
    expect(readingOf({ name: 'ec', unit: 'S/m', atS: 0, value: 0.142, sum: null })!.value).toBe(1.42)
    expect(readingOf({ name: 't', unit: 'K', atS: 0, value: 294.15, sum: null })!.value).toBe(21)
    expect(() => readingOf({ name: 't', unit: 'Far', atS: 0, value: 70, sum: null })).toThrow(
      /no unit a bench reads/,
    )
  })
})

describe('a device that lies is doubted', () => {
  const minutes = (n: number, value: (i: number) => number) =>
    Array.from({ length: n }, (_, i) => ({ atMs: i * 60_000, value: value(i) }))
  const at = (samples: readonly { atMs: number }[]) => samples.at(-1)!.atMs
  it('where it cannot be, where it stands still to the last digit, where it jumps, where it is silent', () => {
    const flicker = (i: number) => 21 + Math.sin(i) / 20
    const fine = minutes(240, flicker)
    expect(doubtOf('temperature', fine, at(fine))).toBeNull()
    expect(
      doubtOf('temperature', [...fine, { atMs: at(fine) + 60_000, value: 127 }], at(fine) + 60_000)?.kind,
    ).toBe('out of range')
    const stuck = minutes(240, () => 21.06)
    expect(doubtOf('temperature', stuck, at(stuck))?.kind).toBe('stuck')
    const wild = minutes(60, (i) => (i % 2 ? 5 : 30))
    expect(doubtOf('temperature', wild, at(wild))?.kind).toBe('jumps')
    expect(doubtOf('temperature', fine, at(fine) + 3_600_000)?.kind).toBe('silent')
    // Carried to another place it jumps once, and is believed.
    const carried = minutes(60, (i) => flicker(i) - (i < 30 ? 0 : 9))
    expect(doubtOf('temperature', carried, at(carried))).toBeNull()
    // An empty pan shows nothing for hours, and is right.
    const empty = minutes(240, () => 0)
    expect(doubtOf('mass', empty, at(empty))).toBeNull()
  })
  it('a pan is still once it stands still for some seconds, within the scale’s own flicker', () => {
    const seconds = (values: readonly number[]) => values.map((value, i) => ({ atMs: i * 1000, value }))
    expect(stillWeight(seconds([0, 400, 900, 1243]), 3000)).toBeNull()
    expect(stillWeight(seconds([0, 1242, 1243, 1244, 1243]), 4000)).toBeCloseTo(1243, 0)
    expect(stillWeight(seconds([1242, 1243, 1244, 1243]), 60_000)).toBeNull()
    expect(stillWeight(seconds([0, 1, 0, 0]), 4000)).toBeNull()
    fc.assert(
      fc.property(fc.double({ min: 50, max: 9000, noNaN: true }), (grams) => {
        const found = stillWeight(seconds([grams, grams + 1, grams - 1, grams]), 3000)
        expect(Math.abs(found! - grams)).toBeLessThanOrEqual(1)
      }),
    )
  })
  it('of a day the low, the high and the mean are kept where enough of it was heard, and nothing of a liar', () => {
    const day = dayFrom('2027-04-12')
    const begin = Date.parse('2027-04-12T00:00:00Z')
    const air = (value: (h: number) => number) =>
      Array.from({ length: 288 }, (_, i) => ({
        quantity: 'temperature' as const,
        name: 'air',
        atMs: begin + i * 300_000,
        value: value(i / 12),
        count: 1,
      }))
    const wave = air((h) => 18 + 4 * Math.sin((h / 24) * 2 * Math.PI))
    expect(dayOfReadings(day, wave)).toMatchObject({ lowC: 14, highC: 22, meanC: 18, mixC: null })
    expect(dayOfReadings(day, wave.slice(0, 40))).toBeNull()
    expect(dayOfReadings(dayFrom('2027-04-13'), wave)).toBeNull()
    expect(
      dayOfReadings(
        day,
        air(() => 21),
      ),
    ).toBeNull()
  })
})

describe('what a pen says', () => {
  // By hand: 0.42 / 0.0068 = 61.8.
  it('0.42 mS/cm above the water is 62 mg/L by the usual slope', () => {
    expect(Math.round(nitrogenByEc(0.97, 0.55))).toBe(62)
    expect(doseFound(0.97, 0.55, 0.0068, 60, 3)).toMatchObject({ kind: 'right', calibrate: false })
    expect(doseFound(1.5, 0.55, 0.0068, 60, 3).kind).toBe('too strong')
    expect(doseFound(0.7, 0.55, 0.0068, 60, 3).kind).toBe('too weak')
    expect(doseFound(0.3, 0.55, 0.0068, 60, 3).kind).toBe('less than water')
    expect(doseFound(0.97, null, 0.0068, 60, 3).kind).toBe('no water')
    expect(doseFound(0.97, 0.55, 0.0068, 60, null)).toMatchObject({ calibrate: true })
  })
  it('a label’s own slope is used: 0.66 mS/cm for each 100 mg/L of nitrogen is 0.0066 for one', () => {
    const feed = { ...FEEDS.find(({ form }) => form === 'powder')!, ecSlopeMsPerCm: 0.66 }
    expect(ecPerMgN(feed)).toBeCloseTo(0.0066, 6)
  })
  it('drain-off above what the stage bears is leached with twice what the mix holds', () => {
    expect(drainLimit(-1, false)).toBeLessThan(drainLimit(5, false))
    expect(drainLimit(5, false)).toBeLessThan(drainLimit(5, true))
    expect(drainFound(1.4, drainLimit(5, false), 1.5).kind).toBe('fine')
    expect(drainFound(2.6, drainLimit(5, false), 1.5)).toMatchObject({ kind: 'flush', flushL: 3 })
  })
  it('no quantity takes a value that cannot be', () => {
    for (const { from, to } of Object.values(QUANTITIES)) expect(from).toBeLessThan(to)
  })
})
