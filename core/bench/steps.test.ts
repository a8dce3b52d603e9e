import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { planDose, strengthFromDose } from '../feed/dose'
import { dissolvesNitrogen } from '../feed/feed'
import { FEEDS } from '../feed/feeds'
import { TOOL_KINDS, type Tool } from '../feed/tool'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '../media/batch-request'
import { planBatch } from '../media/batch'
import { BUILT_IN } from '../media/materials'
import { STARTING_RECIPES } from '../media/recipes'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { batchSteps } from './batch-steps'
import { feedSteps, sayMeasurement, strengthToExpect, wayToUse } from './feed-steps'
import { isFigure, type Step } from './step'
import { inSentence } from './wording'

const batch = (over: Partial<BatchRequest> = {}): BatchRequest => ({
  ...plainBatch(),
  parts: STARTING_RECIPES[0]!.parts,
  fills: [
    {
      container: CONTAINERS.find(({ id }) => id === 'tray-72')!,
      count: 2,
      coverMm: 5,
      coverMaterialId: 'vermiculite',
    },
  ],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'Yoghurt pot', volumeL: 0.5 },
  materials: BUILT_IN,
  ...over,
})
const steps = (over: Partial<BatchRequest> = {}) => batchSteps(planBatch(batch(over)), batch(over))
const text = (step: Step) =>
  step.say
    .map((piece) => (typeof piece === 'string' ? piece : isFigure(piece) ? `<${piece.name}>` : piece.words))
    .join('')
const order = (list: readonly Step[]) => list.map(({ id }) => id)

describe('the steps of a batch', () => {
  it('go in the order of the hands: soak, sieve, measure, hot water, stir, fill', () => {
    const parts = [
      { materialId: 'coir', parts: 2 },
      { materialId: 'compost', parts: 1 },
    ]
    expect(order(steps({ parts, preparations: ['hot water', 'sieve'] }))).toEqual([
      'soak-coir',
      'sieve',
      'measure',
      'hot-water',
      'stir',
      'fill-0',
    ])
    expect(order(steps({ parts: [{ materialId: 'peat', parts: 1 }] }))).toEqual(['measure', 'stir', 'fill-0'])
  })

  it('measure every material of every starting recipe once, extras too, and leave out what only covers', () => {
    for (const recipe of STARTING_RECIPES) {
      const said = text(steps(recipe).find(({ id }) => id === 'measure')!)
      for (const { materialId } of [...recipe.parts, ...recipe.extras])
        expect(said.split(inSentence(BUILT_IN.get(materialId)!.name)).length).toBe(2)
      if (!recipe.parts.some(({ materialId }) => materialId === 'vermiculite'))
        expect(said).not.toMatch(/vermiculite, medium/)
    }
  })

  it('say how often when the tub is too small, and what to put in each time', () => {
    const plan = planBatch(batch({ tubL: 6 }))
    const measure = batchSteps(plan, batch({ tubL: 6 })).find(({ id }) => id === 'measure')!
    expect(measure.title).toContain(`${plan.tubPlan!.tubs.value} times`)
    const pieces = measure.say.filter((piece) => typeof piece === 'object' && !isFigure(piece))
    expect(pieces).toHaveLength(plan.tubPlan!.scoops.length)
  })

  it('say litres where a scoop would be too coarse, so that nothing is measured double', () => {
    // A litre or so of castings with a 10 L bucket: its quarter would be about double.
    const bucket = { name: 'Bucket', volumeL: 10 }
    const plan = planBatch(batch({ scoop: bucket }))
    const castings = plan.lines.find(({ material }) => material.id === 'castings')!
    expect(Math.abs(castings.scoops.roundingError.value)).toBeGreaterThan(0.15)
    const said = batchSteps(plan, batch({ scoop: bucket })).find(({ id }) => id === 'measure')!
    expect(said.say).toContain(castings.looseL)
    expect(text(said)).not.toContain('bucket worm castings')
  })

  it('moisten before measuring where the recipe says so', () => {
    const list = order(steps({ preparations: ['moisten'] }))
    expect(list.indexOf('moisten')).toBeLessThan(list.indexOf('measure'))
    expect(list).toContain('moisten')
  })

  it('wait for hot water until it is cool, half an hour for the soak', () => {
    const request = batch({ preparations: ['hot water'] })
    const plan = planBatch(request)
    const waits = Object.fromEntries(
      batchSteps(plan, request).map(({ id, waitMinutes }) => [id, waitMinutes]),
    )
    expect(waits).toMatchObject({ 'soak-coir': 30, measure: undefined })
    expect(waits['hot-water']).toBeGreaterThanOrEqual(plan.hotWater!.coolHours.value * 60)
  })

  it('stay few enough for one page, however many kinds of container', () => {
    const fills = CONTAINERS.slice(0, 12).map((container) => ({
      container,
      count: 2,
      coverMm: 0,
      coverMaterialId: 'mix',
    }))
    const list = steps({ fills, preparations: ['hot water', 'sieve'] })
    expect(list.length).toBeLessThanOrEqual(7)
    for (const { container } of fills) expect(text(list.at(-1)!)).toContain(container.name)
  })

  it('press blocks and drop trays', () => {
    const block = CONTAINERS.find(({ id }) => id === 'block-2in')!
    expect(
      text(steps({ fills: [{ container: block, count: 50, coverMm: 0, coverMaterialId: 'mix' }] }).at(-1)!),
    ).toContain('Press')
    expect(text(steps().at(-1)!)).toMatch(
      /drop the tray twice.*after sowing cover with <Cover for 72-cell tray> of vermiculite, medium/,
    )
  })
})

describe('the steps of a feed', () => {
  const vessel = { name: 'Blue jug', volumeL: 2 }
  const ask = (over: {
    feed?: (typeof FEEDS)[number]
    target?: number
    tools?: readonly Tool[]
    toolId?: string | null
    volumeL?: number
  }) => {
    const volumeL = over.volumeL ?? vessel.volumeL
    const feed = over.feed ?? FEEDS[0]!
    const plan = planDose({
      feed,
      stageId: 'growing-on',
      targetNMgPerL: over.target ?? 120,
      vessel: { ...vessel, volumeL },
      tools: over.tools ?? [],
    })
    const toolId = over.toolId ?? null
    return {
      plan,
      toolId,
      volumeL,
      feed,
      steps: feedSteps(plan, {
        feedName: feed.name,
        vesselName: vessel.name,
        vesselL: given('jug', volumeL, 'L', yours()),
        toolId,
      }),
    }
  }
  const tool = (kind: Tool['kind'], capacityMl: number | null): Tool => ({
    id: kind,
    name: kind,
    kind,
    capacityMl,
  })
  const kit = [
    tool('spoon', 5),
    tool('cap', 8),
    tool('syringe', 10),
    tool('kitchen scale', null),
    tool('pocket scale', null),
  ]

  it('carry the dose that gives the strength they promise, by scale, spoon, syringe or stock', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FEEDS.filter((feed) => dissolvesNitrogen(feed) && feed.nPercent >= 0.3)),
        fc.double({ min: 20, max: 250, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        fc.subarray(kit),
        (feed, target, volumeL, tools) => {
          const asked = ask({ feed, target, volumeL, tools })
          const promised = strengthToExpect(asked.plan, null)
          if (!promised) {
            expect(asked.steps).toEqual([])
            expect(asked.plan.noWay ?? '').toMatch(/\.$/)
            return
          }
          const used = wayToUse(asked.plan, null)
          const density = asked.plan.massG.value / asked.plan.volumeMl.value
          const grams = used
            ? used.tool.capacityMl === null
              ? used.amount.value
              : used.amount.value * density
            : (asked.plan.stock!.dosing.amount.value / 1000) * asked.plan.stock!.concentrationGPerL.value
          const given_ = feed.form === 'powder' ? grams : grams / density
          expect(
            strengthFromDose(feed, given_, { name: 'jug', volumeL }).value / promised.nMgPerL.value,
          ).toBeCloseTo(1, 6)
          expect(order(asked.steps)).toEqual(
            used ? ['water', 'dose', 'give'] : ['stock', 'water', 'dose', 'give'],
          )
        },
      ),
      { numRuns: 80 },
    )
  })

  it('follow the tool that was chosen, unless it cannot measure the dose', () => {
    const spoon = kit[0]!
    expect(wayToUse(ask({ tools: kit, volumeL: 20, toolId: 'spoon' }).plan, 'spoon')!.tool).toBe(spoon)
    const tiny = ask({ tools: kit, volumeL: 0.5, target: 20 })
    expect(wayToUse(tiny.plan, 'spoon')?.tool).not.toBe(spoon)
  })

  it.each([
    [tool('spoon', 5), 10, '2 × spoon, level'],
    [tool('cap', 8), 12, '1½ × cap'],
    [tool('syringe', 10), 2.5, '2.5 mL with the syringe'],
    [tool('kitchen scale', null), 12, '12 g on the kitchen scale'],
  ])('says %j as one would', (with_, amount, words) => {
    const figure = (value: number, unit: string) => given('x', value, unit, yours())
    const fills = with_.capacityMl ? figure(amount / with_.capacityMl, '') : null
    const zero = figure(0, 'share')
    expect(
      sayMeasurement({
        tool: with_,
        fit: 'fair',
        amount: figure(amount, 'mL'),
        fills,
        rounding: zero,
        spread: zero,
        worst: zero,
      }),
    ).toBe(words)
  })

  it('keeps names as they are written where they must be', () => {
    expect(['Teaspoon', '1 L measure', 'EC pen', 'Öse'].map(inSentence)).toEqual([
      'teaspoon',
      '1 L measure',
      'EC pen',
      'öse',
    ])
    expect(TOOL_KINDS).toContain('jug')
  })
})
