import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { printBoth, printQuantity } from './format'
import type { Dimension, Kitchen } from './unit'
import { BASE_SYMBOL } from './unit'

const KITCHENS: Kitchen[] = ['metric', 'us', 'imperial']

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
