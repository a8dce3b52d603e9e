import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '../containers/catalogue'
import { cellVolume } from '../containers/container'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { planBatch } from './batch'
import { batchProblems, DEFAULT_ALLOWANCES, feelOf, isLayered, type BatchRequest } from './batch-request'
import { behaviourOf, COMPARED_IN } from './behaviour'
import { blendOf } from './blend'
import { mostContainers } from './capacity'
import { chemistryOf, dosed } from './chemistry'
import { expectWorked } from '../working/test/worked'
import { physicsIn } from './container-physics'
import { letGoMg, nitrogenSuppliedMg, nitrogenWantedMg } from './food'
import { insideOf } from './inside'
import { isAlive, materialIn, materialProblems, type MaterialFigures } from './material'
import { BUILT_IN, MATERIALS } from './materials'
import { foodOf } from './mix-food'
import { extraProblems, MAX_SHARE, moveBoundary, recipeProblems, saidInParts, setShare } from './recipe'
import { stretch } from './reuse'
import { container, fill, fine, layered, request, rich } from './test/fixture'
import { materialById } from './test/material-by-id'
import { verdictsOn } from './verdicts'

/* Recipes, batches and verdicts, on both sides of each edge. */

const paths = (problems: readonly { readonly path: readonly unknown[] }[]) =>
  problems.map(({ path }) => path.join('.'))
const parts = (...list: [string, number][]) => list.map(([materialId, n]) => ({ materialId, parts: n }))

describe('a material', () => {
  const peat = materialById('peat')
  const wrong = (over: Partial<MaterialFigures>) => paths(materialProblems({ ...peat, ...over }))
  it.each<[keyof MaterialFigures, number, number]>([
    ['dryBulkDensityGPerL', 5, 200],
    ['ph', 2, 12],
    ['smeEcMsPerCm', 0, 20],
    ['nitrogenPercent', 0, 30],
    ['settling', 0, 0.5],
    ['moisture', 0, 0.9],
    ['organic', 0, 1],
    ['mineralised', 0, 1],
    ['bufferWeight', 0, 1],
    ['coarse', 0, 1],
  ])('%s of %d to %d is taken', (field, low, high) => {
    expect([wrong({ [field]: low }), wrong({ [field]: high })]).toEqual([[], []])
    expect(wrong({ [field]: low - 0.01 })).toContain(field)
    if (field !== 'dryBulkDensityGPerL') expect(wrong({ [field]: high + 0.01 })).toEqual([field])
  })
  it('holds no more water when it is drier, and as much is allowed between its points', () => {
    const { theta0, theta10, theta50 } = peat
    expect(wrong({ theta10: theta0 + 0.001 })).toContain('theta10')
    expect(wrong({ theta50: theta10 + 0.001 })).toContain('theta50')
    expect(wrong({ theta100: theta50 + 0.001 })).toContain('theta100')
    expect(wrong({ theta100: theta50 }).filter((path) => path === 'theta100')).toEqual([])
    expect(wrong({ theta0: 0.5, theta10: 0.5, theta50: 0.5, theta100: 0.5 })).toContain('theta10')
  })
  it('has room for its pores beside its solids', () => {
    expect(wrong({ dryBulkDensityGPerL: 2700 })).toContain('theta0')
    expect(wrong({ theta0: 0.05, theta10: 0.04, theta50: 0.03, theta100: 0.02 })).toContain('theta0')
  })
  it('is alive where it brings microbes and is neither bagged nor dosed by the gram', () => {
    const of = (over: object) =>
      isAlive({ kind: 'medium', hazards: ['microbes'], bagged: false, ...over } as Parameters<
        typeof isAlive
      >[0])
    expect([of({}), of({ bagged: true }), of({ hazards: [] }), of({ kind: 'amendment' })]).toEqual([
      true,
      false,
      false,
      false,
    ])
    expect(() => materialIn(BUILT_IN, 'moon dust')).toThrow(RangeError)
  })
})

describe('a recipe', () => {
  const wrong = (...list: [string, number][]) =>
    recipeProblems(parts(...list), BUILT_IN).map(({ path, kind }) => `${path.join('.')}: ${kind}`)
  it('has a material at least, each once, of 0.001 to 1000 parts', () => {
    expect(wrong()).toHaveLength(1)
    expect([wrong(['coir', 0.001]), wrong(['coir', 1000])]).toEqual([[], []])
    expect([wrong(['coir', 0.0009]), wrong(['coir', 1001])].map((one) => one[0]!.slice(0, 8))).toEqual([
      '0.parts:',
      '0.parts:',
    ])
    expect(wrong(['coir', 1], ['peat', 1], ['coir', 1])).toEqual(['2.materialId: materialTwice'])
    expect(wrong(['peat', 1], ['moon', 1])).toEqual(['1.materialId: unknown'])
    expect(
      wrong(['dolomite', 1])
        .concat(wrong([MATERIALS.find(({ kind }) => kind === 'amendment')!.id, 1]))
        .at(-1),
    ).toContain('byTheGram')
  })
  it('has extras of 0.001 to 100 g a litre, of what is known', () => {
    const extra = (materialId: string, gPerL: number) =>
      paths(
        extraProblems(
          [
            { materialId: 'rock-dust', gPerL: 1 },
            { materialId, gPerL },
          ],
          BUILT_IN,
        ),
      )
    expect([extra('rock-dust', 0.001), extra('rock-dust', 100)]).toEqual([[], []])
    expect([extra('rock-dust', 0.0009), extra('rock-dust', 101), extra('moon', 1)]).toEqual([
      ['1.gPerL'],
      ['1.gPerL'],
      ['1.materialId'],
    ])
    expect(extraProblems([{ materialId: 'moon', gPerL: 1 }], BUILT_IN)[0]!.kind).toBe('unknown')
  })
  it('moves a boundary by its step and leaves each a step', () => {
    const two = parts(['coir', 3], ['perlite', 1])
    const moved = (upper: number, step?: number, minimum?: number) =>
      moveBoundary(two, 0, upper, step, minimum).map((one) => one.parts)
    expect([moved(2.1), moved(2.2), moved(99), moved(-1)]).toEqual([
      [2, 2],
      [2.25, 1.75],
      [3.75, 0.25],
      [0.25, 3.75],
    ])
    expect([moved(99, 1), moved(99, 0.25, 1)]).toEqual([
      [3, 1],
      [3, 1],
    ])
    expect(moveBoundary(parts(['coir', 0.2], ['perlite', 0.2]), 0, 1).map((one) => one.parts)).toEqual([
      0.2, 0.2,
    ])
    expect(() => moveBoundary(two, 1, 1)).toThrow(/boundary/)
  })
  it('gives a share above nothing and up to 99 %, of two materials or more', () => {
    const two = parts(['coir', 3], ['perlite', 1])
    expect(setShare(two, 0, MAX_SHARE).map((one) => one.parts)).toEqual([3.96, expect.closeTo(0.04, 9)])
    for (const share of [0, 0.991, NaN]) expect(() => setShare(two, 0, share)).toThrow(/share/)
    expect(() => setShare(parts(['coir', 1]), 0, 0.5)).toThrow(/parts/)
  })
  it('is said in parts', () => {
    expect([saidInParts(parts(['coir', 1])), saidInParts(parts(['coir', 3], ['perlite', 1.333]))]).toEqual([
      'on its own',
      '3 : 1.33',
    ])
  })
})

describe('a batch', () => {
  const wrong = (over: Partial<BatchRequest>) => paths(batchProblems(request(over)))
  const filled = (over: object) => wrong({ fills: [{ ...fill('pot-10cm', 4), ...over }] })
  it.each<[string, number, number]>([
    ['fill', 0.1, 1],
    ['fillUnderCover', 0.1, 1],
    ['blockCompression', 1, 4],
    ['mixingLossK', 0, 0.3],
    ['spare', 0, 1],
  ])('allows for %s of %d to %d', (field, low, high) => {
    const of = (value: number) => wrong({ allowances: { ...DEFAULT_ALLOWANCES, [field]: value } })
    expect([of(low), of(high), of(low - 0.01), of(high + 0.01)]).toEqual([
      [],
      [],
      [`allowances.${field}`],
      [`allowances.${field}`],
    ])
  })
  it('fills 1 to 5000 whole containers, covered half way down at the most', () => {
    expect([
      filled({ count: 1 }),
      filled({ count: 5000 }),
      filled({ count: 0 }),
      filled({ count: 5001 }),
      filled({ count: 1.5 }),
    ]).toEqual([[], [], ['fills.0.count'], ['fills.0.count'], ['fills.0.count']])
    const half = container('pot-10cm').shape.depthMm / 2
    expect([
      filled({ coverMm: 0 }),
      filled({ coverMm: half }),
      filled({ coverMm: half + 0.1 }),
      filled({ coverMm: 0.05 }),
    ]).toEqual([[], [], ['fills.0.coverMm'], ['fills.0.coverMm']])
    expect(filled({ coverMaterialId: 'moon' })).toEqual(['fills.0.coverMaterialId'])
  })
  it('has as many cells and plants as there is room for, and root balls of four fifths', () => {
    expect([filled({ cells: 4 }), filled({ cells: 4.01 }), filled({ cells: 0 })]).toEqual([
      [],
      ['fills.0.cells'],
      ['fills.0.cells'],
    ])
    expect([filled({ plants: 200 }), filled({ plants: 201 }), filled({ plants: 0 })]).toEqual([
      [],
      ['fills.0.plants'],
      ['fills.0.plants'],
    ])
    const most = 0.8 * cellVolume(container('pot-10cm')).value
    expect([
      filled({ ballMl: most }),
      filled({ ballMl: most + 0.01 }),
      filled({ ballMl: most / 2 + 0.01, plants: 2 }),
    ]).toEqual([[], ['fills.0.ballContainerId'], ['fills.0.ballContainerId']])
  })
  it('layers from 5 mm to seven tenths of the depth, and no block', () => {
    const deepest = Math.floor(container('pot-10cm').shape.depthMm * 0.7)
    const of = (topMm: number | null) => paths(batchProblems(layered(topMm)))
    expect([of(5), of(deepest), of(4.9), of(deepest + 1), of(null)]).toEqual([
      [],
      [],
      ['fills.0.topMm'],
      ['fills.0.topMm'],
      [],
    ])
    const block = wrong({ lowerParts: rich, fills: [{ ...fill('block-2in', 4), topMm: 10 }] })
    expect(block).toEqual(['fills.0.topMm'])
    expect([
      isLayered({ ...fill('pot-10cm', 1), topMm: null }),
      isLayered(fill('pot-10cm', 1)),
      isLayered({ ...fill('pot-10cm', 1), topMm: 0 }),
    ]).toEqual([false, false, true])
    expect(wrong({ fills: [{ ...fill('pot-10cm', 4), topMm: 20 }] })).toEqual(['lowerParts'])
  })
  it('is stirred in a tub of 0.1 to 2000 L that takes a scoop, with a scoop of 1 mL to 200 L', () => {
    const tub = (tubL: number | null, volumeL = 0.05) => wrong({ tubL, scoop: { name: 'scoop', volumeL } })
    expect([tub(null), tub(0.1), tub(2000), tub(0.09), tub(2001)]).toEqual([[], [], [], ['tubL'], ['tubL']])
    expect([tub(5, 3), tub(5, 3.01)]).toEqual([[], ['tubL']])
    expect([tub(null, 0.001), tub(null, 200), tub(null, 0.0009), tub(null, 201)]).toEqual([
      [],
      [],
      ['scoop.volumeL'],
      ['scoop.volumeL'],
    ])
  })
  it('needs something to fill, and more than extras', () => {
    expect([wrong({ fills: [] }), wrong({ parts: [] })]).toEqual([['fills'], ['parts']])
    const extras = [{ materialId: 'rock-dust', gPerL: 1 }]
    expect(batchProblems(request({ parts: [], extras }))[0]!.kind).toBe('onlyExtras')
  })
  it('feels as it was said for a container, as peanut butter in blocks, else as the batch', () => {
    const batch = { feel: 'damp' as const }
    expect([
      feelOf(fill('pot-10cm', 1), batch as never),
      feelOf(fill('block-2in', 1), batch as never),
      feelOf({ ...fill('block-2in', 1), feel: 'wrung-out sponge' }, batch as never),
    ]).toEqual(['damp', 'soil block', 'wrung-out sponge'])
  })
  it('cautions of what is in it, what is done to it, and salts above what germinating seed stands', () => {
    const ids = (over: Partial<BatchRequest>) =>
      planBatch(request({ parts: parts(['coir', 1]), ...over })).cautions
    const plain = ids({})
    expect(plain).not.toContain('scald')
    for (const one of ['hot water', 'hot soak', 'scald tools'] as const)
      expect([one, ids({ preparations: [one] }).includes('scald')]).toEqual([one, true])
    expect(ids({ preparations: ['moisten'] })).toEqual(plain)
    expect(ids({ preparations: ['disinfect'] })).toContain('cleaners')
    const media = MATERIALS.filter(({ kind }) => kind === 'medium')
    const amendments = MATERIALS.filter(({ kind }) => kind === 'amendment')
    const [into, extra] = media
      .flatMap((medium) => amendments.map((one) => [medium, one] as const))
      .find(([medium, one]) => one.hazards.some((hazard) => !medium.hazards.includes(hazard)))!
    const both = ids({ parts: parts([into.id, 1]), extras: [{ materialId: extra.id, gPerL: 1 }] })
    expect(both).toEqual(expect.arrayContaining([...extra.hazards]))
    expect([plain.includes('salts'), ids({ parts: parts(['compost', 1]) }).includes('salts')]).toEqual([
      false,
      true,
    ])
  })
  it('goes into the tub in as many goes as are wanted, one where it fits', () => {
    const { stirringTubL } = planBatch(request())
    const goes = (tubL: number | null) => planBatch(request({ tubL })).tubPlan?.tubs.value ?? null
    expect([
      goes(null),
      goes(stirringTubL.value),
      goes(stirringTubL.value - 0.01),
      goes(stirringTubL.value / 2),
    ]).toEqual([null, null, 2, 2])
  })
  it('says what a material is for: the mix, a cover, both', () => {
    const names = (coverMaterialId: string) =>
      planBatch(request({ fills: [fill('tray-72', 1, 5, coverMaterialId)] })).lines.map(
        ({ material: { id }, looseL, share }) => [id, looseL.name, share !== null],
      )
    expect(names('vermiculite').at(-1)).toEqual(['vermiculite', expect.stringContaining('for covers'), false])
    expect(names('perlite').find(([id]) => id === 'perlite')).toEqual([
      'perlite',
      expect.stringContaining('mix and cover'),
      true,
    ])
    expect(names('mix').map(([id]) => id)).toEqual(['coir', 'castings', 'perlite'])
  })
})

describe('how far supplies go', () => {
  it('counts one kind up and leaves the others as they are', () => {
    const fills = [fill('pot-10cm', 4), fill('tray-72', 2)]
    const lines = planBatch(request({ fills: [fills[0]!, fill('tray-72', 7)] })).lines
    const available = Object.fromEntries(
      lines.map(({ material, looseL }) => [material.id, looseL.value + 1e-6]),
    )
    expect(mostContainers(request({ fills }), 1, available)).toMatchObject({ count: 7 })
    expect(mostContainers(request({ fills }), 1, {})).toEqual({ count: 5000, limitedBy: null })
    expect(mostContainers(request({ fills }), 1, { perlite: 0 })).toEqual({ count: 0, limitedBy: 'perlite' })
  })
})

describe('how a mix behaves', () => {
  const of = (
    list: [string, number][],
    price: (id: string) => number | null = () => 1,
    extras: { materialId: string; gPerL: number }[] = [],
  ) => behaviourOf({ parts: parts(...list), extras }, BUILT_IN, price)
  it('rewets slowly from 35 % of peat and hardly from 70 %', () => {
    const rewets = (peat: number) =>
      of([
        ['peat', peat],
        ['perlite', 100 - peat],
      ]).rewets
    expect([rewets(34.9), rewets(35), rewets(69.9), rewets(70)]).toEqual([
      'easily',
      'slowly',
      'slowly',
      'hardly: soak it from below',
    ])
  })
  it('costs what its materials cost, nothing where one has no price', () => {
    const prices: Record<string, number> = { coir: 0.5, perlite: 2 }
    const even = of(
      [
        ['coir', 1],
        ['perlite', 1],
      ],
      (id) => prices[id] ?? null,
    ).trayPrice!
    const coir = of(
      [
        ['coir', 1],
        ['perlite', 1],
      ],
      (id) => (id === 'coir' ? 1 : 0),
    ).trayPrice!
    const perlite = of(
      [
        ['coir', 1],
        ['perlite', 1],
      ],
      (id) => (id === 'perlite' ? 1 : 0),
    ).trayPrice!
    expect(even).toBeCloseTo(0.5 * coir + 2 * perlite, 9)
    expect(coir).toBeCloseTo(perlite, 9)
    expect(
      of(
        [
          ['coir', 1],
          ['castings', 1],
        ],
        (id) => prices[id] ?? null,
      ).trayPrice,
    ).toBeNull()
    expect(of([['coir', 1]], () => 0).trayPrice).toBe(0)
  })
  it('costs each material by its share: of three parts to one, three times as much', () => {
    const price = (id: string) =>
      of(
        [
          ['coir', 3],
          ['perlite', 1],
        ],
        (one) => (one === id ? 1 : 0),
      ).trayPrice!
    expect(price('coir') / price('perlite')).toBeCloseTo(3, 9)
  })
  it('is dusty, alive or bagged as its materials are', () => {
    const alive = MATERIALS.find(isAlive)!
    const bagged = MATERIALS.find((one) => one.bagged && !isAlive(one))!
    expect([
      of([['coir', 1]]).germs,
      of([[bagged.id, 1]]).germs,
      of([
        [bagged.id, 1],
        [alive.id, 1],
      ]).germs,
    ]).toEqual(['none to speak of', 'some: it is bagged', 'it is alive'])
    const clean = MATERIALS.find(({ kind, hazards }) => kind === 'medium' && !hazards.includes('dust'))!
    expect([of([['perlite', 1]]).dusty, of([[clean.id, 1]]).dusty]).toEqual([true, false])
  })
  it('is of peat, of what grows again, or of neither', () => {
    const { peat, renewable } = of([
      ['peat', 1],
      ['coir', 2],
      ['perlite', 1],
    ])
    expect([peat, renewable]).toEqual([0.25, 0.5])
    expect(of([['coir', 1]]).at).toHaveLength(COMPARED_IN.length)
  })
})

describe('food of a mix', () => {
  it('is that of its chemistry, none of what cannot be mixed', () => {
    const mix = { parts: parts(['coir', 1], ['compost', 1]), extras: [] }
    const { ingredients, mixingLoss } = blendOf(mix.parts, BUILT_IN)
    const chemistry = chemistryOf(ingredients, mixingLoss, dosed([], BUILT_IN))
    expect(foodOf(mix, BUILT_IN)).toEqual({
      releasedMgPerL: chemistry.releasedMgPerL.value,
      starterMgPerL: chemistry.starterMgPerL.value,
    })
    const none = { releasedMgPerL: 0, starterMgPerL: 0 }
    expect(foodOf({ parts: [], extras: [] }, BUILT_IN)).toEqual(none)
    expect(foodOf({ ...mix, extras: [{ materialId: 'moon', gPerL: 1 }] }, BUILT_IN)).toEqual(none)
  })
  it('is let go over eight weeks, what is soluble at once on the first day', () => {
    const food = { releasedMgPerL: 100, starterMgPerL: 40 }
    // Of 100 mg, 15 are soluble on the first day; half of the rest after 28 of 56 days.
    expect([0, 28, 56, 99].map((days) => letGoMg(food, 1000, days))).toEqual([55, 97.5, 140, 140])
    expect(letGoMg(food, 50, 28)).toBeCloseTo(97.5 / 20, 9)
    expect(nitrogenSuppliedMg(28, food, 1000, 'medium')).toBeCloseTo(97.5 + nitrogenWantedMg(7, 'medium'), 9)
    expect(nitrogenWantedMg(10, 'medium')).toBeCloseTo(0.04 * 2.5 * (Math.exp(1.4) - 1), 9)
  })
  it('of two layers lies between both, by how much of each there is', () => {
    const pot = container('pot-10cm')
    const [upper, lower] = [blendOf(fine, BUILT_IN), blendOf(rich, BUILT_IN)]
    const chemistry = (blend: typeof upper) => chemistryOf(blend.ingredients, blend.mixingLoss)
    const days = (heightMm: number | null) =>
      insideOf(pot, upper, chemistry(upper), heightMm === null ? {} : { lower: { ...lower, heightMm } })
        .daysOfFood.value
    const deep = pot.shape.depthMm
    const all = insideOf(pot, lower, chemistry(lower)).daysOfFood.value
    const [low, high] = [Math.min(days(null), all), Math.max(days(null), all)]
    for (const share of [0.3, 0.6]) {
      expect(days(share * deep)).toBeGreaterThanOrEqual(low - 1e-6)
      expect(days(share * deep)).toBeLessThanOrEqual(high + 1e-6)
    }
  })
  it('of two layers is done again by its formula', () => {
    const [upper, lower] = [blendOf(fine, BUILT_IN), blendOf(rich, BUILT_IN)]
    const inside = insideOf(container('pot-10cm'), upper, chemistryOf(upper.ingredients, upper.mixingLoss), {
      lower: { ...lower, heightMm: 40 },
    })
    expectWorked(inside)
  })
})

describe('a verdict', () => {
  const cell = container('tray-72')
  const blend = blendOf(parts(['coir', 3], ['perlite', 1]), BUILT_IN)
  const physics = physicsIn(cell, blend)
  const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss)
  const figure = (name: string, value: number) => given(name, value, '', yours())
  const mood = (
    id: string,
    over: { physics?: object; chemistry?: object; days?: number; container?: typeof cell } = {},
  ) =>
    verdictsOn(
      over.container ?? cell,
      { ...physics, ...over.physics },
      { ...chemistry, ...over.chemistry },
      blend.ingredients,
      figure('days', over.days ?? 20),
    ).find((one) => one.id === id)!
  const air = (value: number) =>
    mood('air', { physics: { airSpace: figure('air', value), airWanted: { least: 0.1, comfortable: 0.2 } } })
  it('of air asks for change below half of the least, for a light hand below nine tenths of it', () => {
    expect([0.0499, 0.05, 0.0899, 0.0901, 0.32, 0.3201].map((value) => air(value).mood)).toEqual([
      'change',
      'watch',
      'watch',
      'fine',
      'fine',
      'fine',
    ])
    expect([air(0.32).says.kind, air(0.3201).says.kind]).toEqual(['good air', 'airy'])
    const block = { container: container('block-2in'), physics: { airSpace: figure('air', 0.01) } }
    expect(mood('air', block).mood).toBe('fine')
  })
  it('of easy water is watched below 15 %', () => {
    const water = (value: number) =>
      mood('water', { physics: { easilyAvailableWater: figure('water', value) } }).mood
    expect([water(0.149), water(0.15)]).toEqual(['watch', 'fine'])
  })
  it('of pH is fine within what is wanted, watched within 0.4 of it, and asks for change beyond on the sour side', () => {
    const of = (ph: number, lime = 2, limed = 0) =>
      mood('ph', {
        chemistry: {
          ...{ ph: figure('ph', ph), phWanted: [5.5, 6.3] },
          ...{ limeGPerL: figure('lime', lime), limedGPerL: figure('limed', limed) },
        },
      })
    expect([5.09, 5.1, 5.49, 5.5, 6.3, 6.31, 6.7, 6.71].map((ph) => of(ph).mood)).toEqual([
      ...['change', 'watch', 'watch', 'fine', 'fine', 'watch', 'watch', 'watch'],
    ])
    expect([of(6.7).says.kind, of(6.71).says.kind]).toEqual(['slightly alkaline', 'alkaline'])
    expect([of(5), of(5, 2, 1), of(5, 2, 3)].map(({ says }) => says)).toMatchObject([
      { limeGPerL: 2, limedGPerL: 0 },
      { limeGPerL: 1, limedGPerL: 1 },
      { limeGPerL: 0, limedGPerL: 3 },
    ])
    // Limed a quarter more than is enough.
    expect([of(6.71, 2, 2.5).mood, of(6.71, 2, 2.51).mood, of(6.31, 2, 2.51).mood]).toEqual([
      'watch',
      'change',
      'watch',
    ])
    expect(of(6.71, 0, 0.06).says).toMatchObject({ kind: 'too much lime', limeGPerL: 0 })
  })
  it('of salts is fine up to 1 mS/cm, watched up to 2, and asks for change beyond', () => {
    const salts = (value: number) =>
      mood('salts', {
        chemistry: { saltsMsPerCm: figure('salts', value) },
        physics: { pressing: figure('p', 1) },
      }).mood
    expect([1, 1.01, 2, 2.01].map(salts)).toEqual(['fine', 'watch', 'watch', 'change'])
  })
  it('of food is watched up to twelve days', () => {
    expect([mood('food', { days: 12 }).mood, mood('food', { days: 12.1 }).mood]).toEqual(['watch', 'fine'])
  })
})

describe('old mix', () => {
  it('is stretched only with what is at hand and brings air or food', () => {
    const answers = (ids: string[]) =>
      stretch(
        'potting-mix',
        ids,
        CONTAINERS.find(({ id }) => id === 'pot-10cm')!,
        BUILT_IN,
      )
    const used = (ids: string[]) =>
      new Set(answers(ids).flatMap((one) => one.parts.map(({ materialId }) => materialId)))
    expect(answers(['sand', 'peat'])).toEqual([])
    for (const id of used(['pumice', 'castings', 'coir', 'potting-mix']))
      expect(['potting-mix', 'pumice', 'castings']).toContain(id)
    for (const { after } of answers(['pumice', 'castings'])) {
      expect(after.salts).toBeLessThanOrEqual(2 + 1e-9)
      expect(after.food).toBeGreaterThanOrEqual(60 - 1e-9)
    }
  })
})
