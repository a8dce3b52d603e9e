import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { addDays, dayFrom } from '../../calendar/day'
import { disagreements, type Neighbour } from './disagreements'

const group = (name: string, more: Partial<Neighbour> = {}): Neighbour => ({
  name,
  on: dayFrom('2027-03-20'),
  mixC: 24,
  light: 'either',
  upDays: 6,
  sown: true,
  ...more,
})
const lights = ['either', 'wants light', 'wants dark'] as const
const anyGroup = fc
  .record({
    days: fc.integer({ min: 0, max: 40 }),
    mixC: fc.integer({ min: 12, max: 32 }),
    light: fc.constantFrom(...lights),
    upDays: fc.option(fc.integer({ min: 2, max: 30 })),
  })
  .map(({ days, ...more }) => group('one', { ...more, on: addDays(dayFrom('2027-03-01'), days) }))

describe('groups of one tray', () => {
  it('agree with themselves, and of two it is the same whichever is named first', () => {
    fc.assert(
      fc.property(anyGroup, anyGroup, (one, other) => {
        expect(disagreements([one, one], 3)).toEqual([])
        const why = (a: Neighbour, b: Neighbour) => disagreements([a, b], 3).map((each) => each.why)
        expect(why(one, other)).toEqual(why(other, one))
      }),
    )
  })
  it('are told apart by what the trade keeps apart, each pair once, with the figures of both', () => {
    const fennel = group('fennel')
    const dark = group('delphinium', { light: 'wants dark' })
    const lit = group('snapdragon', { light: 'wants light' })
    const warm = group('okra', { mixC: 30 })
    const slow = group('parsley', { upDays: 24 })
    const later = group('chard', { on: addDays(fennel.on, 9) })
    const of = (...groups: Neighbour[]) =>
      disagreements(groups, 3).map(({ names, why }) => `${names.join('/')}: ${why}`)
    expect(of(fennel, dark)).toEqual([])
    expect(of(dark, lit)).toEqual(['delphinium/snapdragon: light and dark'])
    expect(of(fennel, warm)).toEqual(['fennel/okra: another warmth'])
    expect(of(fennel, slow)).toEqual(['fennel/parsley: comes up at another time'])
    expect(of(fennel, later)).toEqual(['fennel/chard: another day'])
    expect(of(fennel, warm, later)).toHaveLength(3)
    expect(disagreements([fennel, warm], 3)[0]).toMatchObject({ mixC: [24, 30], days: [6, 6] })
    // Sowings nine days apart agree where that is said to be near enough.
    expect(disagreements([fennel, later], 10)).toEqual([])
    // What came out of another tray has no seed to cover or wait for.
    expect(of({ ...dark, sown: false }, { ...lit, sown: false })).toEqual([])
  })
})
