import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { cellVolume } from '../../containers/container'
import { BUILT_IN } from '../../media/materials'
import { CROPS } from '../../sowing/crops'
import { addDays, daysBetween } from '../../calendar/day'
import { careEnds, feedsOfLast, visitsOf, waterOfDay } from './final-care'
import { heldOver } from './moves'
import { scheduleProblems } from './schedules'
import { needsOfVisit } from '../demand/shopping'
import { planSowing, stagesOf } from './sowing'
import { CONTAINERS } from '../../containers/catalogue'
import { ask, book, crop, find, firstFrost, frame, plan } from '../test/fixture'

const bucket = (cropId: string, plants = 10) => {
  const planned = plan(cropId, { plants, scheduleId: 'cell-pot-bucket' })
  return { planned, crop: crop(cropId), careUntil: careEnds(crop(cropId), planned.outOn, frame) }
}

describe('a plant in its last container', () => {
  it('is cared for until the frost, with amounts each and for all', () => {
    const row = bucket('tomato')
    expect(row.careUntil).toBe(firstFrost)
    const visits = visitsOf(row, row.planned.outOn)
    expect(visits[0]!.parts.map(({ kind }) => kind)).toEqual(['stake'])
    for (const { on } of visits) expect(on > row.planned.outOn && on < firstFrost).toBe(true)
    const granular = visits.flatMap(({ parts }) => parts).find(({ kind }) => kind === 'granular')!
    // Common practice: a quarter of a US cup (59 mL) to 5 US gal (18.9 L).
    const litres = cellVolume(find('bucket-5gal')!).value / 1000
    expect(granular.perPlantL / litres / (0.0591471 / 18.92706)).toBeCloseTo(1, 1)
    expect(granular.allL).toBeCloseTo(granular.perPlantL * 10, 9)
    // By hand: 19 L at 20 °C drink 7 %, 1.33 L.
    expect(waterOfDay(19, 20).value).toBeCloseTo(1.33, 9)
    const needs = visits.flatMap((visit) => needsOfVisit(visit, BUILT_IN).needs)
    expect(new Set(needs.map(({ id }) => id))).toEqual(
      new Set(['granular-feed', 'dolomitic-lime', 'castings']),
    )
  })

  it('is fed weekly, every fortnight or never, by the method', () => {
    const { planned, careUntil } = bucket('tomato')
    const days = daysBetween(planned.outOn, careUntil)
    const many = (method: Parameters<typeof feedsOfLast>[1]) => feedsOfLast(planned, method, careUntil).length
    expect([many('weak and often'), many('half strength'), many('living mix')]).toEqual([
      Math.ceil(days / 7) - 1,
      Math.ceil(days / 14) - 1,
      0,
    ])
  })

  it('has nothing to be cared for where it goes into the ground', () => {
    const planned = plan('tomato')
    expect(visitsOf({ planned, crop: crop('tomato') }, planned.outOn)).toEqual([])
  })
})

it('held over: into the next bigger pot for a fortnight, every stage in its order, out no earlier', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CROPS),
      fc.constantFrom('cell', 'cell-pot', 'plug-cell', 'cell-pot-bucket'),
      fc.integer({ min: 0, max: 3 }),
      (one, scheduleId, begun) => {
        const request = { ...ask('basil'), crop: one, scheduleId, outOn: null }
        const planned = planSowing(request, frame, book)
        const today = addDays(planned.outOn, -2)
        const held = heldOver(request, planned, stagesOf(request), CONTAINERS, begun, today)!
        expect(scheduleProblems(held.stages!, find)).toEqual([])
        expect(held.stages).toHaveLength(stagesOf(request).length + 1)
        const again = planSowing(held, frame, book)
        expect(daysBetween(today, again.outOn)).toBeGreaterThanOrEqual(14)
        expect(again.sowOn).toBe(planned.sowOn)
        const pot = again.stages.findLast(({ kind }) => kind === 'pot up')!
        expect(pot.recipeId).not.toBeNull()
      },
    ),
    { numRuns: 100 },
  )
})
