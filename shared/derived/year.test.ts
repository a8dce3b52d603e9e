import { sayAgainst, sayTrial } from '../messages/trials'
import { describe, expect, it } from '@jest/globals'
import { dayFrom, type Day } from '#core/calendar/day'
import { contextOf } from './context'
import { doubtsOf, type TrayFacts } from './line-doubts'
import type { EntryRecord } from '../records/entry'
import { newEntry, waterRow } from '../records/new-entry'
import { tray as traySchema } from '../records/tray'
import { compared, judgedTrial, groupFacts } from './group-facts'
import { traceOf } from './trace'
import { germinationCurves, perPlant, timelines, yearReport } from './year'
import { readLine } from '#core/language/log-line'
import { knownFrom } from '#core/language/reading'
import { wordsOf } from './known'

const id = (n: number) => `0b1a5700-0000-4000-8000-${String(n).padStart(12, '0')}`
const day = (text: string) => dayFrom(text)
const printDay = (on: Day) => on

const packet = (name: string, supplier: string) => ({
  name,
  cropId: 'okra',
  supplier,
  year: 2026,
  seeds: 40,
  germination: 0.85,
  upDays: null,
  depthMm: null,
  spacingMm: null,
})
const context = contextOf({
  packets: [
    { id: id(1), body: packet('Okra, green', 'swap') },
    { id: id(2), body: packet('Okra, red', 'market') },
  ],
  stocks: [
    {
      id: id(3),
      body: {
        name: 'Bag of perlite',
        kind: 'material',
        goodsId: 'perlite',
        size: { measure: 'loose', amount: 10 },
        price: 8,
        packs: 0,
      },
    },
  ],
})
const tray = (n: number, packetId: string, placeId: string, over: object = {}) => ({
  id: id(n),
  number: n,
  body: traySchema.parse({
    name: 'Tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    placeId,
    groups: [{ code: 'A', name: 'Okra', cropId: 'okra', packetId, seedsPerCell: 1 }],
    cells: Array(24).fill('A'),
    ...over,
  }),
})
const cells = (n: number): [number, number][] => Array.from({ length: n }, (_, cell) => [cell, 1])
const entry = (n: number, over: Partial<EntryRecord>) => ({
  id: id(n),
  body: newEntry({ name: 'It', kind: 'look', on: day('2027-03-01'), subjects: [], ...over }),
})
const subjects = (n: number): EntryRecord['subjects'] => [{ what: 'trays', id: id(n), stage: null }]
const grown = (n: number, up: number, sownOn: string, upOn: string, at: number) => [
  entry(at, {
    kind: 'stage',
    on: day(sownOn),
    subjects: subjects(n),
    cells: [{ trayId: id(n), group: 'A', what: 'sown', cells: cells(24), count: null }],
  }),
  entry(at + 1, {
    on: day(upOn),
    subjects: subjects(n),
    cells: [{ trayId: id(n), group: 'A', what: 'up', cells: cells(up), count: null }],
  }),
]
const trays = [tray(10, id(1), 'racks', { batchId: id(20) }), tray(11, id(2), 'sill', { batchId: id(20) })]
const batch = {
  id: id(20),
  number: 1,
  body: {
    name: 'Spring mix',
    recipeId: 'lean-and-light',
    parts: [{ materialId: 'coir', parts: 1 }],
  } as never,
}
const entries = [
  ...grown(10, 21, '2027-03-01', '2027-03-12', 100),
  ...grown(11, 9, '2027-04-10', '2027-04-21', 110),
  entry(120, {
    kind: 'out',
    on: day('2027-05-20'),
    subjects: subjects(10),
    cells: [{ trayId: id(10), group: 'A', what: 'out', cells: [], count: 18 }],
  }),
  entry(121, {
    kind: 'lost',
    on: day('2027-05-01'),
    subjects: subjects(11),
    cells: [{ trayId: id(11), group: 'A', what: 'lost', cells: [], count: 4 }],
  }),
  entry(122, {
    kind: 'batch made',
    on: day('2027-02-27'),
    subjects: [{ what: 'batches', id: id(20), stage: null }],
    moves: [{ of: 'stocks', id: id(3), name: 'Bag of perlite', by: -2, amount: -20, unit: 'L' }],
    facts: [{ what: 'Loose mix', amount: 12, unit: 'L' }],
  }),
  entry(123, {
    kind: 'watered',
    subjects: subjects(10),
    water: [waterRow({ trayId: id(10), how: 'below', litres: 2.1, backL: 0.3, nMgPerL: 60 })],
  }),
  entry(124, { kind: 'seen', subjects: subjects(11), signs: ['fallen'], on: day('2027-04-28') }),
  entry(125, { kind: 'thought', remindOn: day('2028-03-01') }),
  entry(126, { kind: 'harvest', subjects: subjects(10), grams: 400 }),
]
const records = { trays, entries, sowings: [], batches: [batch], movedSince: [] }

describe('a year on one page', () => {
  const report = yearReport(records, context, 2027)
  it('adds up by crop and mix what was counted, and what went out', () => {
    expect(report.crops).toHaveLength(1)
    expect(report.crops[0]).toMatchObject({ cropId: 'okra', out: 18, lost: 4, pickedG: 400, daysUp: 11 })
    expect(report.crops[0]!.came).toMatchObject({ up: 30, of: 48 })
    expect(report.mixes[0]).toMatchObject({ litres: 12, trays: 2, lost: 4 })
    expect(report.plantsOut).toBe(18)
  })
  it('litres, nitrogen and money come of what was written: 1.8 L, 126 mg, two bags at 8', () => {
    expect(report.waterL).toBeCloseTo(1.8, 9)
    expect(report.nitrogenMg).toBeCloseTo(126, 9)
    expect(report.money).toBeCloseTo(16, 9)
    expect(report.ranOut).toEqual([{ name: 'Bag of perlite', on: '2027-02-27' }])
  })
  it('a packet that came up well is kept, one that did not is not bought again', () => {
    const verdicts = Object.fromEntries(
      report.packets.map(({ packet: { name }, verdict }) => [name, verdict]),
    )
    expect(verdicts['Okra, green']).toBe('keep')
    expect(verdicts['Okra, red']).toBe('do not buy again')
    expect(report.thoughts).toHaveLength(1)
  })
  it('what moved on the shelf since is taken off: a bag bought in autumn did not keep spring from running out', () => {
    const later = yearReport(
      { ...records, movedSince: [{ id: id(3), by: 3 }] },
      contextOf({ stocks: [{ id: id(3), body: { ...context.stocks[0]!.body, packs: 3 } }] }),
      2027,
    )
    expect(later.ranOut).toHaveLength(1)
    expect(later.left).toEqual([])
  })
  it('lines, curves and water a plant are drawn from the same', () => {
    expect(timelines(report.facts, entries)[0]).toMatchObject({
      sownOn: '2027-03-01',
      upOn: '2027-03-12',
      outOn: '2027-05-20',
    })
    const [curve] = germinationCurves(report.facts, ({ packetId }) => ({ id: packetId!, name: 'x' }))
    expect(curve!.points.at(-1)).toMatchObject({ day: 11, up: 21 / 24 })
    expect(curve!.points.at(-1)!.low).toBeLessThan(21 / 24)
    expect(perPlant(report.facts, entries)[0]!.mlEach).toBeCloseTo(1800 / 21, 6)
  })
})

describe('comparing', () => {
  const facts = groupFacts(trays, entries, context)
  const groups = facts.map((one) => ({ name: one.packetId === id(1) ? 'swap' : 'market', of: [one] }))
  const places = new Map([
    ['racks', 'Racks'],
    ['sill', 'Sill'],
  ])
  it('says what speaks against it: other weeks, another place, few trays, no lots drawn', () => {
    const { against, verdict } = compared(groups, 'supplier', context, places)
    const said = against.map((one) => sayAgainst(one, printDay)).join(' ')
    expect(verdict.differs).toBe(true)
    expect(said).toMatch(/Not the same weeks: swap about 2027-03-01, market about 2027-04-10/)
    expect(said).toMatch(/Not the same places: Racks against Sill/)
    expect(said).toMatch(/Not a trial/)
  })
  it('a trial of whole trays is judged tray by tray, under its letters while it is blind', () => {
    const trial = {
      name: 'Which seed?',
      question: 'seed' as const,
      on: day('2027-03-01'),
      seed: 3,
      blind: true,
      note: '',
      endedOn: null,
      arms: [10, 11].map((n, i) => ({
        code: 'AB'[i]!,
        name: `seed ${n}`,
        groups: [{ trayId: id(n), group: 'A' }],
        recipeId: null,
        packetId: null,
      })),
    }
    const [verdict] = judgedTrial(trial, facts, ({ code }) => `side ${code}`)
    expect(verdict!.up).toMatchObject({ p: 1, differs: false })
    expect(sayTrial(verdict!.up)).toMatch(/^88 % came up in side A \(1 tray\), 38 % came up in side B/)
    expect(sayTrial(verdict!.up)).not.toMatch(/seed 10/)
  })
})

describe('tracing', () => {
  it('leads from a sick tray to its batch, that to its other trays, and to seed and material', () => {
    const trace = traceOf(id(11), records as never, context, printDay)
    const name = (of: string) => trace.nodes.find((node) => node.id === of)!
    expect(name(id(11))).toMatchObject({ isAsked: true, isSick: true })
    expect(name(id(10)).isSick).toBe(false)
    const has = (from: string, to: string) => trace.links.some((link) => link.from === from && link.to === to)
    expect([
      has(id(20), id(11)),
      has(id(20), id(10)),
      has(id(2), id(11)),
      has('coir', id(20)),
      has(id(1), id(11)),
    ]).toEqual([true, true, true, true, false])
  })
  it('names what only the sick have in common', () => {
    const more = [...trays, tray(12, id(2), 'sill')]
    const sick = entry(130, { kind: 'seen', subjects: subjects(12), signs: ['mould'] })
    const trace = traceOf(
      id(11),
      { ...records, trays: more, entries: [...entries, sick] } as never,
      context,
      printDay,
    )
    expect(trace.shared).toEqual(['Okra, red 2026'])
  })
})

describe('what cannot well be is asked', () => {
  const today = day('2027-04-14')
  const read = (text: string) =>
    readLine(
      text,
      knownFrom({
        ...wordsOf(context, today, 'day first', 'metric'),
        trays: [
          { id: 't', number: 4, groups: [{ code: 'A', name: 'Okra', cropId: 'okra', sowingId: null }] },
        ],
      }),
    ).meaning[0]!
  const stands = groupFacts(
    [tray(10, id(1), 'racks')],
    grown(10, 20, '2027-04-02', '2027-04-10', 1),
    context,
  )[0]!.stands
  const facts: TrayFacts = {
    number: 4,
    groups: [stands],
    since: day('2027-04-02'),
    takesL: 1.1,
    soakedG: 2600,
    seedlings: 1,
    cellsUp: 20,
  }
  const asked = (text: string) => doubtsOf(read(text), facts, today, printDay)

  it.each([
    ['tray 4, 40 up', 'above', { count: 24 }],
    ['tray 4, 17 up', 'fewer', { kind: 'lost', count: 3 }],
    ['sown tray 4', 'again', { kind: 'thought' }],
    ['tray 4 lost 30', 'leaving', { count: 20 }],
    ['watered tray 4 with 900 l', 'litres', { litres: 0.9 }],
    ['tray 4 weighs 2400 kg', 'grams', { grams: 2400 }],
    ['tray 4 leggy 3 weeks ago', 'before', { on: '2027-04-14' }],
  ])('%s', (text, which, first) => {
    const doubts = asked(text)
    expect(doubts.map(({ id: of }) => of)).toEqual([which])
    expect(doubts[0]!.choices[0]!.change).toMatchObject(first)
  })
  it('what can be is not asked', () => {
    for (const text of [
      'tray 4, 22 up',
      'watered tray 4 with 0.9 l',
      'tray 4 weighs 2.4 kg',
      'tray 4 lost 3',
      'tray 4 leggy',
    ])
      expect(asked(text)).toEqual([])
  })
})
