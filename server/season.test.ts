import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import ICAL from 'ical.js'
import pg from 'pg'
import type { Collection } from '#shared/collections'
import type { SowingRecord } from '#shared/records/sowing'
import { base, call, newHousehold } from './calling'

/* A season on real PostgreSQL through the built application: planned, moved, marked, read as a calendar. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
/** Next year, so that nothing is late on the server's own calendar. */
const year = new Date().getFullYear() + 1
const at = (collection: Collection, id: string) => `/api/households/${household}/${collection}/${id}`
const put = (collection: Collection, body: object, version = 0, id: string = randomUUID()) =>
  call('PUT', at(collection, id), { version, body })
const today = (on: string) => call('GET', `/api/households/${household}/today?on=${on}`)

const season = {
  lastFrost: `${year}-05-08`,
  firstFrost: `${year}-10-12`,
  shelfFlats: 8,
  lampM2: 1.2,
  mixC: 24,
  lightSchool: 'sixteen',
  feedingSchool: 'weak and often',
  feedId: 'balanced-20',
  tubL: 40,
  canL: 9,
}
const tomatoes = (more: Partial<SowingRecord> = {}) => ({
  name: 'Tomato',
  cropId: 'tomato',
  plants: 48,
  sowOn: `${year}-03-20`,
  certainty: 0.9,
  ...more,
})
const setSeason = (version: number, frame: object) =>
  call('PUT', `/api/households/${household}`, {
    version,
    body: { name: 'Tests', place: '', kitchen: 'metric', season: frame },
  })

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('a season', () => {
  it('asks for frosts first, in the right order', async () => {
    expect((await put('sowings', tomatoes())).status).toBe(422)
    expect((await today(`${year}-03-20`)).body.errors[0].field).toBe('season')
    const wrong = await setSeason(1, { ...season, firstFrost: `${year}-04-01` })
    expect([wrong.status, wrong.body.errors[0].field]).toEqual([422, 'body.season.firstFrost'])
    expect((await setSeason(1, season)).status).toBe(200)
  })

  it.each([
    [{ cropId: 'moon-tree' }, 'body.cropId'],
    [{ packetId: randomUUID() }, 'body.packetId'],
    [{ germination: 0 }, 'body.germination'],
    [{ germination: 1.01 }, 'body.germination'],
    [{ plants: 30_000 }, 'body.plants'],
    [{ outOn: '2027-02-29' }, 'body.outOn'],
    [{ outOn: `${year + 3}-05-01` }, 'body.outOn'],
  ])('refuses %j at its field and writes nothing', async (more, field) => {
    const { status, body } = await put('sowings', tomatoes(more as Partial<SowingRecord>))
    expect([status, body.errors[0].field]).toEqual([422, field])
    const kept = await call('GET', `/api/households/${household}/sowings`)
    expect(kept.body).toEqual([])
  })

  it('tells one of two who move the same sowing, and shows what the other did', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes(), 0, id)
    const moves = await Promise.all(
      [`${year}-03-22`, `${year}-03-25`].map((sowOn) => put('sowings', tomatoes({ sowOn }), 1, id)),
    )
    expect(moves.map(({ status }) => status).sort()).toEqual([200, 409])
    const [won, lost] = [200, 409].map((code) => moves.find(({ status }) => status === code)!)
    expect(lost!.body.current.body.sowOn).toBe(won!.body.body.sowOn)
    await call('DELETE', `${at('sowings', id)}?version=2`)
  })

  it('takes marks only for sowings it knows, and moves on with them', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes(), 0, id)
    const mark = (what: string, rung: number, on: string, of = id) => ({
      name: what,
      what,
      of: [{ sowingId: of, rung }],
      on,
    })
    expect((await put('marks', mark('rung', 0, `${year}-03-20`, randomUUID()))).status).toBe(422)
    const kinds = async (on: string) =>
      ((await today(on)).body.jobs as { kind: string; state: string }[]).map(
        ({ kind, state }) => `${kind} ${state}`,
      )
    expect(await kinds(`${year}-03-19`)).toEqual(expect.arrayContaining(['soak mix danger', 'rung coming']))
    const sown = await put('marks', mark('rung', 0, `${year}-03-21`))
    expect(sown.status).toBe(200)
    expect(await kinds(`${year}-03-21`)).toContain('rung done')
    const undone = await call('DELETE', `${at('marks', sown.body.id)}?version=1`)
    expect(undone.status).toBe(200)
    expect(await kinds(`${year}-03-21`)).toContain('rung late')
    await put('marks', mark('out', 3, `${year}-05-22`))
    expect(await kinds(`${year}-05-23`)).toEqual([])
  })

  it('plans seed by its packet: the older, the more of it', async () => {
    const seed = (year: number) =>
      put('packets', {
        name: 'Leek',
        cropId: 'leek',
        supplier: 'a neighbour',
        year,
        seeds: 100,
        germination: 0.8,
      })
    const packets = await Promise.all([seed(2027), seed(2023)])
    for (const { body: kept } of packets) {
      const { status } = await put('sowings', tomatoes({ cropId: 'leek', name: 'Leek', packetId: kept.id }))
      expect(status).toBe(200)
    }
    const again = await database.query('select count(*)::int as n from packet where household_id = $1', [
      household,
    ])
    expect(again.rows[0].n).toBe(2)
  })
})

describe('seed', () => {
  const seedsOf = async (id: string) => (await call('GET', at('packets', id))).body.body.seeds as number
  const sow = (of: string[]) => ({
    name: 'sown',
    what: 'rung',
    of: of.map((sowingId) => ({ sowingId, rung: 0 })),
    on: `${year}-03-20`,
  })
  const packetOf = async (seeds: number | null) => {
    const packet = { name: 'Tomato, saved', cropId: 'tomato', year, seeds, germination: 1 }
    return (await put('packets', packet)).body.id as string
  }
  /** As many cells as plants, one seed in each: what is sown is known without the plan. */
  const oneEach = async (packetId: string, plants: number) => {
    const answer = await put('sowings', tomatoes({ packetId, plants, seedsPerCell: 1, certainty: 0.5 }))
    expect(answer.status).toBe(200)
    return answer.body.id as string
  }

  it('leaves the packet as it is sown, comes back when that is undone, and goes again', async () => {
    const packetId = await packetOf(500)
    const ids = await Promise.all([oneEach(packetId, 20), oneEach(packetId, 30)])
    const sown = await put('marks', sow(ids))
    const taken = sown.body.body.seeds as { packetId: string; seeds: number }[]
    expect(taken.map((one) => one.packetId)).toEqual([packetId])
    expect(taken[0]!.seeds).toBeGreaterThanOrEqual(50)
    expect(await seedsOf(packetId)).toBe(500 - taken[0]!.seeds)
    await call('DELETE', `${at('marks', sown.body.id)}?version=1`)
    expect(await seedsOf(packetId)).toBe(500)
    const again = await put('marks', { ...sow(ids), seeds: [{ packetId, seeds: 9999 }] }, 2, sown.body.id)
    expect(again.body.body.seeds).toEqual(taken)
    expect(await seedsOf(packetId)).toBe(500 - taken[0]!.seeds)
  })

  it('is taken only as far as it is there, only by sowing, and never from an uncounted packet', async () => {
    const [few, uncounted] = await Promise.all([packetOf(7), packetOf(null)])
    const [a, b] = [await oneEach(few, 20), await oneEach(uncounted, 20)]
    const sown = await put('marks', sow([a, b]))
    expect(sown.body.body.seeds).toEqual([{ packetId: few, seeds: 7 }])
    expect([await seedsOf(few), await seedsOf(uncounted)]).toEqual([0, null])
    const c = await oneEach(await packetOf(100), 10)
    for (const more of [{ what: 'look' }, { what: 'rung', snoozedUntil: `${year}-03-22` }])
      expect((await put('marks', { ...sow([c]), ...more })).body.body.seeds).toEqual([])
  })

  it('of more hands at once than the server has connections, and of a sowing that no longer plans', async () => {
    const packetId = await packetOf(2000)
    const id = await oneEach(packetId, 10)
    const marks = await Promise.all(Array.from({ length: 30 }, () => put('marks', sow([id]))))
    expect(new Set(marks.map(({ status }) => status))).toEqual(new Set([200]))
    const taken = marks.map(({ body }) => body.body.seeds[0].seeds as number)
    expect(await seedsOf(packetId)).toBe(2000 - taken.reduce((a, b) => a + b, 0))
    await call('DELETE', `${at('packets', packetId)}?version=31`)
    const unplanned = await put('marks', sow([id]))
    expect([unplanned.status, unplanned.body.body.seeds]).toEqual([200, []])
  })

  it('two who tick off two sowings at once empty a packet once', async () => {
    const packetId = await packetOf(60)
    const ids = await Promise.all([oneEach(packetId, 40), oneEach(packetId, 40)])
    const marks = await Promise.all(ids.map((id) => put('marks', sow([id]))))
    const taken = marks.map(({ body }) => body.body.seeds[0]?.seeds ?? 0) as number[]
    expect([taken[0]! + taken[1]!, await seedsOf(packetId)]).toEqual([60, 0])
  })
})

describe('a sowing that failed', () => {
  it('is given up: no more jobs, no more days in the calendar, until it is taken up again', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes({ name: 'Lost', sowOn: `${year}-03-20` }), 0, id)
    const about = async () => {
      const jobs = (await today(`${year}-03-20`)).body.jobs as { of: { sowingId: string }[] }[]
      const calendar = await (await fetch(`${base}/api/households/${household}/calendar.ics`)).text()
      return [jobs.some(({ of }) => of.some((one) => one.sowingId === id)), calendar.includes(`${id}-out@`)]
    }
    expect(await about()).toEqual([true, true])
    const mark = { name: 'lost', what: 'give up', of: [{ sowingId: id, rung: 0 }], on: `${year}-03-20` }
    const given = await put('marks', mark)
    expect(await about()).toEqual([false, false])
    await call('DELETE', `${at('marks', given.body.id)}?version=1`)
    expect(await about()).toEqual([true, true])
  })
})

describe('the calendar, read back by an independent parser', () => {
  const read = async () => {
    const response = await fetch(`${base}/api/households/${household}/calendar.ics`)
    expect(response.headers.get('content-type')).toMatch(/^text\/calendar/)
    const events = new ICAL.Component(ICAL.parse(await response.text())).getAllSubcomponents('vevent')
    return new Map(events.map((one) => [String(one.getFirstPropertyValue('uid')), one]))
  }
  const start = (event: ICAL.Component) => (event.getFirstPropertyValue('dtstart') as ICAL.Time).toString()

  it('has the sowing’s rungs as days, and the soak as an evening with an alarm', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes({ sowOn: `${year}-03-28` }), 0, id)
    const events = await read()
    expect(start([...events].find(([uid]) => uid.startsWith(`${id}-rung-0@`))![1])).toBe(`${year}-03-28`)
    const soaks = [...events].filter(([uid]) => uid.includes('-soak@'))
    expect(soaks.length).toBeGreaterThan(0)
    for (const [, soak] of soaks) {
      expect(start(soak)).toMatch(/T18:00:00$/)
      expect(soak.getAllSubcomponents('valarm')).toHaveLength(1)
    }
  })

  it('keeps every UID when days move, and raises the sequence', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes({ name: 'Moving', sowOn: `${year}-06-01` }), 0, id)
    const before = await read()
    await new Promise((resolve) => setTimeout(resolve, 1100))
    await put('sowings', tomatoes({ name: 'Moving', sowOn: `${year}-06-09` }), 1, id)
    const after = await read()
    expect([...after.keys()].filter((uid) => uid.startsWith(id)).sort()).toEqual(
      [...before.keys()].filter((uid) => uid.startsWith(id)).sort(),
    )
    const of = (events: typeof before) => [...events].find(([uid]) => uid.startsWith(`${id}-rung-0@`))![1]
    expect([start(of(before)), start(of(after))]).toEqual([`${year}-06-01`, `${year}-06-09`])
    const sequence = (event: ICAL.Component) => Number(event.getFirstPropertyValue('sequence'))
    expect(sequence(of(after))).toBeGreaterThan(sequence(of(before)))
  })
})

describe('five years of records', () => {
  const many = randomUUID()
  beforeAll(async () => {
    await newHousehold(many)
    await call('PUT', `/api/households/${many}`, {
      version: 1,
      body: { name: 'Many', place: '', kitchen: 'metric', season },
    })
    // 1 960 sowings long out and 40 under way, with ten marks each.
    await database.query(
      `insert into sowing (household_id, id, name, crop_id, plants, season, sow_on, certainty, created_at)
       select $1, gen_random_uuid(), 'Tomato ' || n, 'tomato', 48, 'spring', date '2027-03-20', 0.9,
         now() - (2000 - n) * interval '22 hours'
       from generate_series(1, 2000) as n`,
      [many],
    )
    await database.query(
      `insert into mark (household_id, id, name, what, "of", "on", created_at)
       select household_id, gen_random_uuid(), what, what,
         jsonb_build_array(jsonb_build_object('sowingId', id, 'rung', 0)), date '2027-03-20', created_at
       from sowing, unnest(array['make mix','rung','look','feed','feed','feed','feed','feed','treat','out']) as what
       where household_id = $1 and not (what = 'out' and split_part(name, ' ', 2)::int > 1960)`,
      [many],
    )
    await database.query('analyze sowing')
    await database.query('analyze mark')
  })
  afterAll(async () => {
    await database.query('delete from household where household_id = $1', [many])
  })

  it('start a page with what is not over and the last year and a half', async () => {
    const { body } = await call('GET', `/api/households/${many}`)
    const names = new Set((body.sowings as { body: { name: string } }[]).map((one) => one.body.name))
    // 22 hours apart, the newest is number 2 000: 550 days are the last 600.
    expect([
      names.size,
      names.has('Tomato 2000'),
      names.has('Tomato 1401'),
      names.has('Tomato 1399'),
    ]).toEqual([600, true, true, false])
    await database.query(
      `update mark set deleted_at = now() where household_id = $1 and what = 'out'
         and "of" @> (select jsonb_build_array(jsonb_build_object('sowingId', id)) from sowing
           where household_id = $1 and name = 'Tomato 7')`,
      [many],
    )
    const again = await call('GET', `/api/households/${many}`)
    expect((again.body.sowings as { body: { name: string } }[]).map((one) => one.body.name)).toContain(
      'Tomato 7',
    )
    await database.query(`update mark set deleted_at = null where household_id = $1 and what = 'out'`, [many])
  })

  it('leave only what is open for today, found through indexes', async () => {
    const { body } = await call('GET', `/api/households/${many}/today?on=${year}-04-25`)
    const sowings = new Set(
      (body.jobs as { of: { sowingId: string }[] }[]).flatMap(({ of }) => of.map((one) => one.sowingId)),
    )
    expect(sowings.size).toBe(40)
    const open = await database.query(
      `select min(created_at) as since from
         (select created_at from sowing where household_id = $1 order by created_at desc limit 40) as open`,
      [many],
    )
    const explain = async (query: string, values: unknown[]) =>
      (await database.query(`explain ${query}`, values)).rows.map((line) => line['QUERY PLAN']).join('\n')
    expect(
      await explain('select * from mark where household_id = $1 and created_at >= $2', [
        many,
        open.rows[0].since,
      ]),
    ).toMatch(/mark_since/)
    expect(
      await explain(
        `select "of" from mark where household_id = $1 and what in ('out', 'give up') and snoozed_until is null and deleted_at is null`,
        [many],
      ),
    ).toMatch(/mark_over/)
  })
})
