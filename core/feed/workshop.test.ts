import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { nitrogenWantedMg } from '../media/food'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { blendFeeds, BLEND_ELEMENTS, clash, concentratesOf, perGram } from './blend'
import { solutionFor, vesselsToCarry } from './drink'
import { ecOfFeed } from './ec'
import { feedProblems, type Feed } from './feed'
import { FEEDS } from './feeds'
import { forPlantingHole, granularFor, topDressDays } from './granular'
import { planInjector } from './injector'
import { canMeasure, fairFrom } from './measuring'
import { advised, massOfWay, searchWays, spreadAt, stockVolumes } from './planner'
import { habitOf, planProgramme, runsOutOn, type FeedRung, type ProgrammeRequest } from './programme'
import { concentrationOf, readRate, spellings, strengthOfRate, waterToRescue } from './rate'
import { causesOf, type BenchRecord } from './signs'
import { isScale, type Tool } from './tool'
import { blendWithRain, rainForAlkalinity } from './water'

const feed = (id: string) => FEEDS.find((one) => one.id === id)!
const figure = (value: number, unit = '') => given('x', value, unit, yours())
const rate = (text: string, form: Feed['form'] = 'liquid', kitchen: 'us' | 'metric' | 'imperial' = 'us') => {
  const read = readRate(text, form, kitchen)
  if (!read.ok) throw new Error(read.message)
  return read.rate
}

describe('the generic feeds', () => {
  it('are at least sixteen, obey the rules of a label, and name no release they do not describe', () => {
    expect(FEEDS.length).toBeGreaterThanOrEqual(16)
    for (const one of FEEDS) {
      expect(feedProblems(one)).toEqual([])
      expect(one.release).toMatch(/\.$/)
    }
    expect(new Set(FEEDS.map(({ id }) => id)).size).toBe(FEEDS.length)
  })

  // Calcium nitrate tetra-/decahydrate salts, KNO3, KH2PO4, MgSO4·7H2O by formula masses (IUPAC).
  it.each([
    ['potassium-nitrate', 'nPercent', (14.007 / 101.1) * 100],
    ['monopotassium-phosphate', 'p2o5Percent', (141.94 / 2 / 136.09) * 100],
    ['magnesium-sulphate', 'mgPercent', (24.305 / 246.47) * 100],
    ['magnesium-sulphate', 'sPercent', (32.06 / 246.47) * 100],
    ['ammonium-sulphate', 'nPercent', (28.014 / 132.14) * 100],
    ['urea', 'nPercent', (28.014 / 60.06) * 100],
  ] as const)('%s has the %s of its formula, less what impurities and moisture take', (id, key, pure) => {
    expect(feed(id)[key]! / pure).toBeGreaterThan(0.93)
    expect(feed(id)[key]! / pure).toBeLessThan(1.02)
  })
})

describe('a rule in any spelling', () => {
  // mL of a liquid in a litre, by NIST Handbook 44 volumes.
  it.each([
    ['5 ml/l', 5],
    ['15 ml to 4.5 litres', 15 / 4.5],
    ['1 tbsp per gal', 14.78676478125 / 3.785411784],
    ['2 fl oz per gallon', 59.147059125 / 3.785411784],
    ['2 oz per gallon', 59.147059125 / 3.785411784],
    ['1 tsp in 2 gal', 4.92892159375 / 7.570823568],
    ['1/2 tsp/qt', 2.464460796875 / 0.946352946],
    ['1:200', 5],
    ['1 to 199', 5],
    ['1 in 500', 2],
    ['1 part to 15 parts of water', 1000 / 16],
  ])('%s', (text, mlPerL) => {
    const liquid = { ...feed('liquid-5'), densityGPerMl: 1.2 }
    expect(concentrationOf(rate(text), liquid)!.value).toBeCloseTo(mlPerL * 1.2, 9)
  })

  it('keeps the 75 rule: 1 oz of anything to 100 US gallons is 74.9 mg/L a hundred per cent (extension, from memory)', () => {
    const pure = { ...feed('balanced-20'), nPercent: 100, p2o5Percent: 0, k2oPercent: 0 }
    expect(strengthOfRate(rate('1 oz in 100 gal', 'powder'), pure)!.value).toBeCloseTo(74.9, 1)
  })

  it('reads shares of the label, strengths, and label numbers as what they are', () => {
    const balanced = feed('balanced-20')
    for (const [text, nMgPerL] of [
      ['full', 200],
      ['half', 100],
      ['a quarter', 50],
      ['1/4 strength', 50],
      ['a tenth of the label rate', 20],
      ['30 % of the label', 60],
      ['120 ppm N', 120],
      ['120 mg/L', 120],
    ] as const)
      expect(strengthOfRate(rate(text, 'powder'), balanced)!.value).toBeCloseTo(nMgPerL, 9)
    // "No stronger than 5-5-5" says nothing until it is diluted.
    const numbers = rate('no stronger than 5-5-5')
    expect(numbers).toEqual({ kind: 'label numbers', n: 5, p2o5: 5, k2o: 5 })
    expect(strengthOfRate(numbers, balanced)).toBeNull()
    expect(strengthOfRate(rate('half'), { ...balanced, labelRatePerL: null })).toBeNull()
  })

  it('keeps the two meanings of 1 : n apart: 6 % at 1 : 16', () => {
    const liquid = feed('liquid-5')
    const [within, to] = [
      strengthOfRate(rate('1:16'), liquid, 'in')!,
      strengthOfRate(rate('1:16'), liquid, 'to')!,
    ]
    expect(within.value / to.value).toBeCloseTo(17 / 16, 9)
  })

  it.each(['', 'some', '3 handfuls per gal', '5 ml per bucketful', '0 ml/l', '5 ml/0 l', '1:0', 'per gal'])(
    '%p is told, not guessed',
    (text) => {
      const read = readRate(text, 'liquid', 'metric')
      expect(read).toEqual({ ok: false, message: expect.stringMatching(/Write it like|above 0|must be/) })
    },
  )

  it('comes back: every spelling printed for a strength reads as that strength, within what a spoon can say', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FEEDS.filter((one) => one.nPercent >= 2 && one.use !== 'mixed in')),
        fc.double({ min: 20, max: 300, noNaN: true }),
        (one, nMgPerL) => {
          for (const { id, text } of spellings(one, nMgPerL)) {
            const read = rate(text.replace(/US /g, '').replace('gallons', 'gal'), one.form)
            const back = strengthOfRate(read, one)!.value
            // Quarter spoons and fluid ounces round; grams, millilitres and ratios keep two figures and more.
            const tolerance = ['tsp', 'floz'].includes(id) ? 0.126 : 0.06
            expect(Math.abs(back / nMgPerL - 1)).toBeLessThan(tolerance)
          }
        },
      ),
    )
  })

  it('rescues what was mixed too strong: twice too strong wants as much water again', () => {
    expect(waterToRescue(figure(200), figure(2, 'L'), figure(100)).value).toBe(2)
    expect(waterToRescue(figure(80), figure(2, 'L'), figure(100)).value).toBe(0)
  })
})

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

describe('salts and water', () => {
  it('come from the cations: 1 g/L of potassium nitrate is 9.77 meq of potassium, 0.98 mS/cm', () => {
    // K 38.2 % of the salt of that label: 46 % K2O · 0.8301 = 381.8 mg/L ÷ 39.098.
    expect(ecOfFeed(feed('potassium-nitrate'), figure(1, 'g/L')).value).toBeCloseTo(381.846 / 39.098 / 10, 4)
  })

  it('of urea are none, of the label’s slope what it says', () => {
    expect(ecOfFeed(feed('urea'), figure(1, 'g/L')).value).toBe(0)
    // 1 g/L of 20-20-20 is 200 mg/L at 0.4 mS/cm a hundred.
    expect(ecOfFeed(feed('balanced-20'), figure(1, 'g/L')).value).toBeCloseTo(0.8, 9)
  })

  it('rain thins tap water in proportion, and the least share that is enough is found', () => {
    const tap = { ecMsPerCm: 0.8, alkalinityMgPerL: 305 }
    expect(blendWithRain(tap, 0.5).alkalinityMgPerL.value).toBeCloseTo(155, 9)
    expect(blendWithRain(tap, 0).drift).toBe('up')
    const share = rainForAlkalinity(tap)
    expect(blendWithRain(tap, share).alkalinityMgPerL.value).toBeCloseTo(150, 9)
    expect(blendWithRain(tap, share - 0.01).drift).toBe('up')
    expect(rainForAlkalinity({ ecMsPerCm: 0.3, alkalinityMgPerL: 100 })).toBe(0)
  })
})

describe('a blend of several feeds', () => {
  const salts = [
    'calcium-nitrate',
    'potassium-nitrate',
    'monopotassium-phosphate',
    'magnesium-sulphate',
    'ammonium-sulphate',
  ].map(feed)

  it('reaches what can be reached, exactly', () => {
    const grams = [0.6, 0.3, 0.15, 0.4, 0.1]
    const wanted = Object.fromEntries(
      BLEND_ELEMENTS.map((element) => [
        element,
        salts.reduce((sum, one, i) => sum + perGram(one)[element] * grams[i]!, 0),
      ]),
    ) as ReturnType<typeof perGram>
    const blend = blendFeeds(salts, wanted)
    expect(blend.missMgPerL).toBeLessThan(1e-3)
    for (const { feed: one, gPerL } of blend.lines)
      expect(gPerL).toBeCloseTo(grams[salts.findIndex(({ id }) => id === one.id)]!, 4)
  })

  it('is the nearest there is: the conditions of Karush, Kuhn and Tucker hold', () => {
    const want = fc.double({ min: 0, max: 250, noNaN: true })
    fc.assert(
      fc.property(
        fc.subarray(
          FEEDS.filter(({ form }) => form === 'powder'),
          { minLength: 1, maxLength: 6 },
        ),
        fc.tuple(want, want, want, want, want),
        (feeds, [N, P, K, Ca, Mg]) => {
          fc.pre(N + P + K + Ca + Mg > 1)
          const wanted = { N, P, K, Ca, Mg }
          const blend = blendFeeds(feeds, wanted)
          for (const one of feeds) {
            const row = perGram(one)
            const gradient = BLEND_ELEMENTS.reduce((sum, e) => sum + row[e] * (blend.gives[e] - wanted[e]), 0)
            const size = Math.hypot(...BLEND_ELEMENTS.map((e) => row[e])) * Math.hypot(N, P, K, Ca, Mg)
            const used = blend.lines.some(({ feed: other }) => other.id === one.id)
            if (used) expect(Math.abs(gradient) / size).toBeLessThan(1e-4)
            else expect(gradient / size).toBeGreaterThan(-1e-4)
          }
        },
      ),
    )
  })

  it('never lets calcium meet sulphate or phosphate in one bottle', () => {
    fc.assert(
      fc.property(fc.subarray([...FEEDS]), (feeds) => {
        const { a, b } = concentratesOf(feeds)
        expect([...a, ...b].map(({ id }) => id).sort()).toEqual(feeds.map(({ id }) => id).sort())
        // A feed that clashes with itself alone is one bottle's matter of its maker.
        const simple = feeds.filter((one) => !((one.caPercent ?? 0) > 0 && one.p2o5Percent > 0))
        const { a: first, b: second } = concentratesOf(simple)
        for (const bottle of [first, second])
          for (const one of bottle) for (const other of bottle) expect(clash(one, other)).toBe(false)
      }),
    )
    expect(clash(feed('calcium-nitrate'), feed('magnesium-sulphate'))).toBe(true)
    expect(clash(feed('calcium-nitrate'), feed('monopotassium-phosphate'))).toBe(true)
    expect(clash(feed('potassium-nitrate'), feed('calcium-nitrate'))).toBe(false)
  })
})

const rung = (over: Partial<FeedRung> = {}): FeedRung => ({
  stageId: 'true-leaves',
  days: 21,
  cellMl: 45,
  releasedMgPerL: 0,
  nMgPerL: 60,
  everyDays: 3,
  ...over,
})
const programme = (over: Partial<ProgrammeRequest> = {}): ProgrammeRequest => ({
  feed: feed('balanced-20'),
  appetite: 'medium',
  school: 'weak and often',
  plants: 72,
  rungs: [
    rung({ stageId: 'seed-leaves', days: 7, nMgPerL: 25 }),
    rung(),
    rung({ stageId: 'potted-up', days: 21, cellMl: 500, nMgPerL: 100 }),
  ],
  ...over,
})

describe('the ladder of feeds', () => {
  it('feeds nothing in the week the seed feeds itself, and begins before hunger does', () => {
    const plan = planProgramme(programme())
    const first = plan.events.find(({ notYet }) => !notYet)!
    expect(first.day).toBeGreaterThanOrEqual(4)
    expect(first.day).toBeLessThanOrEqual(7)
    expect(plan.hungryFrom === null || plan.hungryFrom > first.day).toBe(true)
  })

  it('waits while the mix still feeds: a rich mix puts the first feed off', () => {
    const at = (releasedMgPerL: number) => {
      const plan = planProgramme(programme({ rungs: [rung({ days: 35, releasedMgPerL })] }))
      return plan.events.find(({ notYet }) => !notYet)?.day ?? Infinity
    }
    expect(at(100)).toBeGreaterThan(at(0))
    expect(at(400)).toBeGreaterThan(at(100))
  })

  it('a plant that gets plain water from a sterile mix is hungry after its seed is used up', () => {
    const plan = planProgramme(programme({ rungs: [rung({ days: 28, nMgPerL: 0 })] }))
    expect(plan.events).toEqual([])
    // 7–10 days [common practice]: seed feeds itself.
    expect(plan.hungryFrom).toBeGreaterThanOrEqual(7)
    expect(plan.hungryFrom).toBeLessThanOrEqual(11)
    expect(plan.mixLasts).toBe(plan.hungryFrom)
  })

  it('wants what free growth wants as long as the cell is no limit, and less once it is', () => {
    const roomy = planProgramme(programme({ rungs: [rung({ days: 21, cellMl: 50_000 })] })).wantedMg
    roomy.forEach((wanted, day) =>
      expect(wanted / Math.max(nitrogenWantedMg(day, 'medium'), 1e-9)).toBeCloseTo(day ? 1 : 0, 1),
    )
    const tight = planProgramme(programme({ rungs: [rung({ days: 60, cellMl: 10 })] })).wantedMg
    expect(tight.at(-1)! / nitrogenWantedMg(60, 'medium')).toBeLessThan(0.2)
  })

  it('adds up: feed for all is strength times volume over the label, plant for plant', () => {
    const plan = planProgramme(programme())
    const mg = plan.events
      .filter(({ notYet }) => !notYet)
      .reduce((sum, { nMgPerL, mlPerPlant }) => sum + (nMgPerL * mlPerPlant) / 1000, 0)
    // 20 % nitrogen: 200 mg in a gram.
    expect(plan.feedAmount.value).toBeCloseTo((72 * mg) / 200, 9)
    expect(plan.feedPerPlant.value * 72).toBeCloseTo(plan.feedAmount.value, 9)
    expect(runsOutOn(plan, programme(), plan.feedAmount.value)).toBeNull()
    const half = runsOutOn(plan, programme(), plan.feedAmount.value / 2)!
    const before = plan.events.filter(({ day, notYet }) => !notYet && day < half)
    const used = before.reduce(
      (sum, { nMgPerL, mlPerPlant }) => sum + (72 * nMgPerL * mlPerPlant) / 1000 / 200,
      0,
    )
    expect(used).toBeLessThanOrEqual(plan.feedAmount.value / 2)
  })

  it('a living mix is fed once, on the day it is potted up', () => {
    const { everyDays, nMgPerL } = habitOf('living mix', 'potted-up')
    const rungs = [rung({ everyDays: 0 }), rung({ stageId: 'potted-up', cellMl: 500, everyDays, nMgPerL })]
    const plan = planProgramme(programme({ school: 'living mix', rungs }))
    expect(plan.events.map(({ day }) => day)).toEqual([21])
  })

  it.each<[string, Partial<ProgrammeRequest>, RegExp]>([
    ['no rung', { rungs: [] }, /rungs/],
    ['no plant', { plants: 0 }, /plants/],
    ['a feed without nitrogen', { feed: feed('magnesium-sulphate') }, /feedId/],
    ['a rung of no days', { rungs: [rung({ days: 0 })] }, /days/],
  ])('%s is refused', (_, over, message) => {
    expect(() => planProgramme(programme(over))).toThrow(message)
  })
})

describe('volumes', () => {
  it('a tray drinks what its mix has lost, and a little is left over: worked by hand', () => {
    const tray = { ...CONTAINERS.find(({ id }) => id === 'tray-72')!, measuredVolumeMl: 45 }
    const physics = { easilyAvailableWater: figure(0.2, 'share') }
    // 2 · 72 · 45 mL · 0.2 · 0.45 · 1.15
    expect(solutionFor(tray, 2, physics).value).toBeCloseTo(2 * 72 * 0.045 * 0.2 * 0.45 * 1.15, 9)
    expect(vesselsToCarry(figure(18.1, 'L'), figure(9, 'L')).value).toBe(3)
    expect(vesselsToCarry(figure(18, 'L'), figure(9, 'L')).value).toBe(2)
  })

  it('an injector of 1 in 100 wants a hundred times the strength in a hundredth of the water', () => {
    const plan = planInjector(figure(0.5, 'g/L'), figure(200, 'L'), 100)
    expect([plan.concentrateGPerL.value, plan.concentrateL.value, plan.dissolves]).toEqual([50, 2, true])
    expect(planInjector(figure(1.5, 'g/L'), figure(200, 'L'), 100).dissolves).toBe(false)
    expect(() => planInjector(figure(1), figure(1), 1)).toThrow(/ratio/)
  })

  it('granules go by the litre of mix and by the planting hole', () => {
    const granules = { ...feed('granular-5'), densityGPerMl: 0.75 }
    const pot = { ...CONTAINERS.find(({ id }) => id === 'pot-10cm')!, measuredVolumeMl: 500 }
    const dose = granularFor(granules, 3, pot)
    expect([dose.perPotG.value, dose.perPotMl.value]).toEqual([1.5, 2])
    // 3 g/L · 5 % · half let go
    expect(dose.nitrogenMgPerL.value).toBeCloseTo(75, 9)
    expect(forPlantingHole(granules, 10).massG.value).toBe(30)
    expect(topDressDays(90)).toEqual([42, 84])
  })
})

describe('signs', () => {
  const well: BenchRecord = {
    lastNMgPerL: 60,
    band: [50, 75],
    ecMsPerCm: 0.8,
    ecLimitMsPerCm: 1.5,
    daysPastFood: -6,
    air: 0.14,
    airLeast: 0.08,
    ph: 6,
    alkalinityMgPerL: 80,
    saltsMsPerCm: 0.8,
    coldestC: 20,
  }
  const first = (sign: Parameters<typeof causesOf>[0], over: Partial<BenchRecord>) =>
    causesOf(sign, { ...well, ...over })[0]?.id

  it('follow the record: the number that is off comes first, with the number', () => {
    expect(first('pale', { daysPastFood: 10 })).toBe('hungry')
    expect(first('pale', { air: 0.02 })).toBe('drowned')
    expect(first('burnt', { lastNMgPerL: 180 })).toBe('strong-feed')
    expect(first('burnt', { ecMsPerCm: 3 })).toBe('salts')
    expect(first('purple', { coldestC: 9 })).toBe('cold')
    expect(first('crust', { ecMsPerCm: 2.6 })).toBe('salts')
    expect(causesOf('burnt', { ...well, lastNMgPerL: 180 })[0]!.because).toContain('180 mg/L')
  })

  it('what the record speaks against is left out, what it knows nothing of comes last', () => {
    expect(causesOf('burnt', well)).toEqual([])
    const unknown = causesOf('pale', { ...well, daysPastFood: null, air: 0.02 })
    expect(unknown.at(-1)).toMatchObject({ id: 'hungry', weight: 0 })
  })
})
