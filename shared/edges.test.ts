import { describe, expect, it } from '@jest/globals'
import * as z from 'zod'
import { CONTAINERS } from '#core/containers/catalogue'
import { planDose } from '#core/feed/dose'
import { FEEDS } from '#core/feed/feeds'
import { planProgramme } from '#core/feed/programme'
import { planBatch } from '#core/media/batch'
import { DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { MATERIALS } from '#core/media/materials'
import { extraProblems, recipeProblems } from '#core/media/recipe'
import { dayFrom } from '#core/calendar/day'
import { packHolds } from '#core/supplies/goods'
import { CROPS } from '#core/sowing/crops'
import type { Figure } from '#core/working/figure'
import { bodyOf, COLLECTIONS, HOUSEHOLD, type Bodies } from './records/collections'
import type { Collection } from './records/collection-names'
import { contextOf } from './derived/context'
import { batch } from './records/batch'
import { asBatchRequest, batchRecordProblems } from './derived/batch-request'
import { containerRecordOf } from './records/as-container'
import { cropRecordOf } from './records/as-crop'
import { newEntry } from './records/new-entry'
import { feedRecordOf } from './records/as-feed'
import { feedingProblems } from './derived/dose-request'
import { material } from './records/material'
import { programme } from './records/programme'
import { asProgrammeRequest, programmeRecordProblems } from './derived/programme-request'
import { guidedJob } from './records/guided-job'
import { seasonFrame } from './records/season-frame'
import { sowing } from './records/sowing'
import { sowingRecordProblems } from './derived/sowing-request'
import { goodsOf, stockProblems } from './derived/shelves'
import { trayProblems } from './derived/tray-problems'
import { jobsOn, openRows, seasonPlanner, type SeasonContext } from './derived/season'

/*
 * Every number of every record is driven to the first and last value its rules let through, found by halving rather than
 * written down here; at both the household must still be able to use it.
 */

const TODAY = dayFrom('2027-03-01')
const season = seasonFrame.parse({
  lastFrost: '2027-05-08',
  firstFrost: '2027-10-12',
  frostSpreadDays: 10,
  frostRisk: 0.1,
  nights: { coldestC: 8, warmestC: 20, coldestOn: '2027-01-20' },
  places: [
    {
      id: 'shelf',
      name: 'Shelf',
      kind: 'shelf',
      flats: 8,
      dayC: 20,
      nightC: 18,
      heatC: 24,
      light: { kindId: 'measured', count: 2, heightCm: 30, measured: { ppfd: 200, atCm: 30, radiusCm: 20 } },
    },
    {
      id: 'sill',
      name: 'Sill',
      kind: 'windowsill',
      flats: 2,
      dayC: 20,
      nightC: 15,
      humidity: 0.4,
      reservoirL: 3,
    },
  ],
  lightMethod: 'sixteen',
  feedingMethod: 'weak and often',
  feedId: 'balanced-20',
  tubL: 40,
  canL: 9,
  nightC: 4,
  hotC: 31,
  shareDays: 2,
})
const household = HOUSEHOLD.parse({
  name: 'Edges',
  place: '',
  units: 'metric',
  water: { ecMsPerCm: 0.4, alkalinityMgPerL: 120 },
  season,
})
const context = contextOf({ household: { body: household } }) as SeasonContext
const coir = MATERIALS.find(({ id }) => id === 'coir')!
const parts = [
  { materialId: 'coir', parts: 3 },
  { materialId: 'perlite', parts: 1 },
]
const extras = [{ materialId: 'dolomitic-lime', gPerL: 2 }]
const stage = { growthStageId: 'growing-on', containerId: 'pot-10cm', recipeId: 'lean-and-light', days: 20 }
const ID = '0b1a5700-0000-4000-8000-000000000001'

/** A record of every collection in which every number is filled in. */
const FULL: { [C in Collection]: Bodies[C][] } = {
  recipes: [
    {
      name: 'Mix',
      reasoning: '',
      parts,
      extras,
      preparations: [],
      worksIn: [],
      homeTests: [
        { parts, depthMm: 100, runs: [{ volumeMl: 1000, heldMl: 20, pouredMl: 800, drainedMl: 150 }] },
      ],
    },
  ],
  materials: [
    material.parse({
      name: 'Coir of ours',
      basedOn: 'coir',
      figures: Object.fromEntries(Object.keys(coir.sources).map((key) => [key, coir[key as 'ph']])),
      packL: 20,
      sustainability: '',
    }),
  ],
  containers: ['tray-72', 'pot-10cm'].map((id) => ({
    ...containerRecordOf(CONTAINERS.find((one) => one.id === id)!),
    basedOn: null,
    measuredVolumeMl: 60,
  })),
  feeds: [
    {
      ...feedRecordOf(FEEDS.find(({ id }) => id === 'liquid-5')!),
      basedOn: null,
      labelRatePerL: 4,
      densityGPerMl: 1.1,
      nForms: { nitrate: 0.5, ammonium: 0.3, urea: 0.2 },
      ecSlopeMsPerCm: 0.4,
    },
  ],
  devices: [
    {
      name: 'Scale',
      kind: 'kitchen scale',
      placeId: null,
      trayId: null,
      simulated: true,
      fault: null,
      calibratedAt: null,
    },
  ],
  tools: [{ name: 'Spoon', kind: 'spoon', capacityMl: 5 }],
  batches: [
    batch.parse({
      name: 'Batch',
      sowings: [{ id: ID, stage: 1 }],
      recipeId: null,
      parts,
      lowerParts: parts,
      fills: [{ containerId: 'pot-10cm', count: 4, coverMm: 5, coverMaterialId: 'vermiculite', topMm: 20 }],
      allowances: DEFAULT_ALLOWANCES,
      scoop: { name: 'pot', volumeL: 0.5 },
      packIds: {},
      extras,
      preparations: [],
      feel: 'wrung-out sponge',
      tubL: 40,
    }),
  ],
  feedings: [
    {
      name: 'Feed',
      feedId: 'balanced-20',
      growthStageId: 'true-leaves',
      targetNMgPerL: 60,
      vessel: { name: 'jug', volumeL: 2 },
      batchId: null,
      toolId: null,
    },
  ],
  programmes: [
    programme.parse({
      name: 'Schedule',
      feedId: 'balanced-20',
      plants: 48,
      appetite: 'medium',
      method: 'weak and often',
      batchId: null,
      stages: [{ ...stage, nMgPerL: 100, everyDays: 7 }],
    }),
  ],
  stocks: [
    {
      name: 'Bag',
      kind: 'material',
      goodsId: 'perlite',
      size: { measure: 'loose', amount: 10 },
      price: 6.5,
      packs: 2,
    },
  ],
  crops: [
    {
      ...cropRecordOf(CROPS.find(({ id }) => id === 'basil')!),
      basedOn: null,
    },
    {
      ...cropRecordOf(
        CROPS.find(({ treatment, weeksBeforeFrost }) => treatment && weeksBeforeFrost !== null)!,
      ),
      basedOn: null,
    },
  ],
  packets: [
    {
      name: 'Leek',
      cropId: 'leek',
      supplier: '',
      year: 2026,
      seeds: 90,
      germination: 0.8,
      upDays: { from: 6, to: 14 },
      depthMm: 8,
      spacingMm: 300,
    },
  ],
  sowings: ['tomato', 'onion'].map((cropId) =>
    sowing.parse({
      name: 'Sowing',
      cropId,
      plants: 48,
      cells: 72,
      germination: 0.8,
      seedsPerCell: 2,
      depthMm: 8,
      outOn: '2027-05-20',
      stages: [
        {
          kind: 'sow',
          containerId: 'tray-72',
          recipeId: 'lean-and-light',
          part: 0.6,
          days: 40,
          nMgPerL: 60,
          everyDays: 7,
          lightHours: 16,
          mixC: 20,
          elsewhere: { placeId: 'sill', share: 0.5 },
        },
        { kind: 'pot up', containerId: 'pot-10cm', recipeId: 'lean-and-light', plantsEach: 2, part: 0.4 },
      ],
    }),
  ),
  trays: [
    {
      name: '6-cell tray',
      containerId: 'six-pack',
      rows: 2,
      columns: 3,
      turned: false,
      corner: 'top left' as const,
      placeId: null,
      cut: { column: 2, placeId: 'sill' },
      batchId: null,
      recipeId: null,
      groups: [
        {
          code: 'A',
          name: 'Basil',
          cropId: 'basil',
          sowingId: null,
          stage: 0,
          packetId: null,
          seedsPerCell: 2,
        },
      ],
      cells: ['A', 'A', '', '', '', ''],
      emptiedOn: null,
    },
  ],
  guidedJobs: [
    guidedJob.parse({
      name: 'Mix batch 3',
      kind: 'mix',
      subjects: [{ what: 'batches', id: ID, stage: 0 }],
      onDay: TODAY,
      hands: 2,
      marks: [
        { id: ID, step: 'stir', what: 'answer', at: '2027-03-01T09:00:00.000Z', key: 'waterL', value: 3 },
      ],
    }),
  ],
  entries: [
    {
      ...newEntry({
        name: 'Given',
        kind: 'feed given',
        on: TODAY,
        subjects: [{ what: 'sowings', id: ID, stage: 0 }],
      }),
      times: 2,
      count: 31,
      cells: [{ trayId: ID, group: 'A', what: 'up', cells: [[1, 2]], count: 3 }],
      water: [
        {
          trayId: ID,
          how: 'below',
          litres: 1.2,
          backL: 0.2,
          grams: 2300,
          moment: 'watered',
          sdG: 2,
          feels: null,
          ecMsPerCm: 0.5,
          nMgPerL: 60,
        },
      ],
      actual: {
        share: 1,
        usedL: 10,
        leftL: 1,
        waterL: 2,
        filled: 3,
        mixedL: 11,
        backL: 0.5,
        minutes: 40,
        roots: 'holding',
      },
      placeId: 'sill',
      grams: 350,
      climate: [{ on: TODAY, lowC: 12, highC: 20, meanC: 16, lightMol: 9, humidity: 0.5, mixC: 21 }],
      measured: [{ what: 'settling', of: '', value: 1.2, n: 3, key: '' }],
    },
  ],
  trials: [
    {
      name: 'Two mixes',
      question: 'mix',
      on: TODAY,
      seed: 7,
      blind: false,
      arms: ['A', 'B'].map((code) => ({
        code,
        name: `Mix ${code}`,
        groups: [],
        recipeId: null,
        packetId: null,
      })),
      note: '',
      endedOn: null,
    },
  ],
  photos: [
    { name: 'Basil', fileId: ID, on: TODAY, subjects: [], placeId: null, width: 800, height: 600, note: '' },
  ],
}

/** Whether it may be kept, by its schema and by what it points at. */
function isKept(collection: Collection, body: unknown): boolean {
  const read = bodyOf(collection).safeParse(body)
  if (!read.success) return false
  const value = read.data as never
  if (collection === 'batches') return batchRecordProblems(value, context).length === 0
  if (collection === 'trays') return trayProblems(value, context).length === 0
  if (collection === 'sowings') return sowingRecordProblems(value, context).length === 0
  if (collection === 'feedings') return feedingProblems(value, context).length === 0
  if (collection === 'programmes') return programmeRecordProblems(value, context).length === 0
  if (collection === 'recipes') {
    const { parts: mixed, extras: dosed } = value as Bodies['recipes']
    return (
      [...recipeProblems(mixed, context.materials), ...extraProblems(dosed, context.materials)].length === 0
    )
  }
  if (collection === 'stocks') return stockProblems(value, context).length === 0
  return true
}

/** Everything a page would compute from it; throws where a page would break. */
function used(collection: Collection, body: unknown): unknown {
  const record = [{ id: ID, body: bodyOf(collection).parse(body) }] as never
  const known = contextOf({ household: { body: household }, [collection]: record }) as SeasonContext
  const inMix = (materialId: string) => ({ ...FULL.batches[0]!, parts: [{ materialId, parts: 1 }] })
  const tomato = sowing.parse({ name: 'Tomato', cropId: 'tomato', plants: 48, sowOn: '2027-03-20' })
  const planned = (one: Bodies['sowings'], with_ = known) => {
    const { rows, unplanned } = openRows(
      seasonPlanner(with_, TODAY),
      [{ id: ID, body: one }],
      { done: new Map() },
      TODAY,
    )
    return { unplanned: unplanned.map(({ problem }) => problem), jobs: jobsOn(TODAY, rows, [], with_) }
  }
  const value = (record as { body: never }[])[0]!.body
  switch (collection) {
    case 'recipes':
      return planBatch(asBatchRequest({ ...FULL.batches[0]!, ...(value as Bodies['recipes']) }, known))
    case 'materials':
      return planBatch(asBatchRequest(inMix('coir'), known))
    case 'containers':
      return planBatch(
        asBatchRequest(
          {
            ...FULL.batches[0]!,
            fills: [{ containerId: ID, count: 1, coverMm: 0, coverMaterialId: 'mix', topMm: null }],
          },
          known,
        ),
      )
    case 'batches':
      return planBatch(asBatchRequest(value, known))
    case 'feeds':
      // One with next to no nitrogen is kept, and says itself that it cannot reach the strength.
      return (value as Bodies['feeds']).nPercent > 1
        ? planDose({ ...FULL.feedings[0]!, feed: known.feeds.get(ID)!, tools: [] })
        : null
    case 'tools':
      return planDose({ ...FULL.feedings[0]!, feed: known.feeds.get('balanced-20')!, tools: known.tools })
    case 'feedings':
      return planDose({
        ...(value as Bodies['feedings']),
        feed: known.feeds.get('balanced-20')!,
        tools: FULL.tools.map((tool) => ({ id: ID, ...tool })),
      })
    case 'programmes':
      return planProgramme(asProgrammeRequest(value, known))
    case 'stocks': {
      const stock = value as Bodies['stocks']
      return packHolds(stock.size, goodsOf(stock, known)!)
    }
    case 'crops':
      return planned({ ...tomato, cropId: ID })
    case 'packets':
      return planned({ ...tomato, cropId: 'leek', packetId: ID })
    case 'sowings':
      return planned(value)
    case 'entries': {
      // What was measured moves every plan: at its edges too the numbers stay numbers.
      const { measured, on } = value as Bodies['entries']
      const measurements = measured.map((one) => ({ ...one, entryId: ID, on }))
      const learned = contextOf({ household: { body: household }, measurements }) as SeasonContext
      return [planBatch(asBatchRequest(FULL.batches[0]!, learned)), planned(tomato, learned)]
    }
  }
}

type Path = readonly (string | number)[]
function numbersIn(value: unknown, path: Path = []): Path[] {
  if (typeof value === 'number') return [path]
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, inside]) =>
    numbersIn(inside, [...path, Array.isArray(value) ? Number(key) : key]),
  )
}
const at = (value: unknown, path: Path): unknown =>
  path.reduce<unknown>((inside, key) => (inside as Record<string | number, unknown>)[key], value)
function withAt<Value>(value: Value, path: Path, put: number): Value {
  const copy = structuredClone(value)
  ;(at(copy, path.slice(0, -1)) as Record<string | number, number>)[path.at(-1)!] = put
  return copy
}

/** The last value towards `far` that is kept, coming from one that is. */
function edge(good: number, far: number, whole: boolean, kept: (value: number) => boolean): number {
  let [inside, outside] = [good, far]
  for (let i = 0; i < 400; i++) {
    // Halve what lies between by its size first, then by its distance.
    const wide = Math.abs(outside) > 1e6 && Math.sign(outside) === Math.sign(inside || outside)
    const middle = wide
      ? Math.sign(outside) * Math.sqrt(Math.abs(outside) * Math.max(1, Math.abs(inside)))
      : (inside + outside) / 2
    const tried = whole ? Math.round(middle) : middle
    if (tried === inside || tried === outside) break
    if (kept(tried)) inside = tried
    else outside = tried
  }
  return inside
}

function everyFigure(value: unknown, see: (figure: Figure) => void, seen = new Set<object>()): void {
  if (typeof value !== 'object' || value === null || seen.has(value)) return
  seen.add(value)
  if ('working' in value && 'value' in value) see(value as Figure)
  for (const inside of Object.values(value)) everyFigure(inside, see, seen)
}

describe.each(Object.keys(COLLECTIONS) as Collection[])('every number of %s', (collection) => {
  const examples = FULL[collection] as object[]
  const paths = examples.flatMap((example) => numbersIn(example).map((path) => ({ example, path })))

  it('stands in the example', () => {
    const said = (path: Path) => path.map((key) => (typeof key === 'number' ? '[]' : key)).join('.')
    const here = new Set(paths.map(({ path }) => said(path)))
    const missing = [...numbersOfSchema(collection)].filter((path) => !here.has(path))
    // What the server writes is not driven from outside.
    expect(missing.filter((path) => !/^(moves|facts)\./.test(path))).toEqual([])
  })

  // Some records, such as a device, have no number at all.
  if (paths.length === 0) return
  it.each(paths.map(({ example, path }) => [path.join('.'), path, example] as const))(
    '%s has two edges, and works at both',
    (_, path, example) => {
      const good = at(example, path) as number
      const kept = (value: number) => isKept(collection, withAt(example, path, value))
      expect(kept(good)).toBe(true)
      const works = (value: number) =>
        everyFigure(used(collection, withAt(example, path, value)), (figure) =>
          expect(Number.isFinite(figure.value)).toBe(true),
        )
      for (const never of [1e308, -1e308, NaN]) expect(kept(never)).toBe(false)
      for (const odd of [5e-324, -5e-324, 1e-300, 0.1 + 2 ** 30]) if (kept(odd)) works(odd)
      const whole = !kept(good + 1e-3) && !kept(good - 1e-3)
      for (const far of [1e308, -1e308]) {
        const last = edge(good, far, whole, kept)
        expect(Math.abs(last)).toBeLessThanOrEqual(10_000_000)
        works(last)
      }
    },
  )
})

/** Paths of all numbers a collection's schema knows, lists without their positions. */
function numbersOfSchema(collection: Collection): Set<string> {
  const found = new Set<string>()
  const walk = (schema: Schema | undefined, path: string[]) => {
    if (!schema || typeof schema !== 'object') return
    if (schema.type === 'number' || schema.type === 'integer') found.add(path.join('.'))
    for (const [key, inside] of Object.entries(schema.properties ?? {})) walk(inside, [...path, key])
    walk(schema.items, [...path, '[]'])
    for (const inside of schema.prefixItems ?? []) walk(inside, [...path, '[]'])
    for (const inside of [...(schema.anyOf ?? []), ...(schema.oneOf ?? [])]) walk(inside, path)
  }
  walk(z.toJSONSchema(bodyOf(collection), { io: 'input', unrepresentable: 'any' }) as Schema, [])
  return found
}
interface Schema {
  type?: string
  properties?: Record<string, Schema>
  items?: Schema
  prefixItems?: Schema[]
  anyOf?: Schema[]
  oneOf?: Schema[]
}
