import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { density, type Feed } from './feed'
import { FEEDS } from './feeds'
import { canMeasure, fairFrom } from './measuring'
import { advised, searchWays, spreadAt, stockVolumes, type Scooped, type Way } from './planner'
import { isScale, type Tool } from './tool'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const tool = (kind: Tool['kind'], capacityMl: number | null, id = `${kind} ${capacityMl}`): Tool => ({
  id,
  name: id,
  kind,
  capacityMl,
})
const KIT = [
  tool('spoon', 5),
  tool('spoon', 15),
  tool('cap', 8),
  tool('syringe', 1),
  tool('syringe', 10),
  tool('kitchen scale', null),
  tool('pocket scale', null),
  tool('jug', 1000),
  tool('jug', 3000),
]

/** Grams of feed that a way really measures out: the inverse of the search. */
function massOfWay({ stocks, dose }: Pick<Way, 'stocks' | 'dose'>, feed: Feed): number {
  const inGrams = ({ tool, amount }: Scooped) => (isScale(tool.kind) ? amount : amount * density(feed).value)
  const [first, ...rest] = stocks
  if (!first) return inGrams(dose)
  let gPerMl = inGrams(first) / (first.madeUpToL * 1000)
  for (const { amount, madeUpToL } of rest) gPerMl *= amount / (madeUpToL * 1000)
  return gPerMl * dose.amount
}

describe('the measuring planner', () => {
  /** Every way, by plain loops, without sorting or stopping early. */
  function bruteForce(one: Feed, massG: number, tools: readonly Tool[]) {
    const density = one.densityGPerMl ?? (one.form === 'powder' ? 0.95 : 1.15)
    const steps: Record<string, number> = { spoon: 0.5, cap: 0.5, syringe: 0.01 }
    const stepOf = (t: Tool) =>
      isScale(t.kind) ? (t.kind === 'pocket scale' ? 0.01 : 1) : steps[t.kind]! * t.capacityMl!
    const fair = (t: Tool, amount: number) =>
      amount > 0 && amount >= fairFrom(t) && (isScale(t.kind) || amount / t.capacityMl! <= 12)
    const easy = (t: Tool) =>
      isScale(t.kind) ? [1, 2, 5, 10, 20, 25, 50, 100] : [1, 2, 3, 4, 5].map((n) => n * t.capacityMl!)
    const dosing = (t: Tool, wanted: number, variance: number) => {
      const amount = Math.round(wanted / stepOf(t)) * stepOf(t)
      if (!fair(t, amount) || wanted < fairFrom(t)) return Infinity
      return Math.abs(amount / wanted - 1) + Math.sqrt(variance + spreadAt(t, wanted) ** 2)
    }
    const best = { direct: Infinity, stock: Infinity, twoStep: Infinity }
    const volumes = stockVolumes(tools)
    const wet = tools.filter((t) => !isScale(t.kind) && canMeasure(t, { form: 'liquid' }))
    for (const a of tools.filter((t) => canMeasure(t, one))) {
      best.direct = Math.min(best.direct, dosing(a, isScale(a.kind) ? massG : massG / density, 0))
      for (const x of easy(a).filter((amount) => fair(a, amount)))
        for (const v of volumes) {
          const grams = isScale(a.kind) ? x : x * density
          if (grams / v > 100) continue
          const e1 = spreadAt(a, x) ** 2 + 0.03 ** 2
          const c1 = grams / v / 1000
          for (const d of wet) {
            const ml = massG / c1
            if (ml <= v * 1000) best.stock = Math.min(best.stock, dosing(d, ml, e1))
          }
          for (const b of wet)
            for (const y of easy(b).filter((amount) => fair(b, amount)))
              for (const w of volumes) {
                if (y >= w * 1000 || y > v * 1000) continue
                const ml = massG / ((c1 * y) / w / 1000)
                const e2 = spreadAt(b, y) ** 2 + 0.03 ** 2
                for (const d of wet)
                  if (ml <= w * 1000) best.twoStep = Math.min(best.twoStep, dosing(d, ml, e1 + e2))
              }
        }
    }
    return best
  }

  it('finds the least error that trying everything finds, for each number of steps', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(feed('balanced-20'), feed('liquid-5'), feed('urea')),
        fc.double({ min: -3, max: 2, noNaN: true }),
        fc.subarray(KIT, { minLength: 1 }),
        (one, exponent, tools) => {
          const massG = 10 ** exponent
          const found = searchWays({ feed: one, massG, tools })
          const all = bruteForce(one, massG, tools)
          for (const steps of ['direct', 'stock', 'twoStep'] as const) {
            if (Number.isFinite(all[steps])) expect(found[steps]!.worst).toBeCloseTo(all[steps], 9)
            else expect(found[steps]).toBeNull()
          }
        },
      ),
      { numRuns: 60 },
    )
  }, 60_000)

  it('gives what it promises: the grams of the way are the wanted ones but for its rounding', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(feed('balanced-20'), feed('liquid-5')),
        fc.double({ min: -2.5, max: 2, noNaN: true }),
        (one, exponent) => {
          const massG = 10 ** exponent
          const { direct, stock, sparing, twoStep } = searchWays({ feed: one, massG, tools: KIT })
          for (const way of [direct, stock, sparing, twoStep])
            if (way) expect(massOfWay(way, one) / massG).toBeCloseTo(1 + way.rounding, 6)
          if (stock) expect(sparing!.worst).toBeLessThanOrEqual(stock.worst + 0.05 + 1e-9)
        },
      ),
    )
  })

  it('takes the fewest steps unless another takes five points off the error', () => {
    const at = (massG: number) => advised(searchWays({ feed: feed('balanced-20'), massG, tools: KIT }))
    expect(at(40)!.stocks).toHaveLength(0)
    expect(at(0.05)!.stocks.length).toBeGreaterThan(0)
    expect(advised(searchWays({ feed: feed('balanced-20'), massG: 1, tools: [] }))).toBeNull()
  })
})
