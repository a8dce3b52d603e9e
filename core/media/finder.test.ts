import { describe, expect, it } from '@jest/globals'
import { randomLcg, randomNormal } from 'd3-random'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from './batch-request'
import { mostContainers } from './capacity'
import { chemistryOf } from './chemistry'
import { physicsIn } from './container-physics'
import { blend } from './test/fixture'
import { findMixes, moreThan, traitsOf, type FinderRequest } from './finder'
import { BUILT_IN, MATERIALS } from './materials'
import { materialById } from './test/material-by-id'
import { mixingLoss } from './mixing-loss'
import { substitute } from './substitute'

const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!

const tray = CONTAINERS.find(({ id }) => id === 'tray-72')!

const request = (ids: string[], over: Partial<FinderRequest> = {}): FinderRequest => ({
  materials: ids.map(materialById),
  pricePerL: ids.map((_, i) => 0.1 * (i + 1)),
  container: tray,
  wants: {},
  mostParts: 12,
  mostMaterials: 6,
  keep: 20,
  ...over,
})

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a)

/** Every recipe, by counting in base 13: slow, and another way round than the finder's. */
function* everyRecipe(count: number, mostParts: number, mostMaterials: number): Generator<number[]> {
  for (let code = 1; code < (mostParts + 1) ** count; code++) {
    const parts = Array.from(
      { length: count },
      (_, i) => Math.floor(code / (mostParts + 1) ** i) % (mostParts + 1),
    )
    const used = parts.filter((p) => p > 0)
    const sum = used.reduce((a, b) => a + b, 0)
    if (sum <= mostParts && used.length <= mostMaterials && used.reduce(gcd) === 1) yield parts
  }
}

describe('the finder', () => {
  it('looks at every ratio once', () => {
    for (const [count, mostParts, mostMaterials] of [
      [3, 12, 3],
      [4, 7, 2],
      [2, 12, 6],
      [5, 5, 4],
    ] as const) {
      const found = findMixes(
        request(
          MATERIALS.slice(0, count).map(({ id }) => id),
          { mostParts, mostMaterials, keep: 1e5 },
        ),
      )
      const all = [...everyRecipe(count, mostParts, mostMaterials)].map(String).sort()
      expect(found.looked).toBe(all.length)
      expect(found.best.map(({ parts }) => String(parts)).sort()).toEqual(all)
    }
  })

  it('computes air, water, pH, salts and food as the rest of the application does', () => {
    const media = MATERIALS.filter(({ kind }) => kind === 'medium')
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...media), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(...CONTAINERS.filter(({ kind }) => kind !== 'block')),
        fc.array(fc.integer({ min: 1, max: 6 }), { minLength: 5, maxLength: 5 }),
        (materials, container, amounts) => {
          const parts = materials.map((_, i) => amounts[i]!)
          const sum = parts.reduce((a, b) => a + b, 0)
          const traits = traitsOf(
            request(
              materials.map(({ id }) => id),
              { container },
            ),
            parts,
          )
          const ingredients = materials.map((material, i) => ({
            material,
            share: given('s', parts[i]! / sum, 'share', yours()),
          }))
          const physics = physicsIn(container, blend(ingredients))
          const chemistry = chemistryOf(ingredients, mixingLoss(ingredients))
          expect(traits.air).toBeCloseTo(physics.airSpace.value, 4)
          expect(traits.water).toBeCloseTo(physics.easilyAvailableWater.value, 9)
          expect(traits.ph).toBeCloseTo(chemistry.ph.value, 9)
          expect(traits.salts).toBeCloseTo(chemistry.saltsMsPerCm.value, 9)
          expect(traits.food).toBeCloseTo(chemistry.releasedMgPerL.value, 6)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('agrees with a search of every recipe on how many fit and which is best', () => {
    const asked = request(['coir', 'perlite', 'castings', 'compost'], {
      mostParts: 8,
      wants: { air: { low: 0.1 }, salts: { high: 1 }, food: { low: 100 } },
      keep: 5,
    })
    const found = findMixes(asked)
    const fits = [...everyRecipe(4, 8, 6)].filter((parts) => {
      const traits = traitsOf(asked, parts)
      return traits.air >= 0.1 && traits.salts <= 1 && traits.food >= 100
    })
    expect(found.fitting).toBe(fits.length)
    expect(found.fitting).toBeGreaterThan(0)
    expect(found.best.every(({ miss }) => miss === 0)).toBe(true)
    expect(fits.map(String)).toContain(String(found.best[0]!.parts))
  })

  it('puts first what meets all wants most surely, and tells the chance as draws of its own find it', () => {
    const wants = { air: { low: 0.1, high: 0.25 }, salts: { high: 1 }, ph: { low: 5.4, high: 6.9 } }
    const asked = request(['coir', 'perlite', 'castings', 'vermiculite'], { mostParts: 8, wants, keep: 40 })
    const { best } = findMixes(asked)
    expect(best[0]!.chance).toBeGreaterThan(0.7)
    for (let i = 1; i < best.length; i++)
      expect(best[i]!.chance).toBeLessThanOrEqual(best[i - 1]!.chance + 0.1)
    // ±15 % for each figure of a material, ±7 % for each scoop, ±0.4 for pH; drawn here from d3's generator.
    const normal = randomNormal.source(randomLcg(0.27))(0, 1)
    const one = best[best.length >> 1]!
    const alone = asked.materials.map((_, m) =>
      traitsOf(
        asked,
        asked.materials.map((__, i) => (i === m ? 1 : 0)),
      ),
    )
    const plain = traitsOf(asked, one.parts)
    const sum = (amounts: readonly number[]) => amounts.reduce((a, b) => a + b, 0)
    const mixed = (trait: 'air' | 'salts', amounts: readonly number[], by: () => number) =>
      sum(amounts.map((amount, m) => (amount / sum(amounts)) * alone[m]![trait] * by()))
    let met = 0
    for (let n = 0; n < 600; n++) {
      const amounts = one.parts.map((amount) => amount * (1 + 0.07 * normal()))
      const off = () => 1 + 0.15 * normal()
      const air = (plain.air / mixed('air', one.parts, () => 1)) * mixed('air', amounts, off)
      const salts = mixed('salts', amounts, off)
      const ph = plain.ph + 0.4 * normal()
      if (air >= 0.1 && air <= 0.25 && salts <= 1 && ph >= 5.4 && ph <= 6.9) met++
    }
    expect(Math.abs(met / 600 - one.chance)).toBeLessThan(0.12)
  })

  it('shows the best and three that are made of something else, all of which fit', () => {
    const { best, contrasting: four } = findMixes(
      request(['coir', 'perlite', 'vermiculite', 'castings', 'compost'], {
        wants: { air: { low: 0.1, high: 0.25 }, ph: { low: 5.5, high: 6.8 } },
        keep: 24,
      }),
    )
    expect(four[0]).toEqual(best[0])
    expect(four).toHaveLength(4)
    const shares = four.map(({ parts }) => parts.map((n) => n / parts.reduce((a, b) => a + b, 0)))
    for (const [i, one] of shares.entries())
      for (const other of shares.slice(i + 1))
        // A seventh of it at the least is something else.
        expect(one.reduce((all, share, m) => all + Math.abs(share - other[m]!), 0) / 2).toBeGreaterThan(1 / 7)
    expect(four.every(({ miss, chance }) => miss === 0 && chance >= best[0]!.chance - 0.25)).toBe(true)
  })

  it('names what a mix has most of beyond another', () => {
    // Of 5 parts 3 : 1 : 1 and 1 : 1 : 3 of the same: two fifths more of the last. 4 : 0 : 1 has none of the second.
    expect(moreThan([3, 1, 1], [1, 1, 3])).toEqual({ index: 2, isNew: false })
    expect(moreThan([4, 0, 1], [2, 2, 1])).toEqual({ index: 1, isNew: true })
    expect(moreThan([6, 2], [1, 1])).toEqual({ index: 1, isNew: false })
  })

  it('says which want excludes everything', () => {
    const found = findMixes(request(['coir', 'peat'], { wants: { salts: { high: 1 }, air: { low: 0.6 } } }))
    expect(found.fitting).toBe(0)
    expect(found.excludedBy['air']).toBe(found.looked)
    expect(found.excludedBy['salts']).toBe(0)
    expect(found.best[0]!.miss).toBeGreaterThan(0)
  })

  it('reports progress and stops when told', () => {
    const steps: number[] = []
    const all = findMixes(request(['coir', 'peat', 'perlite', 'sand']), (done) => steps.push(done) > 0)
    expect(steps.at(-1)).toBe(1)
    const cut = findMixes(request(['coir', 'peat', 'perlite', 'sand']), () => false)
    expect(cut.looked).toBeLessThan(all.looked)
  })

  it('refuses what it cannot search', () => {
    expect(() => findMixes(request(['coir'], { mostParts: 13 }))).toThrow(/mostParts/)
    expect(() => findMixes(request(['coir'], { mostMaterials: 7 }))).toThrow(/mostMaterials/)
  })
})

describe('swapping a material', () => {
  it('changes nothing much when a material is swapped for its own twin', () => {
    const twin = { ...materialById('perlite'), id: 'twin' }
    const library = new Map([...BUILT_IN, ['twin', twin]])
    const parts = [
      { materialId: 'coir', parts: 3 },
      { materialId: 'castings', parts: 1 },
      { materialId: 'perlite', parts: 1 },
    ]
    const swapped = substitute(parts, 'perlite', 'twin', tray, library)
    expect(swapped.parts.map((part) => part.parts)).toEqual([3, 1, 1])
    expect(swapped.after).toEqual(swapped.before)
  })

  it('holds air, water and food as near as any whole parts can', () => {
    const parts = [
      { materialId: 'peat', parts: 3 },
      { materialId: 'castings', parts: 1 },
      { materialId: 'perlite', parts: 2 },
    ]
    const swapped = substitute(parts, 'peat', 'coir', tray, BUILT_IN)
    const off = (after: Record<string, number>) =>
      (['air', 'water', 'food'] as const).reduce(
        (sum, trait) => sum + Math.abs(after[trait]! - swapped.before[trait]) / swapped.before[trait],
        0,
      )
    const asked = request(['coir', 'castings', 'perlite'])
    const least = Math.min(...[...everyRecipe(3, 12, 3)].map((one) => off(traitsOf(asked, one))))
    expect(off(swapped.after)).toBeCloseTo(least, 9)
    expect(() => substitute(parts, 'bark', 'coir', tray, BUILT_IN)).toThrow(/fromId/)
    expect(() => substitute(parts, 'peat', 'castings', tray, BUILT_IN)).toThrow(/toId/)
  })
})

describe('from the supplies to the trays', () => {
  const batch = (count: number) => ({
    parts: [
      { materialId: 'coir', parts: 3 },
      { materialId: 'castings', parts: 1 },
    ],
    fills: [{ container: tray, count, coverMm: 5, coverMaterialId: 'vermiculite' }],
    allowances: DEFAULT_ALLOWANCES,
    scoop: { name: 'pot', volumeL: 1 },
    ...plainBatch(),
    materials: BUILT_IN,
  })

  it('agrees with the planner in both directions', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.double({ min: 1, max: 1.002, noNaN: true }),
        (count, more) => {
          const needed = Object.fromEntries(
            planBatch(batch(count)).lines.map(({ material, looseL }) => [material.id, looseL.value * more]),
          )
          expect(mostContainers(batch(1), 0, needed).count).toBe(count)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('names what runs out, and knows when even one is too much', () => {
    expect(mostContainers(batch(1), 0, { castings: 2, coir: 100 }).limitedBy).toBe('castings')
    expect(mostContainers(batch(1), 0, { vermiculite: 0.1 })).toEqual({ count: 0, limitedBy: 'vermiculite' })
    expect(mostContainers(batch(1), 0, {})).toEqual({ count: 5000, limitedBy: null })
  })
})

describe('against an independent linear-programming solver (HiGHS)', () => {
  // Salts, food and cost are linear in the shares where mixing loses nothing: fine materials only.
  const ids = ['coir', 'peat', 'castings', 'compost', 'manure', 'loam']
  const linear = (wants: FinderRequest['wants']) => request(ids, { wants, keep: 1 })
  const alone = ids.map((_, m) =>
    traitsOf(
      linear({}),
      ids.map((__, i) => (i === m ? 1 : 0)),
    ),
  )

  async function cheapest(saltsHigh: number, foodLow: number) {
    const { default: load } = await import('highs')
    const row = (trait: 'salts' | 'food' | 'cost') =>
      alone.map((traits, i) => `${traits[trait].toFixed(12)} x${i}`).join(' + ')
    const whole = ids.map((_, i) => `x${i}`).join(' + ')
    return (await load()).solve(
      `Minimize\n cost: ${row('cost')}\nSubject To\n whole: ${whole} = 1\n salts: ${row('salts')} <= ${saltsHigh}\n food: ${row('food')} >= ${foodLow}\nEnd`,
    )
  }

  it.each([
    [1, 150],
    [1.5, 300],
    [2.5, 20],
    [0.05, 10],
    [0.5, 900],
  ])(
    'salts under %d and food over %d: feasible for both or neither, and never cheaper than the optimum',
    async (salts, food) => {
      const fitting = (cost: { high?: number } = {}) =>
        findMixes(linear({ salts: { high: salts }, food: { low: food }, cost })).fitting
      const solved = await cheapest(salts, food)
      if (solved.Status === 'Infeasible') return expect(fitting()).toBe(0)
      expect(solved.Status).toBe('Optimal')
      expect(fitting({ high: solved.ObjectiveValue - 1e-6 })).toBe(0)
      // Twelve whole parts come near any optimum here, but not onto it.
      expect(
        fitting({ high: solved.ObjectiveValue + Math.max(...alone.map(({ cost }) => cost)) / 6 }),
      ).toBeGreaterThan(0)
    },
  )
})

describe('the finder’s rules for hand and bin', () => {
  const topped = (over: Pick<BatchRequest, 'parts'>): BatchRequest => ({
    ...plainBatch(),
    fills: [{ container: pot, count: 10, coverMm: 0, coverMaterialId: 'mix', topMm: null }],
    allowances: DEFAULT_ALLOWANCES,
    scoop: { name: 'pot', volumeL: 0.5 },
    materials: BUILT_IN,
    ...over,
  })
  const request: FinderRequest = {
    materials: ['old-mix', 'perlite', 'compost'].map(materialById),
    pricePerL: [],
    container: pot,
    wants: {},
    mostParts: 12,
    mostMaterials: 3,
    keep: 1000,
  }

  it('parts that fit the scoop come to whole or half scoops', () => {
    const { best, fitting } = findMixes({ ...request, scoop: { mixL: 12, volumeL: 1 } })
    expect(fitting).toBeGreaterThan(5)
    for (const { parts } of best.slice(0, fitting)) {
      const batch = planBatch(
        topped({
          parts: parts.flatMap((amount, i) =>
            amount ? [{ materialId: request.materials[i]!.id, parts: amount }] : [],
          ),
        }),
      )
      const scoops = 12 / (1 - batch.mixingLoss.value) / parts.reduce((a, b) => a + b, 0)
      expect(Math.abs(scoops * 2 - Math.round(scoops * 2)) / (scoops * 2)).toBeLessThanOrEqual(0.061)
    }
  })

  it('at least so much of the old mix is kept to, and named when it alone excludes', () => {
    const { best, fitting, excludedBy } = findMixes({ ...request, base: { index: 0, share: 0.75 } })
    for (const { parts } of best.slice(0, fitting))
      expect(parts[0]! / parts.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(0.75)
    expect(excludedBy.base).toBe(findMixes(request).looked - fitting)
  })
})
