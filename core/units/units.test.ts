import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import Qty from 'js-quantities'
import { parseNumber, parseQuantity } from './parse'
import { printBoth, printIn, printQuantity } from './format'
import type { Dimension, Kitchen } from './unit'
import { BASE_SYMBOL } from './unit'
import { convert, fromBase, toBase, UNITS, unitSpelled } from './unit-table'

const KITCHENS: Kitchen[] = ['metric', 'us', 'imperial']
const litres = (text: string, kitchen: Kitchen = 'us') => {
  const read = parseQuantity(text, { dimension: 'volume', kitchen })
  return read.ok ? read.base : read.message
}

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
    expect(parseQuantity('1 lb 4 oz', { dimension: 'mass', kitchen: 'us' })).toMatchObject({
      base: expect.closeTo(20 * 28.349523125, 9),
    })
    expect(parseQuantity(`5' 3"`, { dimension: 'length', kitchen: 'us' })).toMatchObject({
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
      for (const kitchen of KITCHENS)
        for (const spelling of unit.spellings) {
          expect(unitSpelled(spelling, unit.dimension, kitchen)?.id).toBe(unit.id)
          const read = parseQuantity(`3 ${spelling}`, { dimension: unit.dimension, kitchen })
          expect(read.ok && read.base).toBeCloseTo(toBase(3, unit), 9)
        }
  })

  it('reads what it prints, in every unit', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...UNITS),
        fc.double({ min: 0.01, max: 5000, noNaN: true }),
        fc.constantFrom(...KITCHENS),
        (unit, amount, kitchen) => {
          const base = toBase(amount, unit)
          const read = parseQuantity(printIn(base, unit.id), { dimension: unit.dimension, kitchen })
          expect(read.ok && fromBase(read.base, unit) / amount).toBeGreaterThan(0.5)
          expect(read.ok && Math.abs(fromBase(read.base, unit) - amount)).toBeLessThanOrEqual(
            Math.max(0.51, amount * 0.0051),
          )
        },
      ),
    )
  })
})

describe('printing for a person', () => {
  it.each<[number, Dimension, Kitchen, string]>([
    [0.65, 'volume', 'us', '2¾ cups'],
    [0.65, 'volume', 'metric', '650 mL'],
    [1, 'volume', 'metric', '1 L'],
    [0.0037, 'volume', 'us', '¾ tsp'],
    [9, 'volume', 'imperial', '2 gal'],
    [64, 'length', 'us', '2½ in'],
    [57, 'length', 'metric', '57 mm'],
    [650, 'mass', 'us', '1⅜ lb'],
    [21, 'temperature', 'us', '70 °F'],
  ])('%d of %s in a %s kitchen is %s', (base, dimension, kitchen, text) => {
    expect(printQuantity(base, dimension, kitchen)).toBe(text)
  })

  it('shows the other system beside one’s own', () => {
    expect(printBoth(0.65, 'volume', 'metric')).toEqual(['650 mL', '2¾ US cups'])
    expect(printBoth(0.65, 'volume', 'us')).toEqual(['2¾ cups', '650 mL'])
  })

  it('never prints something as nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        fc.constantFrom(...KITCHENS),
        fc.constantFrom<Dimension>('volume', 'length', 'mass'),
        (base, kitchen, dimension) => {
          expect(printQuantity(base, dimension, kitchen)).not.toMatch(/^0 /)
          expect(BASE_SYMBOL[dimension]).toBeTruthy()
        },
      ),
    )
  })
})
