import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { heightFilled, round, volumeBelow } from '../containers/shape'
import { batchSteps } from '../bench/batch-steps'
import { timetable } from '../bench/timetable'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { batchProblems, DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from './batch-request'
import { planBatch } from './batch'
import { physicsIn } from './container-physics'
import { findMixes, traitsOf, type FinderRequest } from './finder'
import { hotWater } from './hot-water'
import { BUILT_IN, materialById } from './materials'
import { stretch } from './reuse'
import { sieveYield } from './sieve'

const given_ = (value: number, unit: string) => given('x', value, unit, yours())
const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!
const rich = [
  { materialId: 'potting-mix', parts: 2 },
  { materialId: 'perlite', parts: 1 },
]
const fine = [{ materialId: 'seed-mix', parts: 1 }]
const request = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  ...plainBatch(),
  parts: fine,
  lowerParts: rich,
  fills: [{ container: pot, count: 10, coverMm: 0, coverMaterialId: 'mix', topMm: 20 }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  materials: BUILT_IN,
  ...over,
})
const layered = (topMm: number | null, over: Partial<BatchRequest> = {}) =>
  request({ ...over, fills: [{ ...request().fills[0]!, topMm }] })

describe('containers filled in layers', () => {
  it('a cone cut at a height holds what its closed form says', () => {
    // A cone frustum 100 → 50 mm, 100 mm deep, cut at 40 mm, where it is 70 mm wide: πh/12·(D² + Dd + d²).
    const shape = round(100, 50, 100)
    const slice = (Math.PI * 40 * (70 * 70 + 70 * 50 + 50 * 50)) / 12 / 1000
    expect(volumeBelow(shape, given_(40, 'mm'), yours()).value).toBeCloseTo(slice, 9)
    const whole = (Math.PI * 100 * (100 * 100 + 100 * 50 + 50 * 50)) / 12 / 1000
    expect(heightFilled(shape, slice / whole, yours())).toBeCloseTo(40, 6)
  })

  it('of one and the same mix take what one mix takes, wherever the boundary lies', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CONTAINERS),
        fc.double({ min: 0.1, max: 0.6, noNaN: true }),
        (one, part) => {
          fc.pre(one.kind !== 'block' && one.shape.depthMm * part >= 5)
          const fills = [{ container: one, count: 3, coverMm: 0, coverMaterialId: 'mix' }]
          const whole = planBatch(request({ fills, parts: rich }))
          const topMm = one.shape.depthMm * part
          const both = planBatch(request({ fills: [{ ...fills[0]!, topMm }], parts: rich }))
          expect(both.mixL.value + both.lower!.mixL.value).toBeCloseTo(whole.mixL.value, 6)
          both.lines.forEach(({ looseL }, i) =>
            expect(looseL.value).toBeCloseTo(whole.lines[i]!.looseL.value, 6),
          )
        },
      ),
    )
  })

  it('hold the air and water that one mix holds where both are the same, else something between', () => {
    const fineMix = planBatch(layered(null))
    const richMix = planBatch(layered(null, { parts: rich }))
    const at = (heightMm: number) =>
      physicsIn(pot, fineMix.ingredients, fineMix.mixingLoss, {
        ingredients: richMix.ingredients,
        mixingLoss: richMix.mixingLoss,
        heightMm,
      }).airSpace.value
    const same = physicsIn(pot, fineMix.ingredients, fineMix.mixingLoss, {
      ingredients: fineMix.ingredients,
      mixingLoss: fineMix.mixingLoss,
      heightMm: 55,
    })
    const plain = physicsIn(pot, fineMix.ingredients, fineMix.mixingLoss)
    expect(same.airSpace.value).toBeCloseTo(plain.airSpace.value, 6)
    expect(same.wetWeightG.value).toBeCloseTo(plain.wetWeightG.value, 3)
    expect(at(1e-6)).toBeCloseTo(plain.airSpace.value, 4)
    expect(at(pot.shape.depthMm - 1e-6)).toBeCloseTo(
      physicsIn(pot, richMix.ingredients, richMix.mixingLoss).airSpace.value,
      4,
    )
  })

  it.each<[string, Partial<BatchRequest>, string]>([
    [
      'a block',
      { fills: [{ ...request().fills[0]!, container: CONTAINERS.find(({ kind }) => kind === 'block')! }] },
      'fills,0,topMm',
    ],
    ['a top layer deeper than the pot', { fills: [{ ...request().fills[0]!, topMm: 89 }] }, 'fills,0,topMm'],
    ['no lower mix', { lowerParts: [] }, 'lowerParts'],
    ['extras alone', { parts: [], extras: [{ materialId: 'rock-dust', gPerL: 5 }] }, 'parts'],
  ])('%s is told at its field', (_, over, path) => {
    expect(batchProblems(request(over)).map((problem) => problem.path.join())).toContain(path)
  })
})

describe('the sieve', () => {
  it('gives what was wanted: what comes out of the bag is what passes and what stays', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('potting-mix', 'compost', 'loam', 'leaf-mould'),
        fc.constantFrom('sieve' as const, 'fine sieve' as const),
        fc.double({ min: 0.1, max: 500, noNaN: true }),
        (id, mesh, litres) => {
          const yielded = sieveYield(materialById(id), mesh, given_(litres, 'L'))!
          expect(yielded.bagL.value - yielded.staysL.value).toBeCloseTo(litres, 6)
          expect(yielded.staysL.value).toBeGreaterThan(0)
          if (yielded.perliteLostL)
            expect(yielded.perliteLostL.value).toBeLessThanOrEqual(yielded.staysL.value)
        },
      ),
    )
  })

  it('of 3 mm keeps back more than that of 6 mm, and perlite is not sieved', () => {
    const mix = materialById('potting-mix')
    const [coarse, narrow] = [
      sieveYield(mix, 'sieve', given_(10, 'L'))!,
      sieveYield(mix, 'fine sieve', given_(10, 'L'))!,
    ]
    expect(narrow.bagL.value).toBeGreaterThan(coarse.bagL.value)
    expect(narrow.perliteLostL!.value).toBeGreaterThan(coarse.perliteLostL!.value)
    expect(sieveYield(materialById('perlite'), 'sieve', given_(10, 'L'))).toBeNull()
  })
})

describe('hot water', () => {
  const coir = planBatch(layered(null, { parts: [{ materialId: 'coir', parts: 1 }] })).ingredients

  it('heats as much as it cools: worked by hand', () => {
    // 10 L of coir at 80 g/L, dry: 800 g · 1.2 J = 0.96 kJ/K; 4 L of water at 97 °C over 18 °C.
    const { reachesC } = hotWater(given_(10, 'L'), coir, given_(4, 'L'), given_(0, 'L'))
    expect(reachesC.value).toBeCloseTo((0.96 * 18 + 4.18 * 4 * 97) / (0.96 + 4.18 * 4), 6)
  })

  it('does little to a mix that is already wet, and a colder tub is cool sooner', () => {
    const on = (moisture: number, water = 2) =>
      hotWater(given_(10, 'L'), coir, given_(water, 'L'), given_(moisture, 'L'))
    expect(on(4).reachesC.value).toBeLessThan(50)
    expect(on(0).reachesC.value).toBeGreaterThan(80)
    expect(on(4).coolHours.value).toBeLessThan(on(0).coolHours.value)
    expect(on(0, 0).coolHours.value).toBe(0)
  })
})

describe('the timetable', () => {
  const of = (over: Partial<BatchRequest>) => {
    const batch = layered(null, over)
    return timetable(batchSteps(planBatch(batch), batch)).map(({ step, startsMin }) => ({
      ...step,
      startsMin,
    }))
  }
  const coir = [
    { materialId: 'coir', parts: 2 },
    { materialId: 'perlite', parts: 1 },
  ]

  it('is ready in time: each step is over, waits included, before the next begins', () => {
    for (const preparations of [[], ['hot water'], ['sieve', 'moisten', 'hot water']] as const) {
      const list = of({ parts: coir, preparations: [...preparations] })
      list.slice(1).forEach((next, i) => {
        const step = list[i]!
        expect(step.startsMin + (step.workMinutes ?? 15) + (step.waitMinutes ?? 0)).toBeLessThanOrEqual(
          next.startsMin,
        )
      })
      expect(list.find(({ id }) => id.startsWith('fill'))!.startsMin).toBe(0)
    }
  })

  it('soaks on the evening before, twelve hours ahead and more', () => {
    expect(of({ parts: coir })[0]).toMatchObject({ id: 'soak-coir' })
    expect(of({ parts: coir })[0]!.startsMin).toBeLessThanOrEqual(-12 * 60)
    expect(of({ parts: fine })[0]!.startsMin).toBeGreaterThan(-3 * 60)
  })
})

describe('stretching an old mix', () => {
  const plug = CONTAINERS.find(({ id }) => id === 'tray-72')!
  const all = ['perlite', 'pumice', 'rice-hulls', 'bark', 'compost', 'castings', 'manure']

  it('brings air and food back to what is wanted, and adds no more than that takes', () => {
    const [best] = stretch('old-mix', all, plug, BUILT_IN)
    expect(best!.before.air).toBeLessThan(0.08)
    expect(best!.after.air).toBeGreaterThanOrEqual(0.08)
    expect(best!.after.food).toBeGreaterThanOrEqual(60)
    // One part less of either addition falls short somewhere.
    const ids = best!.parts.map(({ materialId }) => materialId)
    const request = {
      materials: ids.map(materialById),
      pricePerL: [],
      container: plug,
      wants: {},
      mostParts: 12,
      mostMaterials: 3,
      keep: 1,
    }
    best!.parts.slice(1).forEach((_, i) => {
      const fewer = best!.parts.map(({ parts }, j) => (j === i + 1 ? parts - 1 : parts))
      const traits = traitsOf(request, fewer)
      expect(traits.air < 0.08 || traits.food < 60).toBe(true)
    })
  })

  it('says so when nothing at hand does it', () => {
    expect(stretch('old-mix', ['perlite'], plug, BUILT_IN)).toEqual([])
  })
})

describe('the finder’s rules for hand and bin', () => {
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
        layered(null, {
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
