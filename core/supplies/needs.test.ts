import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { planBatch } from '../media/batch'
import { DEFAULT_ALLOWANCES, plainBatch } from '../media/batch-request'
import { BUILT_IN } from '../media/materials'
import { costOf } from './cost'
import { shoppingList } from './list'
import { addUp, needsOfBatch } from './needs'
const batch = planBatch({
  ...plainBatch(),
  parts: [
    { materialId: 'potting-mix', parts: 3 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [
    {
      container: CONTAINERS.find(({ id }) => id === 'tray-72')!,
      count: 2,
      coverMm: 5,
      coverMaterialId: 'perlite',
    },
  ],
  extras: [
    { materialId: 'rock-dust', gPerL: 5 },
    { materialId: 'castings', gPerL: 42 },
  ],
  preparations: ['sieve'],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  materials: BUILT_IN,
})

describe('what a batch takes', () => {
  const amounts = Object.fromEntries(addUp(needsOfBatch(batch)).map(({ id, amount }) => [id, amount]))

  it('is what goes onto the sieve, covers and extras included', () => {
    expect(amounts['potting-mix']).toBeCloseTo(batch.measures[0]!.looseL.value / 0.8, 9)
    expect(amounts.perlite).toBeCloseTo(batch.measures[1]!.looseL.value + batch.fills[0]!.coverL!.value, 9)
    expect(amounts['rock-dust']).toBeCloseTo(5 * batch.mixL.value, 9)
    // 42 g/L of castings at 420 g/L are a tenth of a litre.
    expect(amounts.castings).toBeCloseTo(0.1 * batch.mixL.value, 9)
  })

  it('costs what its litres cost, over litres and over plants', () => {
    const prices: Record<string, number> = { 'potting-mix': 0.5, perlite: 0.8 }
    const cost = costOf(batch, ({ id }) => prices[id] ?? null)!
    const expected = 0.5 * amounts['potting-mix']! + 0.8 * amounts.perlite!
    expect(cost.cost.value).toBeCloseTo(expected, 9)
    expect(cost.perL.value * batch.mixL.value).toBeCloseTo(expected, 9)
    expect(cost.perPlant.value * 144).toBeCloseTo(expected, 9)
    expect(cost.unpriced).toEqual(['rock-dust', 'castings'])
    expect(costOf(batch, () => null)).toBeNull()
  })

  it('is bought where the shelves fall short', () => {
    const [line] = shoppingList([
      {
        goods: 'perlite',
        amount: 26,
        shelves: [{ id: 'open', holds: 10, packs: 0.6 }],
        offers: [{ id: 'bag', holds: 10, price: 7 }],
      },
    ])
    expect(line).toMatchObject({ inSupplies: 6, short: 20, buy: { cost: 14, leftover: 0 } })
  })
})
