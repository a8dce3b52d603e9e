import type { AnyProblem } from '../messages/refusals'
import { describe, expect, it } from '@jest/globals'
import { SEASON } from '../test/season'
import fc from 'fast-check'
import { FEEDS } from '#core/feed/feeds'
import { planProgramme } from '#core/feed/programme'
import { catalogueOf } from '#core/catalogue'
import { MATERIALS } from '#core/media/materials'
import { STARTING_RECIPES } from '#core/media/recipes'
import { printPath } from '#core/problem'
import { comesPressed, goodsUnit, packHolds } from '#core/supplies/goods'
import type * as z from 'zod'
import { problemsFrom } from './rules'
import { container } from './container'
import { feed } from './feed'
import { feedRecordOf } from './as-feed'
import { feeding } from './feeding'
import { feedingProblems } from '../derived/dose-request'
import { entry } from './entry'
import { packet } from './packet'
import { contextOf } from '../derived/context'
import { programme } from './programme'
import { asProgrammeRequest, programmeRecordProblems } from '../derived/programme-request'
import { seasonFrame } from './season-frame'
import { stock } from './stock'
import { goodsOf, shelvesOf, stockProblems } from '../derived/shelves'
import { tool } from './tool'

/* What is typed wrong is refused at its field, in words; each row is a slip somebody makes. */

const ID = '0b1a5700-0000-4000-8000-000000000001'
const at = (problems: readonly AnyProblem[]) => problems.map(({ path }) => printPath(path))
/** Fields that a schema refuses; every message is a sentence. */
function refused(schema: z.ZodType, value: unknown): string[] {
  const read = schema.safeParse(value)
  const problems = read.success ? [] : problemsFrom(read.error)
  for (const { message } of problems) expect(message).toMatch(/^[A-Z“0-9].*\.$/)
  return at(problems)
}

const powder = feedRecordOf(FEEDS.find(({ form }) => form === 'powder')!)
const liquid = feedRecordOf(FEEDS.find(({ form }) => form === 'liquid')!)
const cases: [what: string, schema: z.ZodType, good: object, slips: [over: object, field: string][]][] = [
  [
    'a feed',
    feed,
    powder,
    [
      [{ nPercent: -1 }, 'nPercent'],
      [{ nPercent: 101 }, 'nPercent'],
      [{ name: ' ' }, 'name'],
      [{ densityGPerMl: 0 }, 'densityGPerMl'],
      [{ labelRatePerL: -2 }, 'labelRatePerL'],
    ],
  ],
  ['a liquid feed', feed, liquid, [[{ densityGPerMl: 90 }, 'densityGPerMl']]],
  [
    'a tool',
    tool,
    { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 },
    [
      [{ capacityMl: 0 }, 'capacityMl'],
      [{ capacityMl: null }, 'capacityMl'],
      [{ kind: 'shovel' }, 'kind'],
      [{ name: '' }, 'name'],
    ],
  ],
  [
    'a packet',
    packet,
    { name: 'Leek', cropId: 'leek', year: 2026, seeds: 200, germination: 0.8 },
    [
      [{ germination: 0 }, 'germination'],
      [{ germination: 1.2 }, 'germination'],
      [{ seeds: -1 }, 'seeds'],
      [{ seeds: 1.5 }, 'seeds'],
      [{ year: 1066 }, 'year'],
    ],
  ],
  [
    'a pack in the supplies',
    stock,
    {
      name: 'Bag',
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: 10 },
      price: 7,
      packs: 2,
    },
    [
      [{ packs: -0.1 }, 'packs'],
      [{ price: -1 }, 'price'],
      [{ kind: 'gravel' }, 'kind'],
      [{ size: { measure: 'handful', amount: 3 } }, 'size.measure'],
    ],
  ],
  [
    'an entry',
    entry,
    { name: 'sown', kind: 'stage', subjects: [{ what: 'sowings', id: ID, stage: 0 }], on: '2028-02-29' },
    [
      [{ on: '2027-02-29' }, 'on'],
      [{ subjects: [] }, 'subjects'],
      [{ kind: 'hope' }, 'kind'],
      [{ snoozedUntil: 'tomorrow' }, 'snoozedUntil'],
      [{ subjects: [{ what: 'sowings', id: 'x', stage: 0 }] }, 'subjects[0].id'],
      [{ times: -1 }, 'times'],
      [{ at: 'noon' }, 'at'],
      [{ note: 'x'.repeat(601) }, 'note'],
    ],
  ],
  [
    'the frosts',
    seasonFrame,
    SEASON,
    [
      [{ firstFrost: '2027-05-01' }, 'firstFrost'],
      [{ lastFrost: '2027-02-30' }, 'lastFrost'],
      [{ tubL: 0 }, 'tubL'],
      [{ nightC: 80 }, 'nightC'],
      [{ lightMethod: 'moonlight' }, 'lightMethod'],
    ],
  ],
  [
    'a container',
    container,
    {
      name: 'Tin',
      kind: 'pot',
      cells: 1,
      measuredVolumeMl: null,
      shape: { form: 'round', topDiameterMm: 80, baseDiameterMm: 70, depthMm: 90 },
    },
    [
      [{ cells: 0 }, 'cells'],
      [
        { shape: { form: 'round', topDiameterMm: 50, baseDiameterMm: 60, depthMm: 90 } },
        'shape.baseDiameterMm',
      ],
      [{ measuredVolumeMl: -4 }, 'measuredVolumeMl'],
    ],
  ],
]

describe.each(cases)('%s', (_what, schema, good, slips) => {
  it('passes as it should be', () => {
    expect(refused(schema, good)).toEqual([])
  })
  it.each(slips)('with %j is refused at its field', (over, field) => {
    expect(refused(schema, { ...good, ...over })).toContain(field)
  })
})

it('what is left out is called missing, what is of another kind is named', () => {
  const read = entry.safeParse({ name: 'sown', kind: 'stage', subjects: 7 })
  const said = Object.fromEntries(
    (read.success ? [] : problemsFrom(read.error)).map(({ path, message }) => [printPath(path), message]),
  )
  expect(said).toEqual({ subjects: 'This is no list.', on: 'This is not a calendar day.' })
  const bare = programme.safeParse({ name: 'x', stages: [] })
  const missing = bare.success ? [] : problemsFrom(bare.error)
  expect(missing.find(({ path }) => path[0] === 'feedId')?.message).toBe('This is missing.')
})

describe('a planned feed', () => {
  const plan = feeding.parse({
    name: 'First feed',
    feedId: 'balanced-20',
    batchId: null,
    growthStageId: 'true-leaves',
    targetNMgPerL: 60,
    vessel: { name: 'jug', volumeL: 2 },
    toolId: null,
  })
  const known = contextOf({
    tools: [{ id: 'spoon', body: { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 } }],
  })

  it('names the feed nobody knows, and passes doubts of the dose on at their fields', () => {
    expect(at(feedingProblems({ ...plan, feedId: 'moon milk' }, known))).toEqual(['feedId'])
    expect(at(feedingProblems({ ...plan, targetNMgPerL: -1 }, known))).toEqual(['targetNMgPerL'])
    expect(at(feedingProblems({ ...plan, vessel: { name: 'jug', volumeL: 0 } }, known))).toEqual([
      'vessel.volumeL',
    ])
    expect(feedingProblems(plan, known)).toEqual([])
  })

  it('is of the household’s own feed before the generic one of that id', () => {
    // 0 % of nitrogen reaches no strength, so the rules must have looked at this one.
    const empty = { ...FEEDS.find(({ id }) => id === 'balanced-20')!, nPercent: 0 }
    expect(
      feedingProblems(plan, { ...known, feeds: catalogueOf(known.feeds, [empty]) }).length,
    ).toBeGreaterThan(0)
  })
})

describe('a programme of feeds', () => {
  const record = programme.parse({
    name: 'Tomatoes',
    feedId: 'balanced-20',
    appetite: 'heavy',
    method: 'weak and often',
    plants: 48,
    batchId: ID,
    stages: [
      {
        growthStageId: 'true-leaves',
        days: 14,
        containerId: 'tray-72',
        recipeId: null,
        nMgPerL: 50,
        everyDays: 3,
      },
      {
        growthStageId: 'potted-up',
        days: 21,
        containerId: 'pot-10cm',
        recipeId: 'stretched-potting',
        nMgPerL: 100,
        everyDays: 3,
      },
    ],
  })
  const mix = STARTING_RECIPES.find(({ id }) => id === 'farm-compost')!
  const known = { ...contextOf({}), mixOf: (id: string) => (id === ID ? mix : contextOf({}).mixOf(id)) }

  it('points at everything that is not there at once, each at its stage', () => {
    const stages = record.stages.map((stage) => ({ ...stage, containerId: 'hat', recipeId: 'soup' }))
    expect(at(programmeRecordProblems({ ...record, feedId: 'x', stages }, known))).toEqual([
      'feedId',
      'stages[0].containerId',
      'stages[0].recipeId',
      'stages[1].containerId',
      'stages[1].recipeId',
    ])
    expect(refused(programme, { ...record, stages: [] })).toEqual(['stages'])
    expect(() => asProgrammeRequest({ ...record, feedId: 'x' }, known)).toThrow(/feedId/)
    expect(() => asProgrammeRequest({ ...record, stages }, known)).toThrow(/containerId/)
  })

  it('feeds on what the batch’s own mix lets go: less from the can where that is compost', () => {
    expect(programmeRecordProblems(record, known)).toEqual([])
    const request = asProgrammeRequest(record, known)
    const sterile = { ...request, stages: request.stages.map((stage) => ({ ...stage, releasedMgPerL: 0 })) }
    expect(request.stages[0]!.releasedMgPerL).toBeGreaterThan(0)
    const fed = (of: typeof request) => planProgramme(of).events.filter(({ notYet }) => !notYet).length
    expect(fed(request)).toBeLessThan(fed(sterile))
  })
})

describe('a pack', () => {
  const known = contextOf({})
  const kept = (over: object) =>
    stock.parse({
      name: 'Pack',
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: 10 },
      packs: 1,
      ...over,
    })

  it('is of something, in a measure it is sold by', () => {
    expect(at(stockProblems(kept({ goodsId: 'moon dust' }), known))).toEqual(['goodsId'])
    expect(at(stockProblems(kept({ size: { measure: 'pressed', amount: 100 } }), known))).toEqual([
      'size.measure',
    ])
    expect(at(stockProblems(kept({ size: { measure: 'mass', amount: 0 } }), known))).toEqual(['size.amount'])
    expect(
      stockProblems(kept({ goodsId: 'peat', size: { measure: 'pressed', amount: 107.6 } }), known),
    ).toEqual([])
    expect(() => packHolds({ measure: 'pressed', amount: 1 }, goodsOf(kept({}), known)!)).toThrow(
      /not sold pressed/,
    )
  })

  it('holds what its goods are used by: more in a larger pack, for everything there is', () => {
    const all = [
      ...MATERIALS.map((material) => ({ kind: 'material' as const, material })),
      ...FEEDS.map((one) => ({ kind: 'feed' as const, feed: one })),
    ]
    fc.assert(
      fc.property(
        fc.constantFrom(...all),
        fc.constantFrom('loose' as const, 'pressed' as const, 'mass' as const),
        fc.double({ min: 0.1, max: 1000, noNaN: true }),
        (goods, measure, amount) => {
          fc.pre(measure !== 'pressed' || comesPressed(goods))
          const [one, two] = [amount, amount * 2].map((n) => packHolds({ measure, amount: n }, goods))
          expect(two!.value / one!.value).toBeCloseTo(2, 9)
          expect(one!.unit).toBe(goodsUnit(goods))
        },
      ),
    )
  })

  it('stands on the shelf of its own goods only', () => {
    const shelf = [kept({}), kept({ goodsId: 'peat' }), kept({ kind: 'feed', goodsId: 'balanced-20' })].map(
      (body, i) => ({ id: String(i), body }),
    )
    const of = (body: (typeof shelf)[number]['body']) =>
      shelvesOf(shelf, goodsOf(body, known)!).map(({ id }) => id)
    expect(shelf.map(({ body }) => of(body))).toEqual([['0'], ['1'], ['2']])
    expect(shelvesOf(shelf, goodsOf(shelf[0]!.body, known)!)[0]).toMatchObject({ holds: 10, packs: 1 })
  })
})
