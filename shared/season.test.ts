import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { shortFrom } from '#core/season/shopping'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'
import { BUILT_IN } from '#core/media/materials'
import { CROPS } from '#core/sowing/crops'
import { asCrop, changedCropFigures, crop, cropRecordOf, cropsWith } from './records/crop'
import { seasonFrame } from './records/season-frame'
import { asSowingRequest, sowing, sowingRecordProblems } from './records/sowing'
import { openRows, seasonKnown, seasonPlanner } from './season'

const frame = seasonFrame.parse({
  lastFrost: '2027-05-08',
  firstFrost: '2027-10-12',
  shelfFlats: 8,
  lampM2: 1.2,
  mixC: 24,
  lightSchool: 'sixteen',
  feedingSchool: 'weak and often',
  feedId: 'balanced-20',
  tubL: 40,
  canL: 9,
})
const LEEK = '7b1c0a30-0000-4000-8000-000000000001'
const known = seasonKnown(frame, {
  shed: { containers: [], materials: BUILT_IN },
  recipes: new Map(),
  feeds: [],
  crops: [],
  packets: [
    {
      id: LEEK,
      body: { name: 'Leek', cropId: 'leek', supplier: '', year: 2024, seeds: 90, germination: 0.8 },
    },
  ],
})
const tomato = sowing.parse({ name: 'Tomato', cropId: 'tomato', plants: 48, sowOn: '2027-03-20' })

describe('a crop that is put right', () => {
  const basil = CROPS.find(({ id }) => id === 'basil')!

  it('comes back as it was, and names as its own only what was changed', () => {
    for (const one of CROPS) {
      const record = crop.parse(cropRecordOf(one))
      expect(changedCropFigures(asCrop('x', record))).toEqual([])
      expect(asCrop('x', record).sources).toEqual(one.sources)
    }
    const own = cropRecordOf(basil)
    own.figures.weeks = [7, 9]
    const mine = asCrop('x', crop.parse(own))
    expect(changedCropFigures(mine)).toEqual(['weeks'])
    expect([mine.sources.weeks.tag, mine.sources.depthMm]).toEqual(['yours', basil.sources.depthMm])
    const all = cropsWith([mine])
    expect([all.length, all.find(({ id }) => id === 'basil')]).toEqual([CROPS.length, mine])
  })

  it.each([
    [{ weeks: [6, 4] }, ['figures', 'weeks', 1]],
    [{ germination: 0 }, ['figures', 'germination']],
    [{ depthMm: -1 }, ['figures', 'depthMm']],
    [{ seedsPerCell: 51 }, ['figures', 'seedsPerCell']],
  ])('refuses %j at its field', (change, path) => {
    const record = cropRecordOf(basil)
    const read = crop.safeParse({ ...record, figures: { ...record.figures, ...change } })
    expect(read.error!.issues.map((issue) => issue.path)).toContainEqual(path)
  })
})

describe('a kept sowing', () => {
  it('counts the age of its packet’s seed from the year it is sown for', () => {
    const leek = sowing.parse({
      name: 'Leek',
      cropId: 'leek',
      plants: 60,
      outOn: '2027-04-20',
      packetId: LEEK,
    })
    expect(asSowingRequest(leek, known)).toMatchObject({ germination: 0.8, seedYears: 3, seedsThere: 90 })
    // A share that was typed is that of the seed as it is now.
    expect(asSowingRequest({ ...leek, germination: 0.6 }, known)).toMatchObject({
      germination: 0.6,
      seedYears: 0,
    })
    expect(asSowingRequest({ ...leek, cropId: 'moss' }, known)).toBeUndefined()
  })

  it('says which rung points at a mix or container nobody knows', () => {
    const rungs = [{ stage: 'sow', containerId: 'tray-73', recipeId: 'moon-dust', part: 1 }]
    const paths = sowingRecordProblems(sowing.parse({ ...tomato, rungs }), known).map(({ path }) =>
      path.join('.'),
    )
    expect(paths).toEqual(expect.arrayContaining(['rungs.0.containerId', 'rungs.0.recipeId']))
  })

  it('is planned again only when it or its marks changed', () => {
    const plan = seasonPlanner(known, '2027-03-01')
    const kept = [
      { id: 'a', body: tomato },
      { id: 'b', body: { ...tomato, plants: 20 } },
    ]
    const before = openRows(plan, kept, new Map(), '2027-03-22')
    const moved = [kept[0]!, { id: 'b', body: { ...kept[1]!.body, sowOn: '2027-03-27' } }]
    const after = openRows(plan, moved, new Map(), '2027-03-22')
    expect(after[0]).toBe(before[0])
    expect(after[1]!.planned.sowOn).toBe('2027-03-27')
    const done = openRows(plan, moved, new Map([['a', { 'rung-0': '2027-03-22' }]]), '2027-03-22')
    expect([done[0]!.planned.sowOn, done[1]]).toEqual(['2027-03-22', after[1]])
  })

  it('that cannot be planned is left out, not thrown', () => {
    const plan = seasonPlanner(known, '2027-03-01')
    expect(plan({ id: 'x', body: { ...tomato, plants: 20_000, germination: 0.001 } })).toBeNull()
    expect(plan({ id: 'y', body: { ...tomato, cropId: 'moss' } })).toBeNull()
  })
})

it('a season runs short of a thing on the day its use passes what is there', () => {
  const use = fc.record({ day: fc.integer({ min: 1, max: 28 }), litres: fc.integer({ min: 1, max: 9 }) })
  fc.assert(
    fc.property(fc.array(use, { maxLength: 12 }), fc.integer({ min: 0, max: 40 }), (uses, there) => {
      const dated = uses.map(({ day, litres }) => ({
        on: `2027-04-${String(day).padStart(2, '0')}`,
        needs: [{ kind: 'material' as const, id: 'coir', amount: given('coir', litres, 'L', yours()) }],
      }))
      const day = shortFrom(dated, () => there).get('material coir')
      const usedBy = (last: string, included: boolean) =>
        dated
          .filter(({ on }) => (included ? on <= last : on < last))
          .reduce((sum, { needs }) => sum + needs[0]!.amount.value, 0)
      if (day === undefined) expect(usedBy('2027-04-31', true)).toBeLessThanOrEqual(there)
      else {
        expect(usedBy(day, true)).toBeGreaterThan(there)
        expect(usedBy(day, false)).toBeLessThanOrEqual(there)
      }
    }),
  )
})
