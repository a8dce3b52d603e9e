import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { cellVolume } from '../containers/container'
import { heightFilled, round, volumeBelow } from '../containers/shape'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { batchProblems, DEFAULT_ALLOWANCES, type BatchRequest } from './batch-request'
import { physicsIn } from './container-physics'
import { mostContainers } from './capacity'
import { sharesOf } from './ingredient'
import { BUILT_IN } from './materials'
import { settlingOf } from './settling'
import { fill, layered, request as plain, rich } from './test/fixture'

const demandIngredients = sharesOf(plain().parts, BUILT_IN)
const given_ = (value: number, unit: string) => given('x', value, unit, yours())
const pot = CONTAINERS.find(({ id }) => id === 'pot-10cm')!

const request = (over: Partial<BatchRequest> = {}) => layered(20, over)

describe('what is in a container already, or comes on top', () => {
  const litres = (over: Partial<BatchRequest>) => planBatch(plain(over)).mixL.value

  // By hand: 10 round pots of 544.9 mL; of each nine tenths, less a 52 mL ball; settling and 5 % spare the same for both.
  it('counts root balls once for each plant, and refuses those that fill the pot', () => {
    const without = litres({ fills: [fill('pot-10cm', 10)] })
    const potted = (plants: number, ballMl: number) =>
      litres({ fills: [{ ...fill('pot-10cm', 10), plants, ballMl }] })
    expect(potted(1, 52) / without).toBeCloseTo((544.9 * 0.9 - 52) / (544.9 * 0.9), 4)
    expect(potted(4, 52) / without).toBeCloseTo((544.9 * 0.9 - 208) / (544.9 * 0.9), 4)
    const problems = batchProblems(plain({ fills: [{ ...fill('pot-10cm', 10), plants: 9, ballMl: 52 }] }))
    expect(problems.map(({ path }) => path.join('.'))).toEqual(['fills.0.ballContainerId'])
  })

  it('never fills a cell beyond its brim, however deep the cover', () => {
    for (const container of CONTAINERS.filter(({ kind }) => kind !== 'block'))
      for (const part of [0.05, 0.2, 0.35, 0.5]) {
        const one = { ...fill(container.id, 1), coverMm: container.shape.depthMm * part }
        const [demand] = planBatch(
          plain({ fills: [one], allowances: { ...DEFAULT_ALLOWANCES, spare: 0 } }),
        ).fills
        const settled = demand!.looseL.value / (1 + settlingOf(demandIngredients).value)
        const brim = (cellVolume(container).value * container.cells) / 1000
        expect(settled + demand!.coverL!.value).toBeLessThanOrEqual(
          Math.max(brim, demand!.coverL!.value) + 1e-9,
        )
      }
  })

  it('what is at hand fills no more than what passes the sieve', () => {
    const sieved = plain({ parts: [{ materialId: 'home-compost', parts: 1 }], preparations: ['sieve'] })
    const { count } = mostContainers(sieved, 0, { 'home-compost': 40 })
    const needs = (n: number) =>
      planBatch({ ...sieved, fills: [{ ...sieved.fills[0]!, count: n }] }).lines[0]!.sieve!.bagL.value
    expect([needs(count) <= 40, needs(count + 1) > 40]).toEqual([true, true])
  })
})

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
      physicsIn(pot, fineMix, { lower: { ...richMix, heightMm } }).airSpace.value
    const same = physicsIn(pot, fineMix, { lower: { ...fineMix, heightMm: 55 } })
    const plain = physicsIn(pot, fineMix)
    expect(same.airSpace.value).toBeCloseTo(plain.airSpace.value, 6)
    expect(same.wetWeightG.value).toBeCloseTo(plain.wetWeightG.value, 3)
    expect(at(1e-6)).toBeCloseTo(plain.airSpace.value, 4)
    expect(at(pot.shape.depthMm - 1e-6)).toBeCloseTo(physicsIn(pot, richMix).airSpace.value, 4)
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
