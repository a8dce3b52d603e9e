import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { planBatch } from '../../media/batch'
import { DEFAULT_ALLOWANCES, plainBatch } from '../../media/batch-request'
import { BUILT_IN } from '../../media/materials'
import { CROPS } from '../../sowing/crops'
import { binomialAtMost } from '../../sowing/odds'
import { addDays, dayFrom, daysBetween, type Day } from '../../calendar/day'
import { frameProblems } from '../frame'
import { scheduleById, scheduleProblems, SCHEDULES, stage } from './schedules'
import { LOSSES } from '../../sowing/losses'
import { emergenceVerdict, planSowing, sowingProblems } from './sowing'
import type { PlannedStage } from './sowing-request'
import { ask, book, find, frame, mixOf, plan, framed, lastFrost, firstFrost } from '../test/fixture'

describe('a planned sowing', () => {
  it('answers 48 basil by 20 May back from the day', () => {
    const planned = plan('basil', { outOn: dayFrom('2027-05-20') })
    expect(planned.outOn).toBe('2027-05-20')
    // 5–6 weeks before planting out: five and a half.
    expect(daysBetween(planned.sowOn, planned.outOn)).toBeGreaterThanOrEqual(35)
    expect(daysBetween(planned.sowOn, planned.outOn)).toBeLessThanOrEqual(42)
    // 4 seeds at 80 %, one in twenty lost, 95 % sure.
    expect(planned.chance.value).toBeCloseTo((1 - 0.2 ** 4) * 0.95, 10)
    expect(1 - binomialAtMost(47, planned.cells, planned.chance.value)).toBeGreaterThanOrEqual(0.95)
    expect(planned.seeds).toBe(planned.cells * 4)
  })

  it('has stages without gaps from sowing to planting out, whatever crop, schedule and days', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CROPS),
        fc.constantFrom(...SCHEDULES),
        fc.integer({ min: 1, max: 400 }),
        fc.option(fc.integer({ min: -40, max: 90 }), { nil: null }),
        (one, schedule, plants, shift) => {
          const outOn = shift === null ? null : addDays(lastFrost, shift)
          const planned = planSowing(
            { ...ask('basil'), crop: one, plants, outOn, scheduleId: schedule.id },
            frame,
            book,
          )
          const inside = planned.stages.filter(({ kind }) => kind !== 'set in')
          expect(inside[0]!.from).toBe(planned.sowOn)
          inside.slice(1).forEach((next, i) => expect(next.from).toBe(inside[i]!.until))
          expect(inside.at(-1)!.until).toBe(planned.outOn)
          if (outOn) expect(planned.outOn).toBe(outOn)
          for (const each of inside) expect(each.from < each.until).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })

  it('counts out days from the frost it depends on', () => {
    expect(plan('tomato').outOn).toBe(addDays(lastFrost, 14))
    expect(plan('cabbage').outOn < lastFrost).toBe(true)
    expect(plan('lettuce', { season: 'autumn' }).outOn).toBe(addDays(firstFrost, -7 * 7))
    expect(plan('strawberry').treatOn).toBe(addDays(plan('strawberry').sowOn, -35))
  })

  it('moves what follows when something was done on another day', () => {
    const before = plan('tomato')
    const later = plan('tomato', { done: { 'stage-0': addDays(before.sowOn, 5) } })
    expect(later.outOn).toBe(addDays(before.outOn, 5))
    const slow = plan('tomato', { done: { 'stage-0': before.sowOn, up: addDays(before.emergeOn!, 4) } })
    expect(slow.stages[1]!.from).toBe(addDays(before.stages[1]!.from, 4))
    expect(plan('tomato', { done: { out: dayFrom('2027-05-30') } }).outOn).toBe(dayFrom('2027-05-30'))
  })

  it('pushes what follows when work is late, and says when it is too late for the day that was asked', () => {
    const before = plan('tomato')
    const today = addDays(before.sowOn, 6)
    const late = plan('tomato', { notBefore: today })
    expect([late.stages[0]!.dueOn, late.sowOn]).toEqual([before.sowOn, today])
    expect(late.outOn).toBe(addDays(before.outOn, 6))
    const asked = plan('tomato', { outOn: before.outOn, notBefore: today })
    expect(asked.notices).toContainEqual({ kind: 'not ready by then', ready: late.outOn })
    // What is done stays where it was.
    const sown = plan('tomato', { notBefore: today, done: { 'stage-0': before.sowOn } })
    expect([sown.sowOn, sown.outOn]).toEqual([before.sowOn, before.outOn])
  })

  it('keeps days that were set on a stage, and both ends when both are given', () => {
    const stages = scheduleById('cell-pot').stages.map((one, i) => (i === 1 ? { ...one, days: 30 } : one))
    const own = plan('tomato', { stages })
    expect(daysBetween(own.stages[1]!.from, own.stages[1]!.until)).toBe(30)
    expect(own.outOn).toBe(plan('tomato').outOn)
    const both = plan('tomato', { sowOn: dayFrom('2027-03-01'), outOn: dayFrom('2027-05-22') })
    expect([both.sowOn, both.outOn]).toEqual(['2027-03-01', '2027-05-22'])
  })

  it('fills litres as the batch planner fills them', () => {
    const { stages } = plan('tomato')
    for (const one of stages.filter(({ recipeId }) => recipeId)) {
      const batch = planBatch({
        ...plainBatch(),
        parts: mixOf(one.recipeId!)!.parts,
        fills: [one.fill],
        allowances: DEFAULT_ALLOWANCES,
        scoop: { name: 'cup', volumeL: 0.25 },
        materials: BUILT_IN,
      })
      expect(one.looseL).toBeCloseTo(batch.mixL.value, 9)
    }
  })

  it('carries on what came up, once it is late for the rest: a first count is not the last', () => {
    const before = plan('tomato')
    const with_ = (up: number, on: Day) =>
      plan('tomato', { done: { 'stage-0': before.sowOn, up: before.emergeOn! }, up: { up, on } })
    const potted = ({ stages }: typeof before) => stages[1]!.plants
    expect(potted(with_(8, before.emergeOn!))).toBe(potted(before))
    const late = with_(8, before.lateOn!)
    expect(potted(late)).toBe(8)
    // By hand: of 8 a twentieth is lost, 7 stay; 41 of 48 are missing.
    const [short] = late.notices.flatMap((one) => (one.kind === 'fewer came up' ? [one] : []))
    expect(short).toMatchObject({ up: 8, plants: 7 })
    expect(1 - binomialAtMost(40, short!.cells, before.chance.value)).toBeGreaterThanOrEqual(0.95)
    expect(with_(70, before.lateOn!).notices).toEqual(before.notices)
  })

  it('sets several plants into one container where that is the way, and computes mix, room and food by them', () => {
    const stages = (plantsEach: number | null) =>
      scheduleById('cell-pot-bucket').stages.map((one) =>
        one.kind === 'set in' ? { ...one, plantsEach } : one,
      )
    const [alone, four] = [null, 4].map((each) =>
      plan('tomato', { plants: 12, stages: stages(each) }).stages.at(-1)!,
    )
    expect([alone!.fill.count, four!.fill.count, four!.plants]).toEqual([12, 3, 12])
    // Four balls of a pint cup take the room of mix in the same bucket: by hand, 3 more cups, settled and spare counted.
    const perBucket = (one: typeof alone) => one!.looseL / one!.fill.count
    const ball = alone!.fill.ballMl! / 1000
    const lost = perBucket(alone) - perBucket(four)
    expect(lost / (3 * ball)).toBeGreaterThan(1)
    expect(lost / (3 * ball)).toBeLessThan(1.3)
  })

  it('knows that a flat of 72 becomes about two once potted on into 2½ in pots', () => {
    const pots = planSowing(ask('pepper', { plants: 68, scheduleId: 'cell-pot-pot' }), frame, book).stages[1]!
    expect(pots.fill.count).toBe(72)
    expect(pots.flats).toBeCloseTo(0.29 / 0.151, 1)
  })

  it('counts seedlings of a clump, seeds of a broadcast pinch, and last containers by the plant', () => {
    const leek = plan('leek', { plants: 120 })
    const p = leek.germination.value * (1 - LOSSES)
    const sure = (clumps: number) => 1 - binomialAtMost(119, clumps * leek.perCell, p)
    expect(sure(leek.cells)).toBeGreaterThanOrEqual(0.95)
    expect(sure(leek.cells - 1)).toBeLessThan(0.95)

    const pinch = plan('snapdragon', { plants: 200, scheduleId: 'broadcast' })
    expect(1 - binomialAtMost(199, pinch.seeds, pinch.chance.value)).toBeGreaterThanOrEqual(0.95)
    // Half an open tray of 28 × 26 cm, a seed on every 2.5 cm².
    expect(pinch.cells).toBe(Math.ceil((pinch.seeds * 2.5) / (28 * 26)))
    expect(pinch.stages[1]!.fill.count * 6).toBeGreaterThanOrEqual(200)

    const bucket = plan('tomato', { plants: 10, scheduleId: 'cell-pot-bucket' })
    const last = bucket.stages.at(-1)!
    expect([last.kind, last.from, last.fill.count, last.flats]).toEqual(['set in', bucket.outOn, 10, 0])
    expect(last.looseL).toBeGreaterThan(10 * 15)
  })

  it('keeps plants by the stage and the methods, and says what the household set itself', () => {
    const [sown, potted, hardened] = plan('tomato').stages as [PlannedStage, PlannedStage, PlannedStage]
    expect(sown.care).toMatchObject({ growthStageId: 'true-leaves', lightHours: 16, mixC: 24, yours: [] })
    expect(potted.care.mixC).toBeLessThan(sown.care.mixC)
    expect(hardened.care.lightHours).toBe(0)
    const always = planSowing(
      ask('tomato'),
      { ...framed({ heatC: null, dayC: 18, nightC: 18 }), lightMethod: 'always' },
      book,
    )
    // No warmer than the mat or the room can make it.
    expect([always.stages[0]!.care.lightHours, always.stages[0]!.care.mixC]).toEqual([24, 18])
    const stages = scheduleById('cell-pot').stages.map((one, i) =>
      i ? one : { ...one, mixC: 28, nMgPerL: 40 },
    )
    expect(plan('tomato', { stages }).stages[0]!.care).toMatchObject({
      mixC: 28,
      nMgPerL: 40,
      yours: ['nMgPerL', 'mixC'],
    })
    expect(plan('tomato', { stages }).emergence!.value).toBeLessThan(plan('tomato').emergence!.value + 1)
  })

  it('says when it comes out too early, too late, never, or is short of seed', () => {
    const kinds = (planned: ReturnType<typeof plan>) => planned.notices.map(({ kind }) => kind)
    expect(kinds(plan('tomato', { outOn: dayFrom('2027-05-01') }))).toContain('out before the frost is over')
    const late = plan('pumpkin', { outOn: dayFrom('2027-09-20') })
    const notice = late.notices.find(({ kind }) => kind === 'not before the frost')
    expect(notice).toMatchObject({
      latestOut: addDays(firstFrost, -70),
      latestSow: addDays(firstFrost, -91),
    })
    const cold = planSowing(ask('aubergine'), framed({ heatC: null, dayC: 15, nightC: 15 }), book)
    expect(kinds(cold)).toContain('too cold to come up')
    expect([cold.emergeOn, emergenceVerdict(cold, dayFrom('2027-03-01'))]).toEqual([null, 'too cold'])
    expect(plan('basil', { seedsThere: 100 }).notices).toContainEqual({
      kind: 'seed is short',
      short: plan('basil').seeds - 100,
    })
  })

  it('calls a no-show late at 1.5 times the days, and sows again at twice', () => {
    const planned = plan('tomato')
    const at = (times: number) => addDays(planned.sowOn, Math.ceil(planned.emergence!.value * times))
    expect(emergenceVerdict(planned, addDays(at(1), -1))).toBe('waiting')
    expect(emergenceVerdict(planned, at(1))).toBe('due')
    expect(emergenceVerdict(planned, at(1.5))).toBe('late')
    expect(emergenceVerdict(planned, at(2))).toBe('sow again')
  })

  it.each([
    [{ plants: 0 }, 'plants'],
    [{ plants: 2.5 }, 'plants'],
    [{ germination: 0 }, 'germination'],
    [{ germination: 1.2 }, 'germination'],
    [{ outOn: '2027-02-29' as Day }, 'outOn'],
    [{ outOn: dayFrom('2031-05-20') }, 'outOn'],
    [{ sowOn: dayFrom('2027-05-10'), outOn: dayFrom('2027-05-10') }, 'sowOn'],
    [{ season: 'autumn' as const }, 'season'],
    [
      { stages: [stage('sow', 'pot-10cm', null, 1), stage('pot up', 'tray-72', null, 1)] },
      'stages.1.containerId',
    ],
  ])('refuses %j at its field', (more, path) => {
    expect(sowingProblems(ask('tomato', more), frame, book).map((one) => one.path.join('.'))).toContain(path)
    expect(() => plan('tomato', more)).toThrow(RangeError)
  })

  it('refuses frosts the wrong way round', () => {
    expect(frameProblems({ ...frame, firstFrost: dayFrom('2027-04-01') })[0]!.path).toEqual(['firstFrost'])
    expect(frameProblems({ ...frame, lastFrost: '2027-02-29' as Day })[0]!.path).toEqual(['lastFrost'])
    expect(frameProblems(frame)).toEqual([])
  })

  it('ships only schedules that climb', () => {
    for (const schedule of SCHEDULES)
      expect([schedule.id, scheduleProblems(schedule.stages, find)]).toEqual([schedule.id, []])
  })
})
