import { describe, expect, it } from '@jest/globals'
import { compile, type EvalFunction } from 'mathjs'
import { CONTAINERS } from '../containers/catalogue'
import { planDose, strengthAtLabelRate } from '../feed/dose'
import { FEEDS } from '../feed/feeds'
import { COVER_IS_THE_MIX, DEFAULT_ALLOWANCES, plainBatch, planBatch } from '../media/batch'
import { physicsIn } from '../media/container-physics'
import { daysOfFood } from '../media/food'
import { BUILT_IN, MATERIALS } from '../media/materials'
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

const batch = planBatch({
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
})
const media = CONTAINERS.slice(0, 6).map((container) =>
  physicsIn(container, batch.ingredients, batch.mixingLoss),
)
const food = [20, 900].map((ml) =>
  daysOfFood(batch.chemistry.releasedMgPerL, given('cell', ml, 'mL', yours()), 'medium'),
)
const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const
const doses = FEEDS.map((feed) =>
  planDose({ feed, tools, stageId: 'seed-leaves', targetNMgPerL: 40, vessel: { name: 'jug', volumeL: 1 } }),
)

describe('the working of every figure', () => {
  it.each<[string, unknown]>([
    ['a batch of every material in every container', batch],
    ['air, water and food', [media, food]],
    ['doses of every feed', [doses, FEEDS.map(strengthAtLabelRate)]],
  ])('gives the same value when an independent evaluator does the sum: %s', (_, plan) => {
    const figures = figuresIn(plan)
    expect(figures.size).toBeGreaterThan(40)
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
] as const)('prints %j in a %s kitchen as %s', (figure, kitchen, text) => {
  expect(printFigure(figure, kitchen)).toBe(text)
})

it('sets a formula as on paper', () => {
  expect(printFormula('sqrt(e_1^2 + e_12^2) * pi - 4 * k')).toBe('√(e₁² + e₁₂²) · π − 4 · k')
})

it('sums nothing to 0 and refuses what is no number', () => {
  expect(total('nothing', 'L', []).value).toBe(0)
  expect(() => derive('x', '', '1 / 0', {}, () => 1 / 0)).toThrow(/x: 1 \/ 0/)
})
