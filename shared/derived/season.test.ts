import { sayProblemOf } from '#shared/messages/refusals'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { binomialDistribution } from 'simple-statistics'
import { shortFrom } from '#core/season/demand/shopping'
import { given } from '#core/working/figure'
import { yours } from '#core/working/source'
import { changedFigures } from '#core/catalogue'
import { countsSeedlings, CROP_FIGURES, type Crop } from '#core/sowing/crop'
import { BUILT_IN_CROPS, CROPS } from '#core/sowing/crops'
import { contextOf } from './context'
import { SEASON } from '../test/season'
import { knownFrom } from '#core/language/reading'
import { heardWish } from './heard-wish'
import { wordsOf } from './known'
import { crop } from '../records/crop'
import { asCrop, cropRecordOf } from '../records/as-crop'
import { seasonFrame } from '../records/season-frame'
import { sowing } from '../records/sowing'
import { tray } from '../records/tray'
import { trayFor } from './tray-for'
import { proposedTrays } from './trays'
import { asSowingRequest, sowingRecordProblems } from './sowing-request'
import { planSowing } from '#core/season/schedule/sowing'
import { openRows, seasonPlanner, type SeasonContext } from './season'
import { dayFrom } from '#core/calendar/day'

const frame = seasonFrame.parse(SEASON)
const LEEK = '7b1c0a30-0000-4000-8000-000000000001'
const known = contextOf({
  household: { body: { units: 'metric', season: frame } },
  packets: [
    {
      id: LEEK,
      body: {
        name: 'Leek',
        cropId: 'leek',
        supplier: '',
        year: 2024,
        seeds: 90,
        germination: 0.8,
        upDays: null,
        depthMm: null,
        spacingMm: null,
      },
    },
  ],
}) as SeasonContext
const stagesWith = (recipeId: string) =>
  sowing.parse({ ...tomato, stages: [{ kind: 'sow', containerId: 'tray-72', recipeId, part: 1 }] }).stages
const changedIn = (one: Crop) => changedFigures(BUILT_IN_CROPS, one, CROP_FIGURES)
const tomato = sowing.parse({ name: 'Tomato', cropId: 'tomato', plants: 48, sowOn: '2027-03-20' })

describe('a crop that is put right', () => {
  const basil = CROPS.find(({ id }) => id === 'basil')!

  it('comes back as it was, and names as its own only what was changed', () => {
    for (const one of CROPS) {
      const record = crop.parse(cropRecordOf(one))
      expect(changedIn(asCrop('x', record))).toEqual([])
      expect(asCrop('x', record).sources).toEqual(one.sources)
    }
    const own = cropRecordOf(basil)
    own.figures.weeks = [7, 9]
    const mine = asCrop('x', crop.parse(own))
    expect(changedIn(mine)).toEqual(['weeks'])
    expect([mine.sources.weeks.tag, mine.sources.depthMm]).toEqual(['yours', basil.sources.depthMm])
    const { crops } = contextOf({ crops: [{ id: 'x', body: crop.parse(own) }] })
    expect([crops.size, crops.get('basil')]).toEqual([CROPS.length, { ...mine, id: 'basil' }])
  })

  it('is called as the household calls it, also where its figures were corrected; a name of its own stays', () => {
    const own = (name: string) => ({
      ...crop.parse(cropRecordOf(CROPS.find(({ id }) => id === 'courgette')!)),
      name,
    })
    const shown = (household: object, crops: { id: string; body: ReturnType<typeof own> }[] = []) => {
      const all = contextOf({
        crops,
        household: { body: { season: null, units: 'metric', ...household } },
      }).crops
      return all.get('courgette')!
    }
    expect(shown({ units: 'us' }, [{ id: 'x', body: own('Courgette') }])).toMatchObject({ name: 'Zucchini' })
    expect(shown({ units: 'us' }).alsoCalled).toContain('Courgette')
    expect(shown({ units: 'imperial' }, [{ id: 'x', body: own('Zucchini') }]).name).toBe('Courgette')
    expect(shown({ units: 'us' }, [{ id: 'x', body: own('Grandmother’s marrow') }]).name).toBe(
      'Grandmother’s marrow',
    )
    expect(shown({ formats: { locale: 'en-US', temperature: null, weekStart: null } }).name).toBe('Zucchini')
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

  it('says which stage points at a mix or container nobody knows', () => {
    const stages = [{ kind: 'sow', containerId: 'tray-73', recipeId: 'moon-dust', part: 1 }]
    const paths = sowingRecordProblems(sowing.parse({ ...tomato, stages }), known).map(({ path }) =>
      path.join('.'),
    )
    expect(paths).toEqual(expect.arrayContaining(['stages.0.containerId', 'stages.0.recipeId']))
  })

  it('is planned again only when it or its marks changed', () => {
    const plan = seasonPlanner(known, dayFrom('2027-03-01'))
    const kept = [
      { id: 'a', body: tomato },
      { id: 'b', body: { ...tomato, plants: 20 } },
    ]
    const before = openRows(plan, kept, { done: new Map() }, dayFrom('2027-03-22')).rows
    const moved = [kept[0]!, { id: 'b', body: { ...kept[1]!.body, sowOn: dayFrom('2027-03-27') } }]
    const after = openRows(plan, moved, { done: new Map() }, dayFrom('2027-03-22')).rows
    expect(after[0]).toBe(before[0])
    expect(after[1]!.planned.sowOn).toBe('2027-03-27')
    const done = openRows(
      plan,
      moved,
      { done: new Map([['a', { 'stage-0': dayFrom('2027-03-22') }]]) },
      dayFrom('2027-03-22'),
    ).rows
    expect([done[0]!.planned.sowOn, done[1]]).toEqual(['2027-03-22', after[1]])
  })

  it('that cannot be planned comes back with the reason, and is never lost from sight', () => {
    const kept = [
      { id: 'well', body: tomato },
      { id: 'poor seed', body: { ...tomato, plants: 20_000, germination: 0.05 } },
      { id: 'no crop', body: { ...tomato, cropId: 'moss' } },
      { id: 'no packet', body: { ...tomato, packetId: '7b1c0a30-0000-4000-8000-00000000000f' } },
      { id: 'no mix', body: { ...tomato, stages: stagesWith('moon-dust') } },
    ]
    const { rows, unplanned } = openRows(
      seasonPlanner(known, dayFrom('2027-03-01')),
      kept,
      { done: new Map() },
      dayFrom('2027-03-01'),
    )
    expect(rows.map(({ id }) => id)).toEqual(['well'])
    expect(unplanned.map(({ id, problem }) => [id, problem.path[0]])).toEqual([
      ['poor seed', 'plants'],
      ['no crop', 'cropId'],
      ['no packet', 'packetId'],
      ['no mix', 'stages'],
    ])
    for (const { problem } of unplanned) expect(sayProblemOf(problem)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('a place in a wish', () => {
  const heard = (text: string, of: SeasonContext = known) =>
    heardWish(text, knownFrom(wordsOf(of, dayFrom('2027-03-01'), 'day first', 'metric')), of)

  it('is known by its own name and by what its kind is called; one that is not there is asked about', () => {
    for (const text of ['24 tomatoes, sow today, on the shelf', '24 tomatoes, sow today, under lights']) {
      const { questions, sowings } = heard(text)
      expect([questions, sowings[0]?.[0]?.placeId]).toEqual([[], 'shelf'])
    }
    const { questions, sowings } = heard('24 tomatoes, sow today, on the windowsill')
    expect([questions[0]!.question, sowings]).toEqual([
      expect.stringContaining('no windowsill here yet'),
      [[]],
    ])
    expect(heard('24 tomatoes, sow today, outside').sowings[0]?.[0]?.placeId).toBe('outside')
  })
})

describe('a wish for seeds, cells or trays', () => {
  /** A bench that loses one in five as it moves plants on, and whose packet of leeks is three years old. */
  const losing = contextOf({
    household: { body: { units: 'metric', season: frame } },
    packets: [{ id: LEEK, body: known.packets.get(LEEK)! }],
    measurements: Array.from({ length: 12 }, (_, i) => ({
      entryId: `7b1c0a30-0000-4000-8000-0000000001${String(i).padStart(2, '0')}`,
      on: dayFrom('2026-05-01'),
      what: 'potting loss' as const,
      of: '',
      value: 0.2,
      n: 60,
      key: '',
    })),
  }) as SeasonContext

  it.each([
    ['1 tray of tomatoes, sow today', known],
    ['1 tray of tomatoes, sow today', losing],
    ['72 cells of leek, sow today', losing],
    ['60 seeds of leek, sow today', losing],
  ])('counts on as many plants as its own plan gives with that certainty: %s', (text, of) => {
    const [[sown] = []] = heardWish(
      text,
      knownFrom(wordsOf(of, dayFrom('2027-03-01'), 'day first', 'metric')),
      of,
    ).sowings
    const request = asSowingRequest(sown!, of)!
    const { chance, cells, seeds } = planSowing(request, of.frame, of.book)
    const tries = countsSeedlings(request.crop) ? seeds : cells
    /** Chance of each count [another library’s binomial distribution]. */
    const each = binomialDistribution(tries, chance.value)!
    const atLeast = (plants: number) => each.slice(plants).reduce((sum, p) => sum + p, 0)
    expect(atLeast(sown!.plants)).toBeGreaterThan(request.certainty - 1e-4)
    expect(atLeast(sown!.plants + 1)).toBeLessThan(request.certainty)
  })
})

it('a season runs short of a thing on the day its use passes what is there', () => {
  const use = fc.record({ day: fc.integer({ min: 1, max: 28 }), litres: fc.integer({ min: 1, max: 9 }) })
  fc.assert(
    fc.property(fc.array(use, { maxLength: 12 }), fc.integer({ min: 0, max: 40 }), (uses, there) => {
      const dated = uses.map(({ day, litres }) => ({
        on: dayFrom(`2027-04-${String(day).padStart(2, '0')}`),
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

describe('what a tray was filled with', () => {
  it('stays the mix of its sowing, whatever the supplies hold today; one without a tray takes the usual mix', () => {
    const id = '7b1c0a30-0000-4000-8000-00000000000a'
    const other = [...known.recipes.keys()].find((one) => one !== known.usualMixes.seed)!
    const body = tray.parse({
      name: 'Tray',
      containerId: 'tray-72',
      rows: 1,
      columns: 2,
      recipeId: other,
      cells: ['A', 'A'],
      groups: [{ code: 'A', name: 'Tomato', cropId: 'tomato', sowingId: id }],
    })
    const firstMix = (trays: { id: string; body: typeof body }[]) => {
      const outcome = seasonPlanner(known, dayFrom('2027-03-01'), trays).plan({ id, body: tomato })
      return 'row' in outcome ? outcome.row.planned.stages[0]!.recipeId : null
    }
    expect(firstMix([])).toBe(known.usualMixes.seed)
    expect(firstMix([{ id: 'tray', body }])).toBe(other)
    expect(firstMix([{ id: 'tray', body: { ...body, recipeId: 'gone' } }])).toBe(known.usualMixes.seed)
  })
})

describe('a sowing straight into pots', () => {
  it('is laid out in a tray of its own, with as many as it needs, and asked for no more once that stands', () => {
    const id = '7b1c0a30-0000-4000-8000-00000000000b'
    const recipeId = known.usualMixes.seed
    const stages = sowing.parse({
      ...tomato,
      stages: [{ kind: 'sow', containerId: 'pot-10cm', recipeId, part: 1 }],
    }).stages
    const planner = seasonPlanner(known, dayFrom('2027-03-01'))
    const { rows } = openRows(
      planner,
      [{ id, body: { ...tomato, stages } }],
      { done: new Map() },
      dayFrom('2027-03-01'),
    )
    const [one, ...more] = proposedTrays(rows, [])
    const wanted = rows[0]!.planned.stages[0]!.cells
    expect([more, one!.holds.map(({ cells }) => cells)]).toEqual([[], [wanted]])
    const body = trayFor(one!, () => null)
    expect(body.cells.filter((code) => code === 'A')).toHaveLength(wanted)
    expect(body.containerId).toBe('pot-10cm')
    expect(proposedTrays(rows, [{ body }])).toEqual([])
  })
})
