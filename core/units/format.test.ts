import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { printBoth, printExactly, printQuantity, unitShown } from './format'
import { parseQuantity } from './parse'
import type { Dimension, UnitSystem } from './unit'

const UNIT_SYSTEMS: UnitSystem[] = ['metric', 'us', 'imperial']

describe('printing for a person', () => {
  it.each<[number, Dimension, UnitSystem, string]>([
    [0.65, 'volume', 'us', '2¾ cups'],
    [0.65, 'volume', 'metric', '650 mL'],
    [1, 'volume', 'metric', '1 L'],
    [0.0037, 'volume', 'us', '¾ tsp'],
    [9, 'volume', 'imperial', '2 gal'],
    [64, 'length', 'us', '2½ in'],
    [57, 'length', 'metric', '57 mm'],
    [680, 'mass', 'us', '1½ lb'],
    [1.8, 'mass', 'us', '1.8 g'],
    [0.074, 'volume', 'us', '5 tbsp'],
    [0.01725, 'volume', 'us', '1 tbsp + ½ tsp'],
    [0.0003, 'volume', 'us', '0.3 mL'],
    [6.35, 'length', 'us', '¼ in'],
    [4.7625, 'length', 'us', '3/16 in'],
    [2, 'length', 'imperial', '2 mm'],
    [21, 'temperature', 'us', '70 °F'],
  ])('%d of %s in a %s kitchen is %s', (base, dimension, units, text) => {
    expect(printQuantity(base, dimension, units)).toBe(text)
  })

  it('shows the other system beside one’s own', () => {
    expect(printBoth(0.65, 'volume', 'metric')).toEqual(['650 mL', '2¾ US cups'])
    expect(printBoth(0.65, 'volume', 'us')).toEqual(['2¾ cups', '650 mL'])
  })

  // Seed is sown 3, 6, 12 or 25 mm deep here and ⅛, ¼, ½ or 1 in there [common practice].
  it.each([
    [3, '⅛ in'],
    [6, '¼ in'],
    [12, '½ in'],
    [18, '¾ in'],
    [25, '1 in'],
  ])('says %d mm of depth as the trade does in inches', (mm, said) => {
    expect(printQuantity(mm, 'length', 'us')).toBe(said)
    expect(printQuantity(mm, 'length', 'metric')).toMatch(/mm$|cm$/)
  })

  const amount = fc.double({ min: -6, max: 5, noNaN: true }).map((power) => 10 ** power)
  const quantities = fc.constantFrom<Dimension>('volume', 'length', 'mass')

  it('is within 5 %, a shallow depth within 6 %, read back by the parser, over the whole range and in every kitchen', () => {
    fc.assert(
      fc.property(amount, fc.constantFrom(...UNIT_SYSTEMS), quantities, (base, units, dimension) => {
        const text = printQuantity(base, dimension, units)
        const read = parseQuantity(text.replace('−', '-'), { dimension, units })
        const near = dimension === 'length' && base < 19 ? 0.06 : 0.05
        expect([text, read.ok && Math.abs(read.base / base - 1) <= near]).toEqual([text, true])
        expect(text).not.toMatch(/\d[⅛¼⅓⅜½⅝⅔¾⅞] (L|mL|litre|g|kg|cm)\b/)
      }),
      { numRuns: 2000 },
    )
  })

  it('in a field is the same when it is typed back, in other systems as near as anybody measures', () => {
    fc.assert(
      fc.property(amount, fc.constantFrom(...UNIT_SYSTEMS), quantities, (base, units, dimension) => {
        const text = printExactly(base, dimension, units)
        const assume = unitShown(base, dimension, units)
        for (const typed of [text, text.replace(/ [^\d/]+$/, '')]) {
          const read = parseQuantity(typed, { dimension, units, assume })
          expect([
            typed,
            read.ok && Math.abs(read.base / base - 1) < (units === 'metric' ? 2e-4 : 0.0101),
          ]).toEqual([typed, true])
        }
      }),
      { numRuns: 1000 },
    )
    for (const units of UNIT_SYSTEMS)
      for (let c = -20; c <= 60; c += 0.5) {
        const read = parseQuantity(printExactly(c, 'temperature', units), {
          dimension: 'temperature',
          units,
        })
        // Halves of a degree Fahrenheit.
        expect(read.ok && Math.abs(read.base - c)).toBeLessThan(0.15)
      }
  })

  it('never prints something as nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
        fc.constantFrom(...UNIT_SYSTEMS),
        fc.constantFrom<Dimension>('volume', 'length', 'mass'),
        (base, units, dimension) => {
          expect(printQuantity(base, dimension, units)).not.toMatch(/^0 /)
        },
      ),
    )
  })
})
