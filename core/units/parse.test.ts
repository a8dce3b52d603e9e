import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { parseNumber, parseQuantity } from './parse'
import type { UnitSystem } from './unit'
import { convert, fromBase, toBase, UNITS, unitSpelled } from './unit-table'

const UNIT_SYSTEMS: UnitSystem[] = ['metric', 'us', 'imperial']
const litres = (text: string, units: UnitSystem = 'us') => {
  const read = parseQuantity(text, { dimension: 'volume', units })
  return read.ok ? read.base : read.message
}

describe('reading what people type', () => {
  it.each([
    ['1/2 cup', 0.5, 'us-cup'],
    ['1 1/2 gal', 1.5, 'us-gal'],
    ['1½ gal', 1.5, 'us-gal'],
    ['2tbsp', 2, 'us-tbsp'],
    ['2 T', 2, 'us-tbsp'],
    ['2 t', 2, 'us-tsp'],
    ['250ml', 250, 'mL'],
    ['8 dry qt', 8, 'us-dry-qt'],
    ['3.8 cu ft', 3.8, 'cu-ft'],
    ['2 ft3', 2, 'cu-ft'],
    ['¼ tsp', 0.25, 'us-tsp'],
    ['2,5 l', 2.5, 'L'],
    ['1,000 ml', 1000, 'mL'],
    ['.5 Litres', 0.5, 'L'],
    ['4 fl. oz.', 4, 'us-floz'],
    ['3 imp gal', 3, 'imp-gal'],
    ['2 Australian tablespoons', 2, 'australian-tbsp'],
  ])('%s', (text, amount, unit) => {
    expect(litres(text)).toBeCloseTo(convert(amount, unit, 'L'), 12)
  })

  it('adds what is said together', () => {
    expect(litres('4 gal and 2 tbsp')).toBeCloseTo(convert(4, 'us-gal', 'L') + convert(2, 'us-tbsp', 'L'), 12)
    expect(litres('4 gal + 2 tbsp')).toBe(litres('4 gal 2 tbsp'))
    expect(parseQuantity('1 lb 4 oz', { dimension: 'mass', units: 'us' })).toMatchObject({
      base: expect.closeTo(20 * 28.349523125, 9),
    })
    expect(parseQuantity(`5' 3"`, { dimension: 'length', units: 'us' })).toMatchObject({
      base: expect.closeTo(63 * 25.4, 9),
    })
  })

  it('lets the kitchen decide what a bare cup or gallon is', () => {
    expect(litres('1 cup', 'metric')).toBeCloseTo(0.25)
    expect(litres('1 cup', 'us')).toBeCloseTo(0.2365882365)
    expect(litres('1 gal', 'imperial')).toBeCloseTo(4.54609)
    expect(litres('1 gal', 'metric')).toBeCloseTo(3.785411784)
  })

  it.each([
    ['', /Enter an amount/],
    ['lots', /'lots' is not an amount/],
    ['3 buckets', /'buckets' is not a volume unit/],
    ['12', /'12' needs a unit/],
    ['1/0 cup', /'1\/0' is not a number/],
    ['2 kg', /'kg' is not a volume unit/],
    ['1 gal and some', /'some' is not an amount/],
  ])('says what it did not understand in "%s"', (text, message) => {
    expect(litres(text)).toMatch(message)
  })

  it('reads bare numbers with fractions, and nothing else', () => {
    expect(['2 1/2', '1½', '0,75', '-3', '1 2', 'x', '1e3'].map(parseNumber)).toEqual([
      2.5,
      1.5,
      0.75,
      -3,
      undefined,
      undefined,
      undefined,
    ])
  })

  it('reads every spelling of every unit back to that unit, with and without a plural', () => {
    for (const unit of UNITS)
      for (const units of UNIT_SYSTEMS)
        for (const spelling of unit.spellings) {
          expect(unitSpelled(spelling, unit.dimension, units)?.id).toBe(unit.id)
          const read = parseQuantity(`3 ${spelling}`, { dimension: unit.dimension, units })
          expect(read.ok && read.base).toBeCloseTo(toBase(3, unit), 9)
        }
  })

  it('reads what it prints, in every unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.double({ min: 0.01, max: 5000, noNaN: true }),
        fc.constantFrom(...UNIT_SYSTEMS),
        (unit, amount, units) => {
          const base = toBase(amount, unit)
          const read = parseQuantity(`${Number(fromBase(base, unit).toPrecision(6))} ${unit.symbol}`, {
            dimension: unit.dimension,
            units,
          })
          expect(read.ok && fromBase(read.base, unit) / amount).toBeGreaterThan(0.5)
          expect(read.ok && Math.abs(fromBase(read.base, unit) - amount)).toBeLessThanOrEqual(
            Math.max(0.51, amount * 0.0051),
          )
        },
      ),
    )
  })
})
