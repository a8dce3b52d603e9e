import { describe, expect, it } from '@jest/globals'
import { CONTAINERS } from '#core/containers/catalogue'
import { planBatch, type BatchPlan } from '#core/media/batch'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '#core/media/batch-request'
import { BUILT_IN } from '#core/media/materials'
import { STARTING_RECIPES } from '#core/media/recipes'
import { batchSteps } from '#core/jobs/batch-steps'
import type { Tool } from '#core/feed/tool'
import { pictureWords } from './pictures'
import { byFinger, isFigure, sayMeasurement, sayStep, type SaidStep } from './steps'
import { inSentence } from '#core/text/plurals'

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
const saidSteps = (plan: BatchPlan, request: BatchRequest) => batchSteps(plan, request).map(sayStep)
const steps = (over: Partial<BatchRequest> = {}) => saidSteps(planBatch(batch(over)), batch(over))
const text = ({ say }: Pick<SaidStep, 'say'>) =>
  say
    .map((piece) => (typeof piece === 'string' ? piece : isFigure(piece) ? `<${piece.name}>` : piece.words))
    .join('')
const order = (list: readonly SaidStep[]) => list.map(({ id }) => id)

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
      'alive',
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
    const measure = saidSteps(plan, batch({ tubL: 6 })).find(({ id }) => id === 'measure')!
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
    const said = saidSteps(plan, batch({ scoop: bucket })).find(({ id }) => id === 'measure')!
    expect(said.say).toContain(castings.looseL)
    expect(text(said)).not.toContain('bucket worm castings')
  })

  it('moisten before measuring where the recipe says so', () => {
    const list = order(steps({ preparations: ['moisten'] }))
    expect(list.indexOf('moisten')).toBeLessThan(list.indexOf('measure'))
    expect(list).toContain('moisten')
  })

  it('clean first where it is wanted, and put nothing alive into hot water', () => {
    const list = steps({ preparations: ['wash', 'disinfect', 'hot water'] })
    expect(order(list).slice(0, 2)).toEqual(['wash', 'disinfect'])
    const at = (id: string) => text(list.find((step) => step.id === id)!)
    expect([at('measure'), at('alive')].map((said) => /castings/.test(said))).toEqual([false, true])
    expect(order(list).indexOf('alive')).toBeGreaterThan(order(list).indexOf('hot-water'))
  })

  it('wait for hot water until it is cool, half an hour for the soak', () => {
    const request = batch({ preparations: ['hot water'] })
    const plan = planBatch(request)
    const waits = Object.fromEntries(saidSteps(plan, request).map(({ id, waitMinutes }) => [id, waitMinutes]))
    expect(waits).toMatchObject({ 'soak-coir': 10, measure: undefined })
    expect(steps()[0]).toMatchObject({ id: 'soak-coir', waitMinutes: 30 })
    expect(waits['hot-water']).toBeGreaterThanOrEqual(plan.hotWater!.coolHours.value * 60)
  })

  it('scald the coir alone where that is the way: it cools before anything alive goes in, and the mix is stirred cold', () => {
    const request = batch({ preparations: ['hot soak'] })
    const plan = planBatch(request)
    const list = saidSteps(plan, request)
    expect(list[0]!.waitMinutes).toBeGreaterThanOrEqual(plan.hotWater!.coolHours.value * 60)
    expect(text(list[0]!)).toMatch(/boiling.*Only then the rest/)
    expect(order(list)).not.toContain('hot-water')
    // The soak is all the hot water there is; what is stirred in later is cold, and stays as without heat.
    expect(plan.hotWater!.waterL.value).toBeCloseTo(plan.lines[0]!.soak!.waterL.value, 9)
    expect(text(list.find(({ id }) => id === 'stir')!)).toContain('Water to stir in')
    const dry = planBatch(batch({ parts: [{ materialId: 'peat', parts: 1 }], preparations: ['hot soak'] }))
    expect(dry.hotWater).toBeNull()
  })

  it('tell right by hand in three ways, dry and wet with an amount for this tub, for trays and for blocks', () => {
    for (const feel of ['wrung-out sponge', 'soil block'] as const) {
      const stir = steps({ feel }).find(({ id }) => id === 'stir')!
      expect(stir.right!.split('; ')).toHaveLength(3)
      const remedies = stir.test!.answers.filter(({ fine }) => !fine).map(({ say }) => text({ say }))
      expect(remedies[0]).toContain('<A splash of water>')
      expect(remedies[1]).toContain('<Dry mix to stir in>')
    }
  })

  it('say every caution of the plan once, where its hazard arises', () => {
    for (const recipe of STARTING_RECIPES) {
      const request = batch({ ...recipe, preparations: ['hot water', 'disinfect', 'sieve'] })
      const plan = planBatch(request)
      const list = saidSteps(plan, request)
      expect(list.flatMap(({ cautions }) => cautions ?? []).sort()).toEqual([...plan.cautions].sort())
      const of = (id: string) => list.findIndex(({ cautions }) => cautions?.some((one) => one === id))
      if (of('scald') >= 0) expect(list[of('scald')]!.id).toMatch(/^(soak|hot)/)
      if (of('cleaners') >= 0) expect(list[of('cleaners')]!.id).toBe('disinfect')
    }
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

  it('say the cells where a tray is shared, not whole trays', () => {
    const fills = [4.8, 9.6].map((cells) => ({ ...batch().fills[0]!, count: 1, cells }))
    const titles = steps({ fills }).map(({ title }) => title)
    expect(titles.filter((title) => /^Fill/.test(title))).toEqual([
      'Fill 5 cells of a 72-cell tray',
      'Fill 10 cells of a 72-cell tray',
    ])
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

describe('an amount by a tool', () => {
  const tool = (kind: Tool['kind'], capacityMl: number | null): Tool => ({
    id: kind,
    name: kind,
    kind,
    capacityMl,
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
})

describe('by hand and eye', () => {
  it('a depth is told by the finger', () => {
    expect([byFinger(0), byFinger(6), byFinger(12), byFinger(25)]).toEqual([
      'on the surface',
      'half a fingernail',
      'a fingernail',
      'to the first joint of a finger',
    ])
  })
  it('every picture has words, and a label no day in figures', () => {
    for (const { picture } of steps({ preparations: ['wash', 'hot water', 'sieve'] }))
      if (picture) expect(pictureWords(picture).length).toBeGreaterThan(10)
    const label = sayStep({
      id: 'label',
      kind: 'label tray',
      values: { tray: 'tray 3', labels: 2 },
      picture: { kind: 'label', lines: ['Okra', 'sown 2027-03-09'] },
    })
    expect(label).toMatchObject({
      title: 'Label tray 3 first',
      picture: { lines: ['Okra', 'sown 9 March 2027'] },
    })
    expect(text(label)).toMatch(/^2 labels, before/)
  })
  it('sowing says seeds and cells in the singular where there is one', () => {
    const sow = (n: number, each: number) =>
      sayStep({
        id: 'sow',
        kind: 'sow',
        values: { name: 'Okra', n, cellWord: 'cell', each, all: n * each, surface: 'no' },
      })
    expect(text(sow(1, 1))).toMatch(/^1 seed in each of 1 cell: 1 in all/)
    expect(text(sow(12, 2))).toMatch(/^2 seeds in each of 12 cells: 24 in all/)
    expect(sow(12, 2).amount).toEqual(['2 seeds × 12'])
  })
})
