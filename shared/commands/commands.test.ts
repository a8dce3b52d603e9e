import { fromArchive } from './bring-in'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { answerKey } from '#core/jobs/guided-job'
import { waterStepId } from '#core/jobs/water-steps'
import { readLine } from '#core/language/log-line'
import { knownFrom } from '#core/language/reading'
import { addDays, dayFrom } from '#core/calendar/day'
import { bodyOf, type Everything } from '../records/collections'
import { benchOf, find } from '../derived/bench'
import { waterRound } from '../derived/water-round'
import type { EntryRecord } from '../records/entry'
import { acting, after, decide, done, emptyKept, record, TODAY, uuid, withTray } from '../test/kept'
import { idOf, isRefusal, type Decision } from './command'
import { COMMAND_NAMES, type Sent } from './commands'
import { lineCommands, lineWords } from './log-line'
import { oppositeOf } from './undo'
import type { WrittenRecord } from './written'

/* What each act of a person means, without a page, a server or a clock. */

const TRAY = uuid(10)
const SOWING = uuid(20)
const refusedAt = (decision: Decision) =>
  isRefusal(decision) ? decision.refused.map(({ path }) => path.join('.')) : []
const entriesOf = (kept: Everything) => kept.entries.map(({ body }) => body)
const stands = (kept: Everything, id = TRAY) => {
  const bench = benchOf(kept, TODAY, '09:00')
  return bench.stands(find(bench, 'trays', id)!).groups
}
const tomato = (more: object = {}) =>
  record('sowings', { name: 'Tomato', cropId: 'tomato', plants: 12, outOn: '2027-05-15', ...more })
const planned = (more: object = {}, kept = emptyKept()) =>
  done(kept, { name: 'plan', sowings: [{ id: SOWING, body: tomato(more) }] })

it('knows what a person does by plain words, each once', () => {
  expect(new Set(COMMAND_NAMES).size).toBe(COMMAND_NAMES.length)
  for (const name of [
    'sow',
    'count',
    'thin',
    'move on',
    'lose',
    'plant out',
    'tick',
    'snooze',
    'end job',
    'undo',
    'redo',
  ])
    expect(COMMAND_NAMES).toContain(name)
})

it('makes ids of its act alone: the same act makes the same, and no two of them', () => {
  fc.assert(
    fc.property(fc.uuid(), fc.integer({ min: 1, max: 2000 }), (act, many) => {
      const ids = Array.from({ length: many }, (_, n) => idOf(act, n + 1))
      expect(new Set([act, ...ids]).size).toBe(many + 1)
      expect(ids.every((id) => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(id))).toBe(true)
    }),
    { numRuns: 40 },
  )
  const twice = [0, 1].map(() =>
    JSON.stringify(decide(withTray(emptyKept(), TRAY, null), sowAll, acting({ act: uuid(7000) }))),
  )
  expect(twice[0]).toBe(twice[1])
})
it('every entry carries the act it was written by', () => {
  const act = uuid(7001)
  const subjects = [{ what: 'trays', id: TRAY, stage: null }]
  const happened = { title: 'Roots at the holes', on: TODAY, subjects }
  for (const sent of [
    sowAll,
    { name: 'write down', kind: 'cleaned', ...happened },
    { name: 'water', kind: 'watered', water: [{ trayId: TRAY, how: 'below' }], ...happened },
  ] as Sent[]) {
    const decided = decide(withTray(emptyKept(), TRAY, null), sent, acting({ act }))
    expect(decided).toEqual(
      expect.arrayContaining([expect.objectContaining({ body: expect.objectContaining({ act }) })]),
    )
  }
})
const sowAll: Sent = { name: 'sow', trayId: TRAY, on: TODAY, groups: [{ group: 'A' }] }

describe('cells of a tray', () => {
  it('are sown with their seed, counted, thinned, lost and set out, and the tray says what is left', () => {
    let kept = withTray(emptyKept(), TRAY, dayFrom('2027-03-01'))
    expect(stands(kept)[0]).toMatchObject({ cells: 24, sown: 48, standing: 0 })
    const up = Array.from({ length: 20 }, (_, cell): [number, number] => [cell, 2])
    kept = done(kept, { name: 'count', trayId: TRAY, on: TODAY, groups: [{ group: 'A', cells: up }] })
    const ones = up.map(([cell]): [number, number] => [cell, 1])
    kept = done(kept, { name: 'thin', trayId: TRAY, on: TODAY, groups: [{ group: 'A', cells: ones }] })
    kept = done(kept, { name: 'lose', trayId: TRAY, on: TODAY, groups: [{ group: 'A', cells: [[0, 1]] }] })
    kept = done(kept, { name: 'give away', trayId: TRAY, on: TODAY, groups: [{ group: 'A', count: 4 }] })
    kept = done(kept, { name: 'plant out', trayId: TRAY, on: TODAY, groups: [{ group: 'A', count: 10 }] })
    // 40 up, 20 thinned, 1 lost, 4 given, 10 out.
    expect(stands(kept)[0]!.standing).toBe(5)
    expect(entriesOf(kept).map(({ kind }) => kind)).toEqual(['stage', 'look', 'thin', 'lost', 'given', 'out'])
    expect(entriesOf(kept).every(({ by, act }) => by === 'Wren' && act !== null)).toBe(true)
  })

  it('refuse more plants than stand, by one, and take as many as stand', () => {
    let kept = withTray(emptyKept(), TRAY, dayFrom('2027-03-01'))
    kept = done(kept, { name: 'count', trayId: TRAY, on: TODAY, groups: [{ group: 'A', count: 7 }] })
    const lose = (count: number): Sent => ({
      name: 'lose',
      trayId: TRAY,
      on: TODAY,
      groups: [{ group: 'A', count }],
    })
    const no = decide(kept, lose(8))
    expect(refusedAt(no)).toEqual(['groups.0.count'])
    expect(no).toMatchObject({
      stands: { standing: 7 },
      refused: [{ kind: 'onlyThere', values: { there: 7, n: 8 } }],
    })
    expect(stands(done(kept, lose(7)))[0]!.standing).toBe(0)
  })

  it('refuse a day that is still to come, a tray that was emptied and one that is gone', () => {
    const kept = withTray(emptyKept(), TRAY, null)
    const on = (day: string): Sent => ({ ...sowAll, on: day }) as Sent
    expect(refusedAt(decide(kept, on(addDays(TODAY, 1))))).toEqual(['on'])
    expect(refusedAt(decide(kept, on(TODAY)))).toEqual([])
    const tray = kept.trays[0]!
    const empty = after(kept, [
      { do: 'put', collection: 'trays', id: TRAY, version: 1, body: { ...tray.body, emptiedOn: TODAY } },
    ])
    expect(decide(empty, sowAll)).toMatchObject({
      refused: [{ path: ['trayId'], kind: 'trayEmptied', values: { tray: 1, on: TODAY } }],
      stands: { id: TRAY },
    })
    expect(refusedAt(decide(emptyKept(), sowAll))).toEqual(['trayId'])
    expect(refusedAt(decide(kept, { ...sowAll, groups: [{ group: 'B' }] } as Sent))).toEqual([
      'groups.0.group',
    ])
    expect(refusedAt(decide(done(kept, sowAll), sowAll))).toEqual(['groups.0.group'])
  })

  it('of a sowing in two trays are a part of it, until the last is sown', () => {
    const OTHER = uuid(11)
    let kept = planned({ plants: 40, seedsPerCell: 1 })
    for (const id of [TRAY, OTHER]) {
      kept = withTray(kept, id, null, 12)
      const tray = kept.trays.find((one) => one.id === id)!
      const groups = [{ ...tray.body.groups[0]!, cropId: 'tomato', sowingId: SOWING }]
      kept = after(kept, [{ do: 'put', collection: 'trays', id, version: 1, body: { ...tray.body, groups } }])
    }
    const both = done(kept, { name: 'sow everywhere', sowingId: SOWING, on: TODAY })
    expect(entriesOf(both).map(({ part }) => part)).toEqual([true, false])
    expect(stands(both)[0]!.sown + stands(both, OTHER)[0]!.sown).toBe(48)
    expect(refusedAt(decide(both, { name: 'sow everywhere', sowingId: SOWING, on: TODAY }))).toEqual([
      'sowingId',
    ])
  })
})

describe('plants move on', () => {
  const POTS = uuid(12)
  const sixes = (cells = 6) =>
    record('trays', {
      name: 'Six-pack',
      containerId: 'six-pack',
      rows: 2,
      columns: 3,
      cells: Array.from({ length: 6 }, (_, i) => (i < cells ? '' : 'A')),
      groups: cells < 6 ? [{ code: 'A', name: 'Kale', cropId: 'kale' }] : [],
    })
  const move = (count: number, each: number): Sent => ({
    name: 'move on',
    trayId: TRAY,
    on: TODAY,
    groups: [{ group: 'A', count }],
    into: { id: POTS, tray: sixes(), each },
  })
  const up = done(withTray(emptyKept(), TRAY, dayFrom('2027-02-20')), {
    name: 'count',
    trayId: TRAY,
    on: TODAY,
    groups: [{ group: 'A', count: 30 }],
  })

  it('as many arrive as leave, with their name, a stage on', () => {
    const kept = done(up, move(11, 2))
    expect(stands(kept)[0]!.standing).toBe(19)
    const [arrived] = stands(kept, POTS)
    expect(arrived).toMatchObject({ standing: 11, group: { name: 'Basil', stage: 1, seedsPerCell: 1 } })
    expect(entriesOf(kept).at(-1)).toMatchObject({ kind: 'stage', count: 11 })
  })
  it('only as many as there is room for', () => {
    expect(refusedAt(decide(up, move(12, 2)))).toEqual([])
    expect(decide(up, move(13, 2))).toMatchObject({
      refused: [{ path: ['into', 'each'] }],
      stands: { room: 12 },
    })
  })
})

describe('a tray laid out anew', () => {
  it('is joined cell by cell with what another hand laid out meanwhile, and refused in another grid', () => {
    const kept = withTray(emptyKept(), TRAY, null, 6)
    const { body: before } = kept.trays[0]!
    const mine = { ...before, cells: before.cells.map((code, i) => (i === 10 ? 'A' : code)) }
    const theirs = { ...before, cells: before.cells.map((code, i) => (i === 20 ? 'A' : code)) }
    const moved = after(kept, [{ do: 'put', collection: 'trays', id: TRAY, version: 1, body: theirs }])
    const change = (after_: typeof before): Sent => ({
      name: 'change tray',
      id: TRAY,
      version: 1,
      before,
      after: after_,
    })
    const cells = done(moved, change(mine)).trays[0]!.body.cells
    expect(cells.flatMap((code, i) => (code ? [i] : []))).toEqual([0, 1, 2, 3, 4, 5, 10, 20])
    const turned = { ...theirs, rows: 6, columns: 4 }
    const elsewhere = after(kept, [{ do: 'put', collection: 'trays', id: TRAY, version: 1, body: turned }])
    expect(() => done(elsewhere, change(mine))).toThrow(/laid out anew elsewhere/)
  })

  it('comes from what the season asks for, once', () => {
    const kept = planned({ outOn: null, sowOn: TODAY, plants: 20 })
    const bench = benchOf(kept, TODAY, '09:00')
    const key = bench.rows[0]!.planned.stages[0]!.placed!.in[0]!.tray
    const laid = done(kept, { name: 'lay out tray', id: TRAY, key })
    expect(laid.trays[0]!.body.groups[0]).toMatchObject({ sowingId: SOWING, stage: 0, name: 'Tomato' })
    expect(refusedAt(decide(laid, { name: 'lay out tray', id: uuid(13), key }))).toEqual(['key'])
  })
})

describe('the season', () => {
  it('takes what is growing already as sown on its day and counted, days together', () => {
    const sowings = [1, 2].map((n) => ({
      id: uuid(20 + n),
      body: tomato({ name: `Tomato ${n}` }),
      sownOn: dayFrom('2027-03-01'),
      up: n,
    }))
    const kept = done(emptyKept(), { name: 'plan', sowings })
    expect(kept.sowings).toHaveLength(2)
    expect(entriesOf(kept).map(({ kind, count, subjects }) => [kind, count, subjects.length])).toEqual([
      ['stage', null, 2],
      ['look', 1, 1],
      ['look', 2, 1],
    ])
    const late = sowings.map((one) => ({ ...one, sownOn: addDays(TODAY, 1) }))
    expect(refusedAt(decide(emptyKept(), { name: 'plan', sowings: late }))).toEqual(['sowings.0.sownOn'])
  })

  it('ticks a job, puts it off only to a day to come, gives up, ends and sows again', () => {
    const kept = planned()
    const of = [{ sowingId: SOWING, stage: 0 }]
    const tick = (on: string): Sent =>
      ({ name: 'tick', kind: 'look', of, title: 'Look', on, count: 3 }) as Sent
    expect(refusedAt(decide(kept, tick(addDays(TODAY, 1))))).toEqual(['on'])
    expect(entriesOf(done(kept, tick(TODAY)))[0]).toMatchObject({ kind: 'look', count: 3 })
    const snooze = (until: string): Sent =>
      ({ name: 'snooze', kind: 'look', of, title: 'Look', until }) as Sent
    expect(refusedAt(decide(kept, snooze(TODAY)))).toEqual(['until'])
    expect(entriesOf(done(kept, snooze(addDays(TODAY, 1))))[0]!.snoozedUntil).toBe(addDays(TODAY, 1))
    const again = done(kept, { name: 'sow again', sowingId: SOWING, id: uuid(21) })
    expect(again.sowings.map(({ body }) => [body.name, body.sowOn])).toEqual([
      ['Tomato', null],
      ['Tomato, again', TODAY],
    ])
    expect(entriesOf(again)[0]!.kind).toBe('give up')
    for (const name of ['give up', 'end crop', 'hold over'] as const)
      expect(refusedAt(decide(kept, { name, sowingId: uuid(99) }))).toEqual(['sowingId'])
    const held = done(kept, { name: 'hold over', sowingId: SOWING })
    const stages = (one: Everything) => benchOf(one, TODAY, '09:00').row(SOWING)!.planned.stages.length
    expect(stages(held)).toBe(stages(kept) + 1)
  })
})

describe('a guided job', () => {
  const ids = Array.from({ length: 12 }, (_, n) => uuid(100 + n))
  const RUN = uuid(50)
  /** Twelve trays under the can, each ticked with its litres. */
  function watering(): Everything {
    let kept = emptyKept()
    for (const id of ids) kept = withTray(kept, id, dayFrom('2027-03-01'))
    const subjects = ids.map((id) => ({ what: 'trays' as const, id, stage: null }))
    const body = record('guidedJobs', { name: 'Water', kind: 'water', subjects, onDay: TODAY })
    kept = done(kept, { name: 'begin job', id: RUN, body })
    return done(kept, { name: 'mark job', id: RUN, marks: ids.flatMap((id, n) => ticked(id, n)) })
  }
  const ticked = (id: string, n: number) => {
    const at = `2027-03-20T09:${String(n).padStart(2, '0')}:00.000Z`
    const mark = { step: waterStepId(id), at, by: '', note: '' }
    return [
      { ...mark, id: uuid(200 + n), what: 'answer' as const, key: 'litres', value: 0.5 },
      { ...mark, id: uuid(300 + n), what: 'done' as const, key: '', value: null },
    ]
  }

  it('is ended with all it did in one, and not twice', () => {
    const kept = watering()
    const ended = done(kept, { name: 'end job', id: RUN, by: 'Idris' })
    expect(ended.guidedJobs[0]!.body).toMatchObject({ status: 'ended', by: 'Idris' })
    const [entry] = ended.entries.slice(kept.entries.length).map(({ body }) => body)
    expect(entry).toMatchObject({ kind: 'watered', name: 'Watered: 12 trays', by: 'Idris' })
    expect(entry!.water.map(({ litres }) => litres)).toEqual(Array(12).fill(0.5))
    expect(decide(ended, { name: 'end job', id: RUN, by: '' })).toMatchObject({ refused: [{ path: ['id'] }] })
  })
  it('adds the marks of two hands in any order, each once', () => {
    const kept = watering()
    const mark = { step: answerKey('any', 'step'), what: 'done' as const, at: '2027-03-20T10:00:00.000Z' }
    const one: Sent = { name: 'mark job', id: RUN, marks: [{ ...mark, id: uuid(400) }] }
    const other: Sent = { name: 'mark job', id: RUN, marks: [{ ...mark, id: uuid(401) }] }
    const marks = (order: Sent[]) =>
      order
        .reduce((state, command) => done(state, command), kept)
        .guidedJobs[0]!.body.marks.map(({ id }) => id)
        .sort()
    expect(marks([one, other, one])).toEqual(marks([other, one]))
    expect(marks([one, other])).toHaveLength(26)
  })
})

describe('what is written down', () => {
  const line = (text: string, kept: Everything) => {
    const bench = benchOf(kept, TODAY, '09:00')
    const { meaning, questions } = readLine(text, knownFrom(lineWords(bench, 'day first')))
    expect(questions).toEqual([])
    return lineCommands(meaning[0]!, bench)[0]
  }
  it('as a line at the bench comes to the command it means', () => {
    const kept = withTray(emptyKept(), TRAY, null)
    expect(line('sowed tray 1', kept)).toMatchObject({ name: 'sow', trayId: TRAY, groups: [{ group: 'A' }] })
    const sown = done(kept, sowAll)
    expect(line('tray 1: 9 up', sown)).toMatchObject({ name: 'count', groups: [{ group: 'A', count: 9 }] })
    expect(line('watered tray 1 with 2 L', sown)).toMatchObject({
      name: 'write down',
      kind: 'watered',
      at: '09:00',
      water: [{ trayId: TRAY, litres: 2, how: 'below' }],
    })
  })
  it('plants that were never laid out in a tray are potted up whole, in part, and into any vessel, and the plan agrees', () => {
    const SOWN = dayFrom('2027-03-01')
    const sowings = [{ id: SOWING, body: tomato({ plants: 20 }), sownOn: SOWN, up: 20 }]
    const kept = done(emptyKept(), { name: 'plan', sowings })
    const all = (text: string, of: Everything) => {
      const bench = benchOf(of, TODAY, '09:00')
      const { meaning, questions } = readLine(text, knownFrom(lineWords(bench, 'day first')))
      expect(questions).toEqual([])
      return lineCommands(meaning[0]!, bench).reduce((state, command) => done(state, command), of)
    }
    const stageOf = (of: Everything, kind: string) =>
      benchOf(of, TODAY, '09:00').rows[0]!.planned.stages.find((one) => one.kind === kind)!
    const whole = all('potted up the tomatoes', kept)
    const at = stageOf(whole, 'pot up').index
    expect(benchOf(whole, TODAY, '09:00').done.get(SOWING)).toMatchObject({ [`stage-${at}`]: TODAY })
    // Eight of them: those are moved, and the rest is still to come.
    const some = all('potted up 8 tomatoes', kept)
    expect(stageOf(some, 'pot up')).toMatchObject({ moved: 8 })
    // Another vessel than was planned is what they stand in now.
    const cups = all('transplanted the tomatoes into pint cups', kept)
    expect(stageOf(cups, 'pot up').container.id).toBe('cup-pint')
    // And again, beyond what the plan foresaw.
    const again = all('potted up the tomatoes into 5 litre pots', whole)
    expect(
      benchOf(again, TODAY, '09:00').rows[0]!.planned.stages.filter(({ kind }) => kind === 'pot up'),
    ).toHaveLength(2)
  })
  it('a number with its unit is measured, a treatment is kept by its name', () => {
    const kept = withTray(emptyKept(), TRAY, null)
    expect(line('EC 1.6 tray 1', kept)).toMatchObject({ name: 'write down', kind: 'measured', count: null })
    expect(line('dusted tray 1 with cinnamon', kept)).toMatchObject({
      kind: 'tended',
      title: 'dusted tray 1 with cinnamon',
    })
  })
  it('is dated by the person, never ahead, and never of a tray that was emptied', () => {
    const kept = withTray(emptyKept(), TRAY, TODAY)
    const water = (on: string): Sent =>
      ({
        name: 'water',
        title: 'Watered',
        kind: 'watered',
        on,
        subjects: [{ what: 'trays', id: TRAY }],
        water: [{ trayId: TRAY, how: 'below', litres: 1 }],
      }) as Sent
    expect(refusedAt(decide(kept, water(addDays(TODAY, 1))))).toEqual(['on'])
    const given = done(kept, water(TODAY))
    expect(entriesOf(given).at(-1)).toMatchObject({ name: 'Watered', kind: 'watered', on: TODAY })
    const gone = after(kept, [
      {
        do: 'put',
        collection: 'trays',
        id: TRAY,
        version: 1,
        body: { ...kept.trays[0]!.body, emptiedOn: TODAY },
      },
    ])
    expect(refusedAt(decide(gone, water(TODAY)))).toEqual(['water.0.trayId'])
  })
  it('can be corrected in who, when and the note alone, at the version that was seen', () => {
    const kept = done(withTray(emptyKept(), TRAY, null), sowAll)
    const [entry] = kept.entries
    const correct = (version: number): Sent => ({
      name: 'correct entry',
      id: entry!.id,
      version,
      note: 'by hand',
      by: 'Idris',
    })
    const said: EntryRecord = done(kept, correct(1)).entries[0]!.body
    expect(said).toMatchObject({
      note: 'by hand',
      by: 'Idris',
      cells: entry!.body.cells,
      name: entry!.body.name,
    })
    expect(() => done(kept, correct(2))).toThrow(/changed elsewhere/)
  })
})

describe('the opposite of an act', () => {
  const jug = { name: 'Jug', kind: 'jug', capacityMl: 1000 }
  const now = (version: number) => ({ id: uuid(1), version, number: 0, updatedAt: '', body: jug })
  const wrote = (stood: boolean, stands: boolean, more: object = {}) =>
    ({ collection: 'tools', id: uuid(1), before: 3, after: 4, stood, stands, ...more }) as WrittenRecord
  it('removes what was made, brings back what was removed, puts back what was changed', () => {
    expect(oppositeOf(wrote(false, true), { now: now(4) })).toMatchObject({ do: 'remove', version: 4 })
    expect(oppositeOf(wrote(true, false), { now: null })).toMatchObject({ do: 'restore', version: 4 })
    expect(oppositeOf(wrote(true, true), { now: now(4), past: { ...jug, name: 'Can' } })).toMatchObject({
      do: 'put',
      version: 4,
      body: { name: 'Can' },
    })
  })
  it('is not done over what was changed since, but for who has seen that', () => {
    expect(oppositeOf(wrote(false, true), { now: now(5) })).toEqual({ stale: now(5) })
    expect(oppositeOf(wrote(false, true), { now: now(5), seen: 4 })).toEqual({ stale: now(5) })
    expect(oppositeOf(wrote(false, true), { now: now(5), seen: 5 })).toMatchObject({
      do: 'remove',
      version: 5,
    })
    expect(refusedAt(oppositeOf(wrote(true, true), { now: now(4) }) as Decision)).toEqual(['act'])
    expect(refusedAt(oppositeOf(wrote(false, true), { now: null }) as Decision)).toEqual(['act'])
  })
})

describe('a trial', () => {
  it('deals cells by its lot, the same each time, before anything is sown', () => {
    const kept = withTray(emptyKept(), TRAY, null)
    const deal = (seed: number): Sent =>
      ({
        name: 'deal cells',
        id: uuid(60),
        title: 'Deep or shallow',
        question: 'other',
        seed,
        sides: [{ name: 'deep' }, { name: 'shallow' }],
        trayId: TRAY,
        group: 'A',
      }) as Sent
    const cells = (seed: number) => done(kept, deal(seed)).trays[0]!.body.cells.join('')
    expect(cells(7)).toBe(cells(7))
    expect(cells(7)).not.toBe(cells(8))
    expect([...cells(7)].filter((code) => code === 'A')).toHaveLength(12)
    expect(refusedAt(decide(done(kept, sowAll), deal(7)))).toEqual(['group'])
  })
})

it('page and server look at one bench: which trays to water follows from what is kept', () => {
  let kept = withTray(emptyKept(), TRAY, dayFrom('2027-03-01'))
  const told = (one: Everything, time = '09:00') => {
    const round = waterRound(benchOf(one, TODAY, time))
    return [round.today, round.tomorrow, round.toLook].map((list) => list.map(({ tray }) => tray.number))
  }
  const days = (one: Everything) => [...waterRound(benchOf(one, TODAY, '09:00')).days.keys()]
  const silent = told(kept)
  expect(days(kept)).toEqual([TODAY])
  kept = done(kept, {
    name: 'water',
    title: 'Watered',
    kind: 'watered',
    on: TODAY,
    at: '08:00',
    subjects: [{ what: 'trays', id: TRAY }],
    water: [{ trayId: TRAY, how: 'below' }],
  })
  expect(silent.flat()).toEqual([1])
  expect(told(kept)[0]).toEqual([])
  // On the week's paper it is on a later day.
  expect(days(kept).every((day) => day > TODAY)).toBe(true)
})

it('every record a command writes is one its collection takes', () => {
  const kept = planned({ outOn: null, sowOn: TODAY }, withTray(emptyKept(), TRAY, dayFrom('2027-03-01')))
  const commands: Sent[] = [
    { name: 'count', trayId: TRAY, on: TODAY, groups: [{ group: 'A', count: 3 }] },
    { name: 'give up', sowingId: SOWING },
    { name: 'sow again', sowingId: SOWING, id: uuid(77) },
    { name: 'write down', title: 'x'.repeat(120), kind: 'thought', on: TODAY, subjects: [] },
    { name: 'tick', kind: 'look', of: [{ sowingId: SOWING, stage: 0 }], title: 'Look', on: TODAY },
  ]
  for (const command of commands) {
    const decision = decide(kept, command)
    if (isRefusal(decision)) throw new Error(command.name)
    for (const change of decision)
      if (change.do === 'put') expect(bodyOf(change.collection).safeParse(change.body).error).toBeUndefined()
  }
})

describe('a record of an archive that differs', () => {
  it('adds its marks to those of a job, and makes no device simulated', () => {
    const job = (...ids: string[]) => ({ name: 'Mix', marks: ids.map((id) => ({ id })) }) as never
    const joined = fromArchive('guidedJobs', job('a', 'b'), job('b', 'c')).body as { marks: { id: string }[] }
    expect(joined.marks.map(({ id }) => id).sort()).toEqual(['a', 'b', 'c'])
    const device = (name: string, simulated: boolean) => ({ name, simulated }) as never
    expect(fromArchive('devices', device('Scale', false), device('Pen', true)).body).toEqual({
      name: 'Pen',
      simulated: false,
    })
  })
})
