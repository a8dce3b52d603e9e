import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import Qty from 'js-quantities'
import type { Dimension } from './unit'
import { convert, toBase, UNITS } from './unit-table'

describe('the unit table', () => {
  // A general-purpose unit library as the outside opinion; its tables carry 8 to 9 digits.
  const OTHERS_NAMES: Record<string, string> = {
    mL: 'ml',
    cL: 'cl',
    L: 'l',
    m3: 'm^3',
    'us-tsp': 'tsp',
    'us-tbsp': 'tbs',
    'us-floz': 'floz',
    'us-cup': 'cup',
    'us-pt': 'pint',
    'us-qt': 'quart',
    'us-gal': 'gal',
    'cu-in': 'in^3',
    'cu-ft': 'ft^3',
    'us-dry-qt': 'bushel',
    'imp-gal': 'galimp',
    mm: 'mm',
    cm: 'cm',
    m: 'm',
    in: 'in',
    ft: 'ft',
    mg: 'mg',
    g: 'g',
    kg: 'kg',
    oz: 'oz',
    lb: 'lb',
    C: 'tempC',
    F: 'tempF',
  }
  const BASES: Record<Dimension, string> = { volume: 'l', length: 'mm', mass: 'g', temperature: 'tempC' }

  it.each(
    UNITS.filter(({ id }) => id in OTHERS_NAMES && Qty.getUnits().length).map(
      (unit) => [unit.id, unit] as const,
    ),
  )('agrees with an independent library on %s', (id, unit) => {
    const perBushel = id === 'us-dry-qt' ? 1 / 32 : 1
    for (const amount of [1, 17.5]) {
      const other = Qty(amount, OTHERS_NAMES[id]!).to(BASES[unit.dimension]).scalar * perBushel
      expect(toBase(amount, unit) / other).toBeCloseTo(1, 6)
    }
  })

  it('keeps the defining identities of NIST Handbook 44, Appendix C and the UK Units of Measurement Regulations 1995', () => {
    expect(convert(1, 'us-gal', 'cu-in')).toBeCloseTo(231, 9)
    expect(convert(1, 'cu-ft', 'cu-in')).toBeCloseTo(1728, 9)
    expect(convert(32, 'us-dry-qt', 'cu-in')).toBeCloseTo(2150.42, 6)
    expect(convert(1, 'us-cup', 'mL')).toBeCloseTo(236.5882365, 7)
    expect(convert(1, 'us-floz', 'mL')).toBeCloseTo(29.5735295625, 9)
    expect(convert(3, 'us-tsp', 'us-tbsp')).toBeCloseTo(1, 12)
    expect(convert(1, 'imp-floz', 'mL')).toBeCloseTo(28.4130625, 9)
    expect(convert(8, 'imp-pt', 'imp-gal')).toBeCloseTo(1, 12)
    expect(convert(1, 'cu-ft', 'us-dry-qt')).toBeCloseTo(25.714, 3)
    expect(convert(8, 'us-dry-qt', 'L')).toBeCloseTo(8.81, 3)
    expect(convert(16, 'oz', 'g')).toBeCloseTo(453.59237, 9)
    expect(convert(-40, 'C', 'F')).toBeCloseTo(-40, 9)
    expect(convert(212, 'F', 'C')).toBeCloseTo(100, 9)
  })

  it('refuses to mix dimensions', () => {
    expect(() => convert(1, 'L', 'g')).toThrow(RangeError)
  })

  it('converts there and back between any two units of a dimension', () => {
    const pair = fc
      .constantFrom(...UNITS)
      .chain((from) =>
        fc.tuple(
          fc.constant(from),
          fc.constantFrom(...UNITS.filter((unit) => unit.dimension === from.dimension)),
        ),
      )
    fc.assert(
      fc.property(pair, fc.double({ min: -1e6, max: 1e6, noNaN: true }), ([from, to], amount) => {
        const back = convert(convert(amount, from.id, to.id), to.id, from.id)
        expect(Math.abs(back - amount)).toBeLessThanOrEqual(
          1e-9 * Math.max(1, Math.abs(amount), 1e3 * Math.abs(from.offset ?? 0)),
        )
      }),
    )
  })
})
