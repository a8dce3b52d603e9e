import { describe, expect, it } from '@jest/globals'
import { FEEDS } from '../feed/feeds'
import { BUILT_IN } from '../media/materials'
import { materialById } from '../media/test/material-by-id'
import { packHolds, packProblems, packsSaid, type Goods } from './goods'

const of = (id: string): Goods => ({ kind: 'material', material: materialById(id) })
const feed = (form: 'powder' | 'liquid'): Goods => ({
  kind: 'feed',
  feed: { ...FEEDS.find((one) => one.form === form)!, densityGPerMl: form === 'liquid' ? 1.15 : 0.95 },
})

describe('a pack', () => {
  // NIST Handbook 44: 8 US dry quarts are 8.810 L; a 3.8 cu ft bale is 107.6 L pressed, 1.8–2.0 times that loosened.
  it.each<[string, Goods, Parameters<typeof packHolds>[0], number, string]>([
    ['8 dry quarts', of('potting-mix'), { measure: 'loose', amount: 8 * 1.101220942715 }, 8.81, 'L'],
    ['a bale', of('peat'), { measure: 'pressed', amount: 3.8 * 28.316846592 }, 107.6 * 1.9, 'L'],
    ['a 650 g brick, 13 L a kilogram', of('coir'), { measure: 'mass', amount: 650 }, 8.45, 'L'],
    [
      'a sack of sand at 1550 g/L dry and 5 % of water',
      of('sand'),
      { measure: 'mass', amount: 31_000 },
      19,
      'L',
    ],
    ['2 L of lime at 1400 g/L', of('dolomitic-lime'), { measure: 'loose', amount: 2 }, 2800, 'g'],
    ['a kilogram of powder', feed('powder'), { measure: 'mass', amount: 1000 }, 1000, 'g'],
    ['a litre of powder', feed('powder'), { measure: 'loose', amount: 1 }, 950, 'g'],
    ['a bottle', feed('liquid'), { measure: 'loose', amount: 0.5 }, 500, 'mL'],
    ['a bottle by weight', feed('liquid'), { measure: 'mass', amount: 1150 }, 1000, 'mL'],
  ])('of %s', (_, goods, size, holds, unit) => {
    const figure = packHolds(size, goods)
    expect(figure.value / holds).toBeCloseTo(1, 3)
    expect(figure.unit).toBe(unit)
  })

  it('is pressed for peat only, and holds something', () => {
    expect(packProblems({ measure: 'pressed', amount: 100 }, of('perlite'))[0]!.path).toEqual(['measure'])
    expect(packProblems({ measure: 'mass', amount: 0 }, of('perlite'))[0]!.path).toEqual(['amount'])
    expect(packProblems({ measure: 'pressed', amount: 100 }, of('peat'))).toEqual([])
    expect(() => packHolds({ measure: 'pressed', amount: 1 }, of('sand'))).toThrow(/measure/)
  })

  // By hand: 650 g · 13 L/kg = 8.45 L; half a 5 kg block is 32.5 L.
  it('are said by the pack, and asked about where it is not clear which', () => {
    const coir = BUILT_IN.get('coir')!
    expect(packsSaid('1 brick', coir)).toEqual({ amount: expect.closeTo(8.45, 9) })
    expect(packsSaid('two bricks', coir)).toEqual({ amount: expect.closeTo(16.9, 9) })
    expect(packsSaid('half a block', coir)).toEqual({ amount: expect.closeTo(32.5, 9) })
    expect(packsSaid('12 L', coir)).toBeUndefined()
    expect(packsSaid('1 bale', coir)).toMatchObject({
      kind: 'noSuchPack',
      values: { wanted: 'bale' },
    })
    expect(packsSaid('a bag', BUILT_IN.get('perlite')!)).toMatchObject({
      kind: 'whichPack',
      values: { names: expect.stringMatching(/10 L .*or.*100 L/) },
    })
    expect(packsSaid('some bricks', coir)).toMatchObject({ kind: 'noCount', values: { said: 'some' } })
  })
})
