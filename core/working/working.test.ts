import { describe, expect, it } from '@jest/globals'
import { compile, type EvalFunction } from 'mathjs'
import { batchSteps } from '../jobs/batch-steps'
import { feedSteps } from '../jobs/feed-steps'
import { waterSteps } from '../jobs/water-steps'
import { CONTAINERS } from '../containers/catalogue'
import { planDose, strengthAtLabelRate } from '../feed/dose'
import { solutionFor } from '../feed/drink'
import { ecOfFeed } from '../feed/ec'
import { FEEDS } from '../feed/feeds'
import { granularFor } from '../feed/granular'
import { planInjector } from '../feed/injector'
import { planProgramme } from '../feed/programme'
import { readRate, strengthOfRate, waterToRescue } from '../feed/rate'
import { blendWithRain } from '../feed/water'
import { dissolvesNitrogen } from '../feed/feed'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '../media/batch-request'
import { planBatch } from '../media/batch'
import { physicsIn } from '../media/container-physics'
import { daysOfFood } from '../media/food'
import { soakForFibre } from '../media/hydration'
import { BUILT_IN, MATERIALS } from '../media/materials'
import { dailyLight, heightFor, ppfdAt } from '../places/light'
import { addDays, dayFrom } from '../calendar/day'
import { plan, row } from '../season/test/fixture'
import { CROPS } from '../sowing/crops'
import { costOf } from '../supplies/cost'
import { comesPressed, packHolds } from '../supplies/goods'
import { needsOfBatch } from '../supplies/needs'
import { follow } from '../water/follow'
import { outlookOf } from '../water/outlook'
import { reservoirOf } from '../water/reservoir'
import { conditions, store } from '../water/test/fixture'
import { allFigures, withNumbers } from './explain'
import { derive, given, total, type Figure } from './figure'
import { printFigure, printFormula } from './print'
import { yours } from './source'

const compiled = new Map<string, EvalFunction>()
function formula(text: string): EvalFunction {
  if (!compiled.has(text)) compiled.set(text, compile(text))
  return compiled.get(text)!
}

/** Everything in a plan that is a figure, however deep. */
function figuresIn(thing: unknown, found = new Set<Figure>()): Set<Figure> {
  if (Array.isArray(thing)) thing.forEach((item) => figuresIn(item, found))
  else if (thing && typeof thing === 'object') {
    if ('working' in thing) allFigures(thing as Figure, found)
    else Object.values(thing).forEach((item) => figuresIn(item, found))
  }
  return found
}

const request: BatchRequest = {
  parts: MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }, index) => ({
    materialId: id,
    parts: index + 1,
  })),
  fills: CONTAINERS.map((container, index) => ({
    container,
    count: index + 1,
    coverMm: index % 3,
    coverMaterialId: index % 2 ? COVER_IS_THE_MIX : 'vermiculite',
  })),
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'scoop', volumeL: 1 },
  ...plainBatch(),
  extras: [{ materialId: 'rock-dust', gPerL: 5 }],
  tubL: 30,
  materials: BUILT_IN,
}
const batch = planBatch(request)
const media = CONTAINERS.slice(0, 6).map((container) => physicsIn(container, batch))
const food = [20, 900].map((ml) => daysOfFood(batch.chemistry, given('cell', ml, 'mL', yours()), 'medium'))
const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const
const doses = FEEDS.filter(dissolvesNitrogen).map((feed) =>
  planDose({
    feed,
    tools,
    growthStageId: 'seed-leaves',
    targetNMgPerL: 40,
    vessel: { name: 'jug', volumeL: 1 },
  }),
)

const layered = planBatch({
  ...request,
  lowerParts: [
    { materialId: 'potting-mix', parts: 2 },
    { materialId: 'coir', parts: 1 },
  ],
  preparations: ['hot water', 'sieve'],
  fills: CONTAINERS.filter(({ kind }) => kind !== 'block').map((container) => ({
    container,
    count: 2,
    coverMm: 0,
    coverMaterialId: COVER_IS_THE_MIX,
    topMm: container.shape.depthMm / 3,
  })),
})
const litre = given('solution', 4, 'L', yours())
const gPerL = given('feed', 0.7, 'g/L', yours())
const pot = CONTAINERS.find(({ kind }) => kind === 'pot')!
const workshop = [
  FEEDS.map((feed) => ecOfFeed(feed, gPerL)),
  blendWithRain({ ecMsPerCm: 0.7, alkalinityMgPerL: 260 }, 0.3),
  CONTAINERS.map((container) => solutionFor(container, 3, media[0]!)),
  planInjector(gPerL, litre, 100),
  granularFor(
    FEEDS.find(({ use }) => use === 'mixed in')!,
    3,
    pot,
  ),
  planProgramme({
    feed: FEEDS[0]!,
    appetite: 'heavy',
    method: 'weak and often',
    plants: 40,
    stages: [
      {
        growthStageId: 'true-leaves',
        days: 30,
        cellMl: 45,
        releasedMgPerL: 0,
        starterMgPerL: 0,
        nMgPerL: 60,
        everyDays: 3,
      },
    ],
  }),
  ['5 ml/l', '1:200', 'half', '120 mg/L'].map((text) => {
    const read = readRate(text, 'liquid', 'us')
    return (
      read.ok &&
      strengthOfRate(
        read.rate,
        FEEDS.find(({ id }) => id === 'liquid-5')!,
      )
    )
  }),
  waterToRescue(given('strength', 250, 'mg/L', yours()), litre, given('wanted', 100, 'mg/L', yours())),
]

const season = CROPS.map(({ id }) => row(id, id))
const lamp = { ppfd: 210, atCm: 30, radiusCm: 30 }
const light = [10, 30, 60].map((cm) => [
  dailyLight(ppfdAt(lamp, cm), 16),
  dailyLight(ppfdAt({ ...lamp, radiusCm: 0 }, cm), 12),
  heightFor(lamp, 16, 12),
])
const goods = [
  ...MATERIALS.map((material) => ({ kind: 'material' as const, material })),
  ...FEEDS.map((feed) => ({ kind: 'feed' as const, feed })),
].flatMap((one) =>
  (['loose', 'mass', ...(comesPressed(one) ? ['pressed' as const] : [])] as const).map((measure) =>
    packHolds({ measure, amount: 7 }, one),
  ),
)
const shelf = [costOf(batch, ({ id }) => id.length / 3), needsOfBatch(batch), needsOfBatch(layered)]
const followed = follow(
  store,
  { at: 0, contents: { waterL: store.capacityL.value, salts: 1, nitrogenMg: 9 }, sdL: 0.1 },
  (_, factor) => conditions({ factor }),
  [{ kind: 'felt', at: 30, feels: 'light' }],
  40,
  200,
)
const wet = [
  store,
  [-5, 0, 12].flatMap((daysUp) =>
    [true, false].map((covered) =>
      outlookOf(followed, conditions({ daysUp, covered }), { endOfDay: 48, large: false }),
    ),
  ),
  reservoirOf(4, 0.15, 0.3),
]
const bench = [
  batchSteps(batch, request),
  feedSteps(doses[0]!, { feedName: 'Feed', vesselName: 'jug', vesselL: litre, toolId: null }),
  waterSteps(
    [
      {
        id: 'tray',
        name: 'tray 1',
        what: 'okra',
        place: 'Shelf',
        outlook: outlookOf(followed, conditions(), { endOfDay: 48, large: false }),
      },
    ],
    9,
  ),
]

const sown = dayFrom('2027-04-01')
const learned = [
  // A packet that was counted, losses of one's own, and the warmth that was measured.
  [0, 6, 30].map((measured) =>
    plan('tomato', {
      done: { 'stage-0': sown },
      counted: { share: 0.62, n: 3, years: 1 },
      losses: { share: 0.08, n: 2 },
      warmth: () => new Map(Array.from({ length: measured }, (_, i) => [addDays(sown, i), 12 + (i % 9)])),
    }),
  ),
  planBatch({
    ...request,
    allowances: { ...DEFAULT_ALLOWANCES, mixingLossK: 0.13, learned: { mixingLossK: 4 } },
  }),
  soakForFibre(given('Fibre wanted', 9, 'L', yours()), { lPerKg: 14.2, n: 3 }),
]

describe('the working of every figure', () => {
  it.each<[string, unknown]>([
    ['a batch of every material in every container', batch],
    ['air, water and food', [media, food]],
    ['doses of every feed', [doses, FEEDS.map(strengthAtLabelRate)]],
    ['layers, sieve and hot water', layered],
    ['salts, water, volumes and a programme', workshop],
    ['a sowing of every crop', season],
    ['light', light],
    ['a pack of everything there is', goods],
    ['what a batch takes and costs', shelf],
    ['the water of a tray', wet],
    ['the steps of a job', bench],
    ['what was learned', learned],
  ])('gives the same value when an independent evaluator does the sum: %s', (_, plan) => {
    const figures = figuresIn(plan)
    expect(figures.size).toBeGreaterThan(6)
    for (const { name, value, working } of figures) {
      if (working.kind === 'given') {
        expect(working.source.cite).toBeTruthy()
        continue
      }
      const scope = Object.fromEntries(
        Object.entries(working.inputs).map(([symbol, input]) => [symbol, input.value]),
      )
      const again = Number(formula(working.formula).evaluate(scope))
      expect([name, Math.abs(again - value) <= 1e-9 * Math.max(1, Math.abs(value))]).toEqual([name, true])
    }
  })

  it('survives the wire', () => {
    expect(JSON.parse(JSON.stringify(batch.mixL))).toEqual(batch.mixL)
  })
})

it('puts the numbers into the formula, functions and constants left alone', () => {
  const h = given('h', 57, 'mm', yours())
  const figure = derive('x', '', 'round(pi * h_1 / 6)', { h_1: h }, ({ h_1 }) =>
    Math.round((Math.PI * h_1) / 6),
  )
  expect(withNumbers(figure)).toBe('round(pi * 57 / 6)')
  expect(withNumbers(h)).toBe('')
})

it.each([
  [{ value: 8.321, unit: 'L' }, 'metric', '8.32 L'],
  [{ value: 0.65, unit: 'L' }, 'us', '2¾ cups'],
  [{ value: 45.9, unit: 'mL' }, 'metric', '45.9 mL'],
  [{ value: 410, unit: 'g' }, 'metric', '410 g'],
  [{ value: 57, unit: 'mm' }, 'us', '2¼ in'],
  [{ value: 0.0638, unit: 'share' }, 'us', '6.4 %'],
  [{ value: 83.01, unit: 'mg/L' }, 'imperial', '83 mg/L'],
  [{ value: 144, unit: '' }, 'metric', '144'],
] as const)('prints %j in a %s kitchen as %s', (figure, units, text) => {
  expect(printFigure(figure, units)).toBe(text)
})

it('sets a formula as on paper', () => {
  expect(printFormula('sqrt(e_1^2 + e_12^2) * pi - 4 * k')).toBe('√(e₁² + e₁₂²) · π − 4 · k')
})

it('sums nothing to 0 and refuses what is no number', () => {
  expect(total('nothing', 'L', []).value).toBe(0)
  expect(() => derive('x', '', '1 / 0', {}, () => 1 / 0)).toThrow(/x: 1 \/ 0/)
})
