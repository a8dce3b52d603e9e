import { describe, expect, it } from '@jest/globals'
import { addDays, dayFrom } from '../calendar/day'
import { blendFeeds, BLEND_ELEMENTS, type BlendElement, type WantKinds } from './blend'
import { bottleLabels, keepsDiluted } from './bottle'
import { doseProblems, planDose } from './dose'
import { density, dissolvesNitrogen, elements, feedProblems, type Feed } from './feed'
import { FEEDS } from './feeds'
import { GROWTH_STAGES, growthStageById, judge, timesTheMost } from './growth-stage'
import { injectorProblems, planInjector } from './injector'
import { canMeasure, fairFrom, measureWith } from './measuring'
import { habitOf, planProgramme, programmeProblems, type FeedStage, type ProgrammeRequest } from './programme'
import { readRate } from '../language/rule'
import { concentrationFor, ratioMlPerL } from './strength'
import { amount, pocket, powder, request, syringe, teaspoon, units } from './test/fixture'
import { blendWithRain, rainForAlkalinity, waterProblems } from './water'

/* Labels, doses and programmes, on both sides of each edge. */

const paths = (problems: readonly { readonly path: readonly unknown[] }[]) =>
  problems.map(({ path }) => path.join('.'))

describe('a label', () => {
  const wrong = (over: Partial<Feed>) => paths(feedProblems(powder(5, 5, 5, over)))
  it.each<[keyof Feed, number, number]>([
    ['nPercent', 0, 90],
    ['p2o5Percent', 0, 90],
    ['k2oPercent', 0, 90],
    ['caPercent', 0, 60],
    ['mgPercent', 0, 60],
    ['sPercent', 0, 60],
    ['fePercent', 0, 60],
    ['clPercent', 0, 60],
    ['ecSlopeMsPerCm', 0.01, 10],
    ['densityGPerMl', 0.2, 2.5],
    ['labelRatePerL', 0.001, 1000],
  ])('%s of %d to %d is taken', (field, low, high) => {
    expect([wrong({ [field]: low }), wrong({ [field]: high })]).toEqual([[], []])
    expect(wrong({ [field]: low - 0.0005 - (low === 0 ? 0.1 : 0) })).toEqual([field])
    expect(wrong({ [field]: high * 1.2 })).toEqual([field])
  })
  it('may leave out its density, its rate and its slope', () => {
    expect(
      wrong({ densityGPerMl: null, labelRatePerL: null, ecSlopeMsPerCm: null } as Partial<Feed>),
    ).toEqual([])
  })
  it('adds up to 100 at the most, and to something', () => {
    expect([paths(feedProblems(powder(50, 30, 20))), paths(feedProblems(powder(50, 30, 20.1)))]).toEqual([
      [],
      ['nPercent'],
    ])
    expect(paths(feedProblems(powder(0, 0, 0)))).toEqual(['nPercent'])
    for (const one of ['caPercent', 'mgPercent', 'sPercent', 'fePercent'])
      expect([one, paths(feedProblems(powder(0, 0, 0, { [one]: 1 })))]).toEqual([one, []])
    expect(paths(feedProblems(powder(-1, 0, 0)))).toEqual(['nPercent'])
  })
  it('shares its nitrogen out among three forms, all of it at the most', () => {
    const forms = (nitrate: number, ammonium: number, urea: number) =>
      paths(feedProblems(powder(5, 5, 5, { nForms: { nitrate, ammonium, urea } })))
    expect([forms(0.5, 0.3, 0.2), forms(1, 0, 0), forms(0, 0, 0)]).toEqual([[], [], []])
    expect([forms(0.5, 0.3, 0.21), forms(1.1, 0, 0), forms(0, -0.1, 0)]).toEqual([
      ['nForms.nitrate'],
      ['nForms.nitrate'],
      ['nForms.ammonium'],
    ])
  })
  it('without a density says which is assumed: 0.95 for a powder’s bulk, 1.15 for a liquid', () => {
    const of = (form: Feed['form'], densityGPerMl: number | null) =>
      density(powder(5, 5, 5, { form, densityGPerMl }))
    expect([of('powder', 0.7).name, of('liquid', 1.2).name]).toEqual(['Bulk density', 'Density'])
    expect([of('powder', 0.7).value, of('powder', null).value, of('liquid', null).value]).toEqual([
      0.7, 0.95, 1.15,
    ])
  })
  it('dissolves nitrogen where it holds any and is given in water', () => {
    for (const feed of FEEDS)
      expect([feed.id, dissolvesNitrogen(feed)]).toEqual([
        feed.id,
        feed.nPercent > 0 && feed.use !== 'mixed in',
      ])
    expect(elements(powder(10, 10, 10)).p.value).toBeCloseTo(4.364, 9)
  })
})

describe('a growth stage', () => {
  it('likes a strength from its lower to its upper edge', () => {
    for (const stage of GROWTH_STAGES.filter(({ highNMgPerL }) => highNMgPerL > 0)) {
      const { lowNMgPerL: low, highNMgPerL: high } = stage
      expect([low - 0.1, low, high, high + 0.1].map((n) => judge(n, stage))).toEqual([
        'weak',
        'right',
        'right',
        'strong',
      ])
      expect([timesTheMost(high, stage), timesTheMost(high * 2, stage)]).toEqual([null, 2])
    }
    const before = growthStageById('before-emergence')
    expect([judge(0, before), judge(0.1, before), timesTheMost(50, before)]).toEqual([
      'right',
      'none wanted',
      null,
    ])
    expect(() => growthStageById('adult')).toThrow(RangeError)
  })
})

describe('a dose', () => {
  const wrong = (over: object) => paths(doseProblems(request(over)))
  it('is of 0.1 to 1000 mg/L, in 10 mL to 10 000 L', () => {
    const strength = (targetNMgPerL: number) => wrong({ targetNMgPerL })
    expect([strength(0.1), strength(1000), strength(0.09), strength(1001)]).toEqual([
      [],
      [],
      ['targetNMgPerL'],
      ['targetNMgPerL'],
    ])
    const jug = (volumeL: number) => wrong({ vessel: { name: 'jug', volumeL } })
    expect([jug(0.01), jug(10_000), jug(0.009), jug(10_001)]).toEqual([
      [],
      [],
      ['vessel.volumeL'],
      ['vessel.volumeL'],
    ])
  })
  it('of a liquid is what it holds undiluted at the most; of a powder there is no such end', () => {
    // 0.02 % of 1 g/mL are 200 mg/L.
    const brew = powder(0.02, 0, 0.1, { form: 'liquid', densityGPerMl: 1 })
    expect([wrong({ feed: brew, targetNMgPerL: 200 }), wrong({ feed: brew, targetNMgPerL: 201 })]).toEqual([
      [],
      ['targetNMgPerL'],
    ])
    expect(wrong({ feed: powder(0.02, 0, 0.1), targetNMgPerL: 201 })).toEqual([])
    expect(wrong({ feed: powder(5, 5, 5, { use: 'mixed in' }) })).toEqual(['feed'])
  })
  it('above the label’s own rate is a caution, at it is none', () => {
    // 1 g/L of 20 % is 200 mg/L.
    const feed = powder(20, 20, 20, { labelRatePerL: 1 })
    const ids = (targetNMgPerL: number) => planDose(request({ feed, targetNMgPerL })).cautions
    expect([ids(200).includes('aboveLabel'), ids(201).includes('aboveLabel')]).toEqual([false, true])
  })
  it('takes a stock where no tool measures it within a quarter', () => {
    const dose = (targetNMgPerL: number, tools = [teaspoon]) => planDose(request({ targetNMgPerL, tools }))
    for (const target of [5, 20, 60, 120, 240]) {
      const { ways, stock } = dose(target, [teaspoon, syringe, pocket])
      const [best] = ways
      const coarse = !best || best.fit !== 'fair' || best.worst.value > 0.25
      expect([target, stock !== null && !coarse]).toEqual([target, false])
    }
  })
})

describe('a tool', () => {
  it('measures fairly from its step on; a scale from ten times its error', () => {
    expect([fairFrom(teaspoon), fairFrom(units), fairFrom(pocket)].map((n) => Number(n.toFixed(6)))).toEqual([
      2.5, 10, 0.5,
    ])
    const fit = (grams: number, tool = units) =>
      measureWith(tool, { massG: amount(grams, 'g'), volumeMl: amount(grams, 'mL') }).fit
    expect([fit(9.99), fit(10)]).toEqual(['too small', 'fair'])
    expect([fit(2.49, teaspoon), fit(2.5, teaspoon), fit(60, teaspoon), fit(64, teaspoon)]).toEqual([
      'rough',
      'fair',
      'fair',
      'too many',
    ])
  })
  it('takes what it can: a syringe liquids, a spoon both, a jug neither', () => {
    const jug = { ...teaspoon, kind: 'jug' as const }
    expect(
      [syringe, teaspoon, units, jug].map((tool) => [
        canMeasure(tool, { form: 'powder' }),
        canMeasure(tool, { form: 'liquid' }),
      ]),
    ).toEqual([
      [false, true],
      [true, true],
      [true, true],
      [false, false],
    ])
  })
})

describe('a blend', () => {
  const all = <T>(value: T) =>
    Object.fromEntries(BLEND_ELEMENTS.map((element) => [element, value])) as Record<BlendElement, T>
  const feeds = [powder(20, 0, 0), powder(0, 0, 50)]
  it('wants a feed, and something that is more than at most', () => {
    expect(() => blendFeeds([], all(10))).toThrow(/feeds/)
    expect(() => blendFeeds(feeds, all(0))).toThrow(/wanted/)
    const kinds = (over: Partial<WantKinds>) => ({ ...all('any'), ...over }) as WantKinds
    expect(() => blendFeeds(feeds, { ...all(0), N: 50 }, kinds({ N: 'at most' }))).toThrow(/wanted/)
    expect(() => blendFeeds(feeds, { ...all(0), N: 50 }, kinds({}))).toThrow(/wanted/)
    expect(() => blendFeeds(feeds, all(0), kinds({ N: 'exactly' }))).toThrow(/wanted/)
    expect(blendFeeds(feeds, { ...all(0), N: 50 }, kinds({ N: 'exactly' })).lines).toHaveLength(1)
  })
  it('by hand: 50 mg/L of nitrogen out of 20 % are 0.25 g/L, less what the water brings', () => {
    const kinds = { ...all('any'), N: 'exactly' } as WantKinds
    const gPerL = (water: number) =>
      blendFeeds(feeds, { ...all(0), N: 50 }, kinds, { N: water }).lines[0]?.gPerL ?? 0
    expect([gPerL(0), gPerL(10), gPerL(60)].map((n) => Number(n.toFixed(6)))).toEqual([0.25, 0.2, 0])
  })
})

describe('a bottle', () => {
  const label = (nMgPerL: number, feed = powder(20, 20, 20)) =>
    bottleLabels({ feed, nMgPerL, stock: null }, dayFrom('2027-03-01'), String, String)[0]!
  it('names the stages that like its strength, and none that wants plain water', () => {
    expect(
      [label(50), label(75), label(76), label(0)].map((one) => one.growthStages.map(({ id }) => id)),
    ).toEqual([['seed-leaves', 'true-leaves', 'hardening'], ['true-leaves', 'hardening'], [], []])
  })
  it('keeps two weeks, three days where it is organic, a day where it is brewed at home [common practice]', () => {
    const kinds = [
      powder(5, 5, 5),
      powder(5, 5, 5, { organic: true }),
      powder(5, 5, 5, { organic: true, strengthGuessed: true }),
    ]
    expect(kinds.map(keepsDiluted)).toEqual([14, 3, 1])
    expect(label(50).keepUntil).toBe(addDays(dayFrom('2027-03-01'), 14))
  })
})

describe('an injector', () => {
  it('draws 1 in 2 to 1 in 1000; a powder dissolves to 100 g/L', () => {
    expect([2, 1000, 1.9, 1001].map((ratio) => injectorProblems(ratio).length)).toEqual([0, 0, 1, 1])
    const of = (gPerL: number) => planInjector(amount(gPerL, 'g/L'), amount(4, 'L'), 100)
    expect([of(1).dissolves, of(1.001).dissolves, of(1).concentrateL.value]).toEqual([true, false, 0.04])
    expect(() => planInjector(amount(1, 'g/L'), amount(4, 'L'), 1.9)).toThrow(RangeError)
  })
})

describe('water', () => {
  const tap = { ecMsPerCm: 0.7, alkalinityMgPerL: 260 }
  it('drifts up above 150 mg/L of alkalinity, down below 40 [handbook, reference]', () => {
    const drift = (alkalinityMgPerL: number) => blendWithRain({ ...tap, alkalinityMgPerL }, 0).drift
    expect([drift(150.1), drift(150), drift(40), drift(39.9)]).toEqual(['up', 'steady', 'steady', 'down'])
  })
  it('is thinned by as much rain as it takes and no more', () => {
    const share = rainForAlkalinity(tap)
    expect(blendWithRain(tap, share).alkalinityMgPerL.value).toBeCloseTo(150, 9)
    expect([rainForAlkalinity({ ...tap, alkalinityMgPerL: 150 }), rainForAlkalinity(tap, 1)]).toEqual([0, 1])
  })
  it.each([
    ['ecMsPerCm', 5],
    ['alkalinityMgPerL', 800],
  ])('%s is 0 to %d', (field, high) => {
    const wrong = (value: number) => paths(waterProblems({ ...tap, [field]: value }, 0.5))
    expect([wrong(0), wrong(high), wrong(-0.1), wrong(high + 0.1)]).toEqual([[], [], [field], [field]])
    expect([0, 1, -0.1, 1.1].map((rain) => paths(waterProblems(tap, rain)))).toEqual([
      [],
      [],
      ['rainShare'],
      ['rainShare'],
    ])
  })
})

describe('a ratio and a strength', () => {
  it('is 1 : 1 or weaker', () => {
    expect([ratioMlPerL(amount(1, ''), 'in').value, ratioMlPerL(amount(1, ''), 'to').value]).toEqual([
      1000, 500,
    ])
    expect(() => ratioMlPerL(amount(0.99, ''), 'in')).toThrow(RangeError)
    const read = (text: string) => readRate(text, 'liquid', 'metric')
    expect([read('1:1').ok, read('1:0.9').ok, read('0.5:1').ok]).toEqual([true, false, false])
  })
  it('of a feed without nitrogen is none', () => {
    expect(() => concentrationFor(amount(50, 'mg/L'), amount(0, '%'))).toThrow(/no nitrogen/)
    expect(concentrationFor(amount(50, 'mg/L'), amount(0.001, '%')).value).toBeCloseTo(5000, 6)
  })
  it('the other way round is parts of water to one of feed, with nothing before or behind', () => {
    const rate = (text: string) => {
      const read = readRate(text, 'liquid', 'metric')
      return read.ok ? read.rate : null
    }
    expect(rate('500 : 1')).toEqual({ kind: 'ratio', n: 500, meaning: null })
    expect(rate('500 to one part')).toEqual({ kind: 'ratio', n: 500, meaning: 'to' })
    expect(rate('200:1part')).toEqual({ kind: 'ratio', n: 200, meaning: null })
    expect([rate('500:10'), rate('500:1 mL')].map((one) => one?.kind ?? null)).not.toContain('ratio')
    expect(rate('1 part in 20 parts of water')).toEqual({ kind: 'ratio', n: 20, meaning: 'in' })
  })
  it('a share of the label is above 0 and twenty-fold at the most', () => {
    const ok = (text: string) => readRate(text, 'liquid', 'metric').ok
    expect([ok('2000 %'), ok('2001 %'), ok('0 %'), ok('6 %'), ok('5 %')]).toEqual([
      ...[true, false, false, true],
      // So few may be of the label or one part in twenty: it is asked.
      false,
    ])
    expect([ok('0 mg/L'), ok('0.1 mg/L')]).toEqual([false, true])
    const range = readRate('1/2 to 1/4 strength', 'liquid', 'metric')
    expect(range.ok && range.rate).toEqual({ kind: 'label', share: 0.25, upTo: 0.5 })
  })
})

describe('a programme', () => {
  const stage = (over: Partial<FeedStage> = {}): FeedStage => ({
    ...{
      growthStageId: 'true-leaves',
      days: 20,
      cellMl: 45,
      releasedMgPerL: 0,
      starterMgPerL: 0,
      nMgPerL: 60,
      everyDays: 4,
    },
    ...over,
  })
  const programme = (over: Partial<ProgrammeRequest> = {}): ProgrammeRequest => ({
    ...{
      feed: powder(20, 20, 20),
      appetite: 'medium',
      method: 'weak and often',
      plants: 10,
      stages: [stage()],
    },
    ...over,
  })
  const wrong = (over: Partial<FeedStage>) => paths(programmeProblems(programme({ stages: [stage(over)] })))
  it.each<[keyof FeedStage, number, number]>([
    ['days', 1, 120],
    ['cellMl', 1, 50_000],
    ['nMgPerL', 0, 1000],
    ['everyDays', 1, 60],
    ['releasedMgPerL', 0, 5000],
    ['starterMgPerL', 0, 5000],
  ])('%s is %d to %d', (field, low, high) => {
    expect([wrong({ [field]: low }), wrong({ [field]: high })]).toEqual([[], []])
    expect([wrong({ [field]: low - 0.5 }), wrong({ [field]: high + 1 })]).toEqual([
      [`stages.0.${field}`],
      [`stages.0.${field}`],
    ])
  })
  it('is for 1 to 20 000 whole plants, of a stage that is known; never is an interval too', () => {
    const plants = (n: number) => paths(programmeProblems(programme({ plants: n })))
    expect([plants(1), plants(20_000), plants(0), plants(20_001), plants(1.5)]).toEqual([
      [],
      [],
      ['plants'],
      ['plants'],
      ['plants'],
    ])
    expect([wrong({ everyDays: 0 }), wrong({ growthStageId: 'adult' })]).toEqual([
      [],
      ['stages.0.growthStageId'],
    ])
    expect(paths(programmeProblems(programme({ feed: powder(5, 5, 5, { use: 'mixed in' }) })))).toEqual([
      'feedId',
    ])
  })
  it('by its method: the lower edge often, the middle at half strength, the lower edge once', () => {
    const of = (method: 'weak and often' | 'half strength' | 'living mix') =>
      habitOf(method, 'potted-up').nMgPerL
    expect([of('weak and often'), of('half strength'), of('living mix')]).toEqual([100, 150, 100])
  })
  it('each feed that is given brings its strength times a sixth of the cell, from its day on', () => {
    const { events, suppliedMg, wantedMg } = planProgramme(programme())
    const given = events.filter(({ notYet }) => !notYet)
    expect(events.map(({ day }) => day)).toEqual([0, 4, 8, 12, 16])
    expect(given.length).toBeGreaterThan(0)
    const seed = suppliedMg[0]! - (given[0]!.day === 0 ? (60 * 45 * 0.15) / 1000 : 0)
    suppliedMg.forEach((mg, day) => {
      const fed = given.filter((one) => one.day <= day).length
      expect(mg).toBeCloseTo(seed + (fed * 60 * 45 * 0.15) / 1000, 9)
    })
    // One that falls while the plant has enough for two days more is not given.
    for (const { day, notYet } of events) {
      const before = seed + (given.filter((one) => one.day < day).length * 60 * 45 * 0.15) / 1000
      expect([day, notYet]).toEqual([day, before >= wantedMg[Math.min(20, day + 2)]!])
    }
  })
  it('of a living mix is fed whether it needs it yet or not, and only where it is moved into more room', () => {
    const living = planProgramme(
      programme({ method: 'living mix', stages: [stage({ everyDays: 0 }), stage({ everyDays: 0 })] }),
    )
    expect(living.events).toEqual([])
    const rich = stage({ everyDays: 0, cellMl: 500, releasedMgPerL: 3000 })
    const potted = planProgramme(programme({ method: 'living mix', stages: [stage({ everyDays: 0 }), rich] }))
    expect(potted.events).toMatchObject([{ day: 20, notYet: false }])
    const often = planProgramme(programme({ stages: [stage({ nMgPerL: 0 }), { ...rich, everyDays: 4 }] }))
    expect(often.events.every(({ notYet }) => notYet)).toBe(true)
  })
  it('of plain water has no feeds and says from when it is hungry', () => {
    const none = planProgramme(programme({ stages: [stage({ nMgPerL: 0, days: 40 })] }))
    expect([none.events, none.feedAmount.value, none.solutionL.value]).toEqual([[], 0, 0])
    expect(none.wantedMg[none.hungryFrom!]!).toBeGreaterThan(none.suppliedMg[none.hungryFrom!]!)
    expect(none.wantedMg[none.hungryFrom! - 1]!).toBeLessThanOrEqual(
      none.suppliedMg[none.hungryFrom! - 1]! * 1.0001,
    )
    expect(none.mixLasts).toBe(none.hungryFrom)
  })
})
