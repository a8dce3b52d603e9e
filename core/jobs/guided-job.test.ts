import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { planBatch } from '../media/batch'
import { DEFAULT_ALLOWANCES, plainBatch, type BatchRequest } from '../media/batch-request'
import { BUILT_IN } from '../media/materials'
import { STARTING_RECIPES } from '../media/recipes'
import { batchSteps } from './batch-steps'
import { finalSteps, moveSteps } from './move-steps'
import { coirGave, mixOutcome, paceOf } from './mix-outcome'
import {
  clockWasSetBack,
  joinedMarks,
  markedAt,
  minutesLeft,
  nextStep,
  progressOf,
  type Mark,
} from './guided-job'
import { fillsFor, lackingFor, missingOf } from './short'
import { sowSteps, sowStepId } from './sow-steps'
import { cutUp, shareOut } from './stations'
import { cautionsOnce, type Step } from './step'
import { minutesOf, timetable } from './timetable'

const mark = (n: number, over: Partial<Mark>): Mark => ({
  id: `mark-${n}`,
  step: 'stir',
  what: 'done',
  at: new Date(Date.UTC(2027, 3, 12, 9, n)).toISOString(),
  by: '',
  key: '',
  value: null,
  note: '',
  ...over,
})
const request: BatchRequest = {
  ...plainBatch(),
  parts: STARTING_RECIPES[0]!.parts,
  fills: [
    {
      container: CONTAINERS.find(({ id }) => id === 'tray-72')!,
      count: 2,
      coverMm: 0,
      coverMaterialId: 'mix',
    },
    {
      container: CONTAINERS.find(({ id }) => id === 'pot-10cm')!,
      count: 10,
      coverMm: 0,
      coverMaterialId: 'mix',
    },
  ],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'Pot', volumeL: 0.5 },
  materials: BUILT_IN,
}
const plan = planBatch(request)
const steps = batchSteps(plan, request)

describe('a run', () => {
  const marks = fc.array(
    fc.record({
      n: fc.nat(400),
      step: fc.constantFrom('a', 'b', 'c'),
      what: fc.constantFrom('done' as const, 'skipped' as const, 'open' as const, 'count' as const),
      value: fc.integer({ min: -2, max: 6 }),
    }),
    { maxLength: 30 },
  )
  it('stands the same on two phones, whichever mark arrived first and however often', () => {
    fc.assert(
      fc.property(marks, marks, (mine, theirs) => {
        const as = (list: typeof mine, who: number) =>
          list.map(({ n, step, what, value }, i) =>
            mark(n % 59, { id: `${who}-${i}`, step, what, value: what === 'count' ? value : null }),
          )
        const [one, other] = [as(mine, 1), as(theirs, 2)]
        const together = joinedMarks(one, other)
        expect(together).toHaveLength(one.length + other.length)
        expect(joinedMarks(together, other)).toEqual(together)
        expect(progressOf(joinedMarks(other, one))).toEqual(progressOf(together))
      }),
    )
  })
  it('keeps the tick of one phone when the other ticks later', () => {
    const stands = progressOf(joinedMarks([mark(1, { step: 'a' })], [mark(2, { id: 'other', step: 'b' })]))
    expect([...stands.steps.keys()]).toEqual(['a', 'b'])
    const open = progressOf([mark(1, { step: 'a' }), mark(3, { id: 'x', step: 'a', what: 'open' })])
    expect(open.steps.get('a')!.state).toBe('open')
  })
  it('has timers that are times: a reload changes nothing, and a clock set back does not make them longer', () => {
    const { timers } = progressOf([mark(0, { what: 'timer', key: 't', value: 30, note: 'Swell' })])
    const at = (minutes: number) => new Date(Date.UTC(2027, 3, 12, 9, minutes))
    expect(minutesLeft(timers[0]!, at(10))).toBe(20)
    expect(minutesLeft(timers[0]!, at(35))).toBe(-5)
    expect(minutesLeft(timers[0]!, at(-200))).toBe(30)
    expect([clockWasSetBack(timers[0]!, at(-200)), clockWasSetBack(timers[0]!, at(5))]).toEqual([true, false])
    const stopped = progressOf([
      mark(0, { what: 'timer', key: 't', value: 30 }),
      mark(1, { what: 'stopped', key: 't', id: 's' }),
    ])
    expect(stopped.timers).toEqual([])
  })
  it('takes the last tick as the last, also where the clock was set back between the two', () => {
    const before = new Date(Date.UTC(2027, 3, 12, 9))
    const marks: Mark[] = []
    for (const [what, now] of [
      ['done', before],
      ['open', new Date(before.getTime() - 3_600_000)],
    ] as const)
      marks.push(mark(0, { id: String(marks.length), step: 'a', what, at: markedAt(marks, what, now) }))
    expect(progressOf(marks).steps.get('a')!.state).toBe('open')
    expect(markedAt(marks, 'timer', before)).toBe(before.toISOString())
  })
  it('takes nothing before something was measured, and as much as was said where it ended early', () => {
    const none = progressOf([mark(1, { step: steps[0]!.id })])
    expect(mixOutcome(steps, none, plan.mixL.value, 'left')).toBeNull()
    const half = progressOf([
      mark(1, { step: 'measure' }),
      mark(2, { id: 'b', step: 'measure', what: 'answer', key: 'share', value: 0.5 }),
      mark(3, { id: 'c', step: 'left', what: 'answer', key: 'leftL', value: 1 }),
      mark(4, { id: 'd', step: 'fill-0', what: 'answer', key: 'filled', value: 70 }),
      mark(5, { id: 'e', step: 'fill-1', what: 'answer', key: 'filled', value: 3 }),
    ])
    const done = mixOutcome(steps, half, plan.mixL.value, 'left')!
    expect(done).toMatchObject({ share: 0.5, leftL: 1, filled: 73 })
    expect(done.usedL).toBeCloseTo(plan.mixL.value / 2 - 1, 9)
    expect(nextStep(steps, half)!.id).toBe(steps[0]!.id)
  })
})

describe('mix that is short', () => {
  it('says what is missing, and a batch that makes up for it takes just that', () => {
    const missing = missingOf(plan, [
      { fillIndex: 0, cells: 100 },
      { fillIndex: 1, cells: 10 },
    ])
    expect(missing.map(({ cells }) => cells)).toEqual([44])
    const more = planBatch({ ...request, fills: fillsFor(missing) })
    expect(more.mixL.value).toBeCloseTo(missing[0]!.looseL, 6)
    expect(
      missingOf(plan, [
        { fillIndex: 0, cells: 144 },
        { fillIndex: 1, cells: 12 },
      ]),
    ).toEqual([])
    const lacking = lackingFor(more, (id) => (id === 'coir' ? 0.1 : id === 'perlite' ? 1000 : null))
    expect(lacking.map(({ materialId }) => materialId)).toEqual(['coir'])
  })
  it('filled and missing are all there is, whatever was filled', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.nat(20), (a, b) => {
        const missing = missingOf(plan, [
          { fillIndex: 0, cells: a },
          { fillIndex: 1, cells: b },
        ])
        const cells = missing.reduce((sum, one) => sum + one.cells, 0)
        expect(cells).toBe(Math.max(0, 144 - a) + Math.max(0, 10 - b))
      }),
    )
  })
})

describe('many hands', () => {
  it('share out everything, evenly and in order', () => {
    fc.assert(
      fc.property(fc.nat(500), fc.integer({ min: 1, max: 40 }), (all, hands) => {
        const parts = shareOut(all, hands)
        expect(parts.reduce((a, b) => a + b, 0)).toBe(all)
        expect(Math.max(...parts) - Math.min(...parts)).toBeLessThanOrEqual(1)
        const list = Array.from({ length: all }, (_, i) => i)
        expect(cutUp(list, hands).flat()).toEqual(list)
      }),
    )
    expect(() => shareOut(3, 0)).toThrow(RangeError)
  })
})

describe('the steps of every job', () => {
  const sow = sowSteps([
    {
      id: 'tray',
      name: 'tray 3',
      rows: 2,
      columns: 3,
      cellDepthMm: 57,
      cellWord: 'cell',
      groups: [
        {
          code: 'A',
          name: 'Okra',
          depthMm: 12,
          wantsLight: false,
          coverName: 'Vermiculite, medium',
          cells: [0, 1, 2],
          seedsPerCell: 2,
          label: ['Okra'],
        },
        {
          code: 'B',
          name: 'Snapdragon',
          depthMm: 0,
          wantsLight: true,
          coverName: 'Vermiculite, medium',
          cells: [3, 4, 5],
          seedsPerCell: 1,
          label: ['Snapdragon'],
        },
      ],
      place: 'Mat',
      cover: 'dome',
      heatC: 24,
      drinksL: 0.1,
      upDays: 9,
    },
  ])
  const move = moveSteps({
    kind: 'pot up',
    name: 'Tomatillo',
    plants: 24,
    plantsEach: 1,
    container: '10 cm pot',
    containers: 24,
    cellDepthMm: 90,
    buryStem: true,
    place: 'Shelf',
    nMgPerL: 50,
  })
  const final = finalSteps({
    name: 'Tomatillo',
    plants: 3,
    container: 'Bucket',
    containerL: 19,
    depthMm: 300,
    fruits: true,
    place: 'Outside',
  })
  const of: [string, readonly Step[]][] = [
    ['mix', steps],
    ['sow', sow],
    ['pot up', move],
    ['final container', final],
  ]
  it.each(of)('%s: each has its own name, and its cautions once', (_, list) => {
    expect(new Set(list.map(({ id }) => id)).size).toBe(list.length)
    const said = cautionsOnce([...list, ...list]).flatMap(({ cautions }) => cautions ?? [])
    expect(new Set(said).size).toBe(said.length)
  })
  it('sow: the label first, then dent, seed and cover group by group; what wants light is not dented', () => {
    const ids = sow.map(({ id }) => id)
    expect(ids[0]).toBe('label tray')
    expect(ids.indexOf('dent tray A')).toBeLessThan(ids.indexOf(sowStepId('tray', 'A')))
    expect(ids).not.toContain('dent tray B')
    expect(ids.indexOf('cover tray A')).toBeLessThan(ids.indexOf(sowStepId('tray', 'B')))
    expect(ids.slice(-2)).toEqual(['soak tray', 'place tray'])
  })
  it('pot up asks for the roots and counts by tap; a final container has food in the hole and a stake', () => {
    expect(move.some(({ test }) => test?.key === 'roots')).toBe(true)
    expect(move.find(({ count }) => count)!.count!.of).toBe(24)
    expect(final.map(({ id }) => id)).toEqual(['label', 'fill', 'hole', 'move', 'stake', 'mulch', 'place'])
    expect(final.flatMap(({ cautions }) => cautions ?? [])).toEqual(['microbes', 'lifting', 'fertiliser'])
  })
})

describe('how quick hands are', () => {
  const plain: Step[] = ['a', 'b', 'c', 'd'].map((id) => ({ id, kind: 'fill', workMinutes: 10 }))
  const soak: Step = { id: 'soak', kind: 'soak', workMinutes: 10, waitMinutes: 30 }
  const ticked = (ids: readonly string[], minutes: readonly number[]) => {
    const marks = ids.map((step, i) => mark(minutes[i]!, { id: `${step}${i}`, step }))
    return { stands: progressOf(marks), marks }
  }
  it('is the work of a job against what is allowed for its steps; waits are left out', () => {
    const quick = ticked(['a', 'b', 'c', 'd'], [0, 10, 20, 30])
    expect(paceOf(plain, quick.stands, quick.marks)).toBeCloseTo(30 / 40, 9)
    const waited = ticked(['soak', 'a', 'b'], [0, 45, 60])
    expect(paceOf([soak, ...plain], waited.stands, waited.marks)).toBeCloseTo(30 / 30, 9)
  })
  it('says nothing of two steps, of a job that lay overnight, or of a wait that was cut short', () => {
    const two = ticked(['a', 'b'], [0, 10])
    expect(paceOf(plain, two.stands, two.marks)).toBeNull()
    const night = ticked(['a', 'b', 'c'], [0, 10, 720])
    expect(paceOf(plain, night.stands, night.marks)).toBeNull()
    const cut = ticked(['soak', 'a', 'b'], [0, 5, 20])
    expect(paceOf([soak, ...plain], cut.stands, cut.marks)).toBeNull()
  })
  it('begins a card so much sooner where hands are slow', () => {
    const usual = timetable([soak, ...plain.map((step) => ({ ...step, id: `fill-${step.id}` }))])
    const slow = timetable([soak, ...plain.map((step) => ({ ...step, id: `fill-${step.id}` }))], 9 * 60, 2)
    // The work is twice as long, the wait is not.
    expect([usual[0]!.startsMin, slow[0]!.startsMin]).toEqual([-40, -50])
    expect(minutesOf([soak, ...plain])).toEqual({ work: 50, waits: 30 })
  })
  it('what soaked coir gave is asked in its step, and is litres a kilogram where both were answered', () => {
    const soakStep = steps.find(({ id }) => id.startsWith('soak-'))!
    expect(soakStep.asks!.map(({ key }) => key)).toEqual(['coirG', 'fibreL'])
    const answer = (key: string, value: number, i: number) =>
      mark(i, { id: key, step: soakStep.id, what: 'answer', key, value })
    expect(coirGave(steps, progressOf([answer('coirG', 650, 1), answer('fibreL', 9.1, 2)]))).toBeCloseTo(
      14,
      9,
    )
    expect(coirGave(steps, progressOf([answer('coirG', 650, 1)]))).toBeNull()
  })
})
