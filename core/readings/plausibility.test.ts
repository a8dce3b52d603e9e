import { describe, expect, it } from '@jest/globals'
import { doubtOf, stillWeight, type Sample } from './plausibility'

const MINUTE = 60_000
/** Readings a minute apart that flicker, as a probe's do; the last at 0. */
const flickering = (n: number, value = 20, apart = MINUTE): Sample[] =>
  Array.from({ length: n }, (_, i) => ({ atMs: (i - n + 1) * apart, value: value + (i % 2) * 0.1 }))

/* Each verdict on both sides of the edge that the module states as its default. */
describe('what makes a reading doubted', () => {
  it.each([
    ['ten minutes', flickering(20), 10 * MINUTE, 10 * MINUTE + 1],
    ['ten of its usual pauses', flickering(20, 20, 5 * MINUTE), 50 * MINUTE, 50 * MINUTE + 1],
  ])('silence of more than %s', (_, samples, still, silent) => {
    expect(doubtOf('temperature', samples, still)).toBeNull()
    expect(doubtOf('temperature', samples, silent)?.kind).toBe('silent')
  })
  it('nothing heard yet is no silence', () => expect(doubtOf('temperature', [], 1e9)).toBeNull())
  it.each([
    ['acidity', 0, 14],
    ['humidity', 0, 100],
  ] as const)('%s below %d or above %d', (quantity, from, to) => {
    const said = (value: number) => doubtOf(quantity, [{ atMs: 0, value }], 0)?.kind ?? null
    expect([said(from), said(to)]).toEqual([null, null])
    expect([said(from - 1e-6), said(to + 1e-6)]).toEqual(['out of range', 'out of range'])
  })
  it('three jumps in half an hour, of more than 4 °C a minute', () => {
    const jumping = (jumps: number, by: number): Sample[] => [
      ...Array.from({ length: jumps + 1 }, (_, i) => ({
        atMs: (i - jumps - 3) * MINUTE,
        value: 20 + (i % 2) * by,
      })),
      ...[2, 1, 0].map((ago) => ({ atMs: -ago * MINUTE, value: 20 + (jumps % 2) * by + ago * 0.1 })),
    ]
    expect(doubtOf('temperature', jumping(2, 4.5), 0)).toBeNull()
    expect(doubtOf('temperature', jumping(3, 4.5), 0)?.kind).toBe('jumps')
    expect(doubtOf('temperature', jumping(3, 4), 0)).toBeNull()
    // What can change at once does not jump.
    expect(doubtOf('mass', jumping(9, 400), 0)).toBeNull()
  })
  it('jumps of more than half an hour ago are forgiven', () => {
    const old = (agoMs: number): Sample[] => [
      ...[0, 1, 2, 3].map((i) => ({ atMs: -agoMs + i * MINUTE, value: i % 2 ? 30 : 20 })),
      ...flickering(20, 30),
    ]
    // The first of the four is the reading its first jump starts from.
    expect(doubtOf('temperature', old(29 * MINUTE), 0)?.kind).toBe('jumps')
    expect(doubtOf('temperature', old(31 * MINUTE), 0)).toBeNull()
  })
  it('the same to the last digit, thirty times and for two hours', () => {
    const same = (n: number, spanMs: number): Sample[] => [
      { atMs: -spanMs - MINUTE, value: 19.9 },
      ...Array.from({ length: n }, (_, i) => ({ atMs: -spanMs + (i * spanMs) / (n - 1), value: 20 })),
    ]
    const hours = 2 * 60 * MINUTE
    expect(doubtOf('temperature', same(30, hours), 0)?.kind).toBe('stuck')
    expect(doubtOf('temperature', same(29, hours), 0)).toBeNull()
    expect(doubtOf('temperature', same(30, hours - MINUTE), 0)).toBeNull()
    // A pan that nothing is put on says the same all day.
    expect(doubtOf('mass', same(40, hours), 0)).toBeNull()
  })
})

describe('a weight that stands still', () => {
  const pan = (...grams: number[]): Sample[] =>
    grams.map((value, i) => ({ atMs: (i - grams.length + 1) * 1000, value }))
  it('is the mean of two seconds within 4 g', () => {
    expect(stillWeight(pan(500, 502, 504), 0)).toBe(502)
    expect(stillWeight(pan(500, 502, 504.1), 0)).toBeNull()
  })
  it('needs three readings over two seconds, the last heard of within fifteen', () => {
    expect(stillWeight(pan(500, 500), 0)).toBeNull()
    expect(stillWeight(pan(500, 500, 500), 15_000)).toBe(500)
    expect(stillWeight(pan(500, 500, 500), 15_001)).toBeNull()
  })
  it('of 5 g or less is an empty pan', () => {
    expect(stillWeight(pan(5, 5, 5), 0)).toBeNull()
    expect(stillWeight(pan(5.1, 5.1, 5.1), 0)).toBeCloseTo(5.1)
  })
})
