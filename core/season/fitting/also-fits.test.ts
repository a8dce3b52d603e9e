import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CROPS } from '../../sowing/crops'
import { countsSeedlings } from '../../sowing/crop'
import { seedLoreOf } from '../../sowing/seed-standards'
import { agedGermination, clumpsFor } from '../../sowing/odds'
import { given } from '../../working/figure'
import { yours } from '../../working/source'
import { alsoFits } from './also-fits'
import { addDays, dayFrom } from '../../calendar/day'
import { scheduleById } from '../schedule/schedules'
import { shareTrays } from '../packing/sharing'
import { planSowing } from '../schedule/sowing'
import { scheduleFromWish } from '../schedule/schedule-from-wish'
import { ask, book, crop, frame, plan, row } from '../test/fixture'

describe('what else fits into a tray', () => {
  it('shares it, whatever of the answers is taken', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('lettuce', 'basil', 'cosmos', 'kale', 'tomato'),
        fc.integer({ min: 0, max: 60 }),
        fc.nat(),
        (cropId, day, pick) => {
          const sowOn = addDays(dayFrom('2027-03-01'), day)
          const one = row('a', cropId, { plants: 10, scheduleId: 'cell', sowOn })
          const fits = alsoFits(one, CROPS, frame, book)
          if (fits.length === 0) return
          const { crop: other, season } = fits[pick % fits.length]!
          expect(other.id).not.toBe(cropId)
          const { container, recipeId } = one.planned.stages[0]!
          const stages = scheduleFromWish(
            scheduleById(other.scheduleId).stages,
            { containerId: container.id, recipeId },
            book.findContainer,
          )
          const planned = planSowing(
            { ...ask(other.id), cells: 12, plants: 8, stages, season, sowOn },
            frame,
            book,
          )
          const [first] = shareTrays([one, { ...one, id: 'b', name: 'b', crop: other, planned }], frame, book)
          expect(first!.planned.stages[0]!.placed!.sharesWith).toEqual(['b'])
        },
      ),
      { numRuns: 60 },
    )
  })
})

it('a bucket that is named in a wish is where the schedule ends, not what is sown into', () => {
  const stages = scheduleFromWish(
    scheduleById('cell-pot').stages,
    { containerId: 'bucket-5gal', recipeId: null },
    book.findContainer,
  )
  expect(stages.map(({ kind, containerId }) => [kind, containerId])).toEqual([
    ['sow', 'tray-72'],
    ['pot up', 'pot-10cm'],
    ['harden', null],
    ['set in', 'bucket-5gal'],
  ])
  const planned = planSowing({ ...ask('tomato'), plants: 10, stages }, frame, book)
  expect([planned.stages.at(-1)!.fill.count, planned.stages[0]!.fill.count]).toEqual([10, 1])
  const tray = scheduleFromWish(
    scheduleById('cell').stages,
    { containerId: 'pot-9cm', recipeId: null },
    book.findContainer,
  )
  expect(tray[0]!.containerId).toBe('pot-9cm')
})

describe('seed', () => {
  it('of a beet is a cluster: half as many seeds are sown for the same seedlings, where they are counted', () => {
    const { perCell, chance, cells } = plan('beetroot', { plants: 60, certainty: 0.9 })
    expect(cells).toBe(clumpsFor(30, perCell, chance.value, 0.9))
    expect(countsSeedlings(crop('beetroot'))).toBe(true)
  })

  it('of a tuft gives one plant a cell, however many seeds are in it', () => {
    expect(countsSeedlings(crop('chives'))).toBe(false)
    const { cells, chance } = plan('chives', { plants: 24, certainty: 0.9 })
    expect(cells).toBeGreaterThanOrEqual(24)
    expect(chance.value).toBeGreaterThan(0.94)
  })

  it('is half gone a year after the time it keeps for, and the table names only crops of the book', () => {
    const fresh = given('Germination', 0.9, 'share', yours())
    // Knott's Handbook, from memory: onion keeps a year, tomato four, lettuce six.
    for (const [id, years] of [
      ['onion', 1],
      ['tomato', 4],
      ['lettuce', 6],
    ] as const)
      expect(agedGermination(fresh, years + 1, 'medium', seedLoreOf(id).keepsYears).value).toBeCloseTo(
        0.45,
        9,
      )
    const named = CROPS.filter(({ standardGermination }) => standardGermination !== null)
    for (const one of named) {
      expect(one.standardGermination).toBeGreaterThanOrEqual(0.5)
      expect(one.standardGermination).toBeLessThanOrEqual(0.8)
    }
    expect(named.length).toBeGreaterThan(40)
  })
})
