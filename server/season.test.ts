import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import ICAL from 'ical.js'
import pg from 'pg'
import { dayFrom } from '#core/calendar/day'
import { CROPS } from '#core/sowing/crops'
import type { Collection } from '#shared/records/collection-names'
import { cropRecordOf } from '#shared/records/as-crop'
import type { SowingRecord } from '#shared/records/sowing'
import { SEASON } from '#shared/test/season'
import { base, call, newHousehold } from './test/calling'

/* A season on real PostgreSQL through the built application: planned, moved, marked, read as a calendar. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
/** Next year, so that nothing is late on the server's own calendar. */
const year = new Date().getFullYear() + 1
const at = (collection: Collection, id: string) => `/api/households/${household}/${collection}/${id}`
const put = (collection: Collection, body: object, version = 0, id: string = randomUUID()) =>
  call('PUT', at(collection, id), { version, body })
const today = (on: string) => call('GET', `/api/households/${household}/today?on=${on}`)

const season = { ...SEASON, lastFrost: dayFrom(`${year}-05-08`), firstFrost: dayFrom(`${year}-10-12`) }
const tomatoes = (more: Partial<SowingRecord> = {}) => ({
  name: 'Tomato',
  cropId: 'tomato',
  plants: 48,
  sowOn: dayFrom(`${year}-03-20`),
  certainty: 0.9,
  ...more,
})
const setSeason = (version: number, frame: object) =>
  call('PUT', `/api/households/${household}`, {
    version,
    body: { name: 'Tests', place: '', units: 'metric', season: frame },
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
    const wrong = await setSeason(1, { ...season, firstFrost: dayFrom(`${year}-04-01`) })
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
      [dayFrom(`${year}-03-22`), dayFrom(`${year}-03-25`)].map((sowOn) =>
        put('sowings', tomatoes({ sowOn }), 1, id),
      ),
    )
    expect(moves.map(({ status }) => status).sort()).toEqual([200, 409])
    const [won, lost] = [200, 409].map((code) => moves.find(({ status }) => status === code)!)
    expect(lost!.body.current.body.sowOn).toBe(won!.body.body.sowOn)
    await call('DELETE', `${at('sowings', id)}?version=2`)
  })

  it('takes marks only for sowings it knows, and moves on with them', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes(), 0, id)
    const mark = (kind: string, stage: number, on: string, of = id) => ({
      name: kind,
      kind,
      subjects: [{ what: 'sowings', id: of, stage }],
      on,
    })
    expect((await put('entries', mark('stage', 0, dayFrom(`${year}-03-20`), randomUUID()))).status).toBe(422)
    const kinds = async (on: string) =>
      ((await today(on)).body.jobs as { kind: string; state: string }[]).map(
        ({ kind, state }) => `${kind} ${state}`,
      )
    expect(await kinds(`${year}-03-19`)).toEqual(expect.arrayContaining(['soak mix due', 'stage coming']))
    const sown = await put('entries', mark('stage', 0, dayFrom(`${year}-03-21`)))
    expect(sown.status).toBe(200)
    expect(await kinds(`${year}-03-21`)).toContain('stage done')
    const undone = await call('DELETE', `${at('entries', sown.body.id)}?version=1`)
    expect(undone.status).toBe(200)
    // Sown within its window it is due.
    expect(await kinds(`${year}-03-21`)).toContain('stage due')
    await put('entries', mark('out', 3, dayFrom(`${year}-05-22`)))
    expect(await kinds(`${year}-05-23`)).toEqual([])
  })

  it('looks after what ends in a bucket until its crop is over, by its own schedule or that of a crop of ours', async () => {
    const own = await put('crops', {
      ...cropRecordOf(CROPS.find(({ id }) => id === 'tomato')!),
      name: 'Bucket tomato',
      basedOn: null,
      figures: {
        ...cropRecordOf(CROPS.find(({ id }) => id === 'tomato')!).figures,
        scheduleId: 'cell-pot-bucket',
      },
    })
    for (const more of [{ scheduleId: 'cell-pot-bucket' as const }, { cropId: own.body.id as string }]) {
      const id = randomUUID()
      await put('sowings', tomatoes({ ...more, name: 'In buckets' }), 0, id)
      const happened = (kind: string, stage: number, on: string) =>
        put('entries', { name: kind, kind, subjects: [{ what: 'sowings', id, stage }], on })
      const cared = async () => {
        const jobs = (await today(`${year}-06-23`)).body.jobs as {
          kind: string
          of: { sowingId: string }[]
        }[]
        return jobs.filter(({ of }) => of.some(({ sowingId }) => sowingId === id)).map(({ kind }) => kind)
      }
      expect((await happened('out', 4, `${year}-05-22`)).status).toBe(200)
      // A month after it was set in: calcium and castings.
      expect(await cared()).toContain('care')
      expect((await happened('end', 0, `${year}-06-10`)).status).toBe(200)
      expect(await cared()).toEqual([])
    }
  })

  it('sows more of a packet the older it is, and cannot lose the packet it is sown from', async () => {
    const sown = async (age: number) => {
      const packet = await put('packets', {
        name: 'Leek',
        cropId: 'leek',
        supplier: 'a neighbour',
        year: year - age,
        seeds: 5000,
        germination: 0.8,
      })
      const { body } = await put(
        'sowings',
        tomatoes({ cropId: 'leek', name: 'Leek', packetId: packet.body.id }),
      )
      const subjects = [{ what: 'sowings', id: body.id, stage: 0 }]
      const entry = await put('entries', {
        name: 'sown',
        kind: 'stage',
        on: dayFrom(`${year}-03-20`),
        subjects,
      })
      return { packet: packet.body, seeds: -entry.body.body.moves[0].by }
    }
    const [fresh, older, oldest] = [await sown(0), await sown(2), await sown(4)]
    expect(older.seeds).toBeGreaterThan(fresh.seeds)
    expect(oldest.seeds).toBeGreaterThan(older.seeds)
    const refused = await call('DELETE', `${at('packets', fresh.packet.id)}?version=2`)
    expect([refused.status, refused.body.usedBy]).toEqual([422, [expect.objectContaining({ name: 'Leek' })]])
  })

  it('takes no sowing whose seed would fill more cells than a bench has', async () => {
    const refused = await put('sowings', tomatoes({ plants: 20_000, germination: 0.05 }))
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'body.plants'])
  })
})

describe('seed', () => {
  const seedsOf = async (id: string) => (await call('GET', at('packets', id))).body.body.seeds as number
  const sow = (of: string[]) => ({
    name: 'sown',
    kind: 'stage',
    subjects: of.map((id) => ({ what: 'sowings', id, stage: 0 })),
    on: dayFrom(`${year}-03-20`),
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
    const sown = await put('entries', sow(ids))
    const taken = sown.body.body.moves as { id: string; by: number }[]
    expect(taken.map((one) => one.id)).toEqual([packetId])
    expect(taken[0]!.by).toBeLessThanOrEqual(-50)
    expect(await seedsOf(packetId)).toBe(500 + taken[0]!.by)
    await call('DELETE', `${at('entries', sown.body.id)}?version=1`)
    expect(await seedsOf(packetId)).toBe(500)
    const more = [{ of: 'packets', id: packetId, name: 'x', by: -400, amount: -400, unit: 'seeds' }]
    const again = await put('entries', { ...sow(ids), moves: more }, 2, sown.body.id)
    expect(again.body.body.moves).toEqual(taken)
    expect(await seedsOf(packetId)).toBe(500 + taken[0]!.by)
  })

  it('is taken only as far as it is there, only by sowing, and never from an uncounted packet', async () => {
    const [few, uncounted] = await Promise.all([packetOf(7), packetOf(null)])
    const [a, b] = [await oneEach(few, 20), await oneEach(uncounted, 20)]
    const sown = await put('entries', sow([a, b]))
    expect(sown.body.body.moves).toMatchObject([{ id: few, by: -7 }])
    expect([await seedsOf(few), await seedsOf(uncounted)]).toEqual([0, null])
    const c = await oneEach(await packetOf(100), 10)
    for (const more of [{ kind: 'look' }, { kind: 'stage', snoozedUntil: dayFrom(`${year}-03-22`) }])
      expect((await put('entries', { ...sow([c]), ...more })).body.body.moves).toEqual([])
  })

  it('is taken once, however many hands tick it off at once, and all are answered with what stands', async () => {
    const packetId = await packetOf(2000)
    const id = await oneEach(packetId, 10)
    const ticks = await Promise.all(Array.from({ length: 30 }, () => put('entries', sow([id]))))
    expect(new Set(ticks.map(({ status }) => status))).toEqual(new Set([200]))
    expect(new Set(ticks.map(({ body }) => body.id)).size).toBe(1)
    expect(await seedsOf(packetId)).toBe(2000 + ticks[0]!.body.body.moves[0].by)
    // Of a tick for two of which one is sown, only the other is written.
    const other = await oneEach(packetId, 10)
    const both = await put('entries', sow([id, other]))
    expect(both.body.body.subjects).toEqual([{ what: 'sowings', id: other, stage: 0 }])
    expect(both.body.body.moves).toHaveLength(1)
  })

  it('two who tick off two sowings at once empty a packet once', async () => {
    const packetId = await packetOf(60)
    const ids = await Promise.all([oneEach(packetId, 40), oneEach(packetId, 40)])
    const ticks = await Promise.all(ids.map((id) => put('entries', sow([id]))))
    const taken = ticks.map(({ body }) => body.body.moves[0]?.by ?? 0) as number[]
    expect([taken[0]! + taken[1]!, await seedsOf(packetId)]).toEqual([-60, 0])
  })
})

describe('a sowing that failed', () => {
  it('is given up: no more jobs, no more days in the calendar, until it is taken up again', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes({ name: 'Lost', sowOn: dayFrom(`${year}-03-20`) }), 0, id)
    const subjects = async () => {
      const jobs = (await today(`${year}-03-20`)).body.jobs as { of: { sowingId: string }[] }[]
      const calendar = await (await fetch(`${base}/api/households/${household}/calendar.ics`)).text()
      return [jobs.some(({ of }) => of.some((one) => one.sowingId === id)), calendar.includes(`${id}-out@`)]
    }
    expect(await subjects()).toEqual([true, true])
    const mark = {
      name: 'lost',
      kind: 'give up',
      subjects: [{ what: 'sowings', id, stage: 0 }],
      on: dayFrom(`${year}-03-20`),
    }
    const given = await put('entries', mark)
    expect(await subjects()).toEqual([false, false])
    await call('DELETE', `${at('entries', given.body.id)}?version=1`)
    expect(await subjects()).toEqual([true, true])
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

  it('has the sowing’s stages as days, and the soak as an evening with an alarm', async () => {
    const id = randomUUID()
    await put('sowings', tomatoes({ sowOn: dayFrom(`${year}-03-28`) }), 0, id)
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
    await put('sowings', tomatoes({ name: 'Moving', sowOn: dayFrom(`${year}-06-01`) }), 0, id)
    const before = await read()
    await new Promise((resolve) => setTimeout(resolve, 1100))
    await put('sowings', tomatoes({ name: 'Moving', sowOn: dayFrom(`${year}-06-09`) }), 1, id)
    const after = await read()
    expect([...after.keys()].filter((uid) => uid.startsWith(id)).sort()).toEqual(
      [...before.keys()].filter((uid) => uid.startsWith(id)).sort(),
    )
    const of = (events: typeof before) => [...events].find(([uid]) => uid.startsWith(`${id}-rung-0@`))![1]
    expect([start(of(before)), start(of(after))]).toEqual([
      dayFrom(`${year}-06-01`),
      dayFrom(`${year}-06-09`),
    ])
    const sequence = (event: ICAL.Component) => Number(event.getFirstPropertyValue('sequence'))
    expect(sequence(of(after))).toBeGreaterThan(sequence(of(before)))
  })

  it('raises the sequence when late work moves on with the day, though nothing was written', async () => {
    await put('sowings', tomatoes({ name: 'Late', sowOn: dayFrom(`${year}-02-01`) }))
    const on = async (day: string) => {
      const answer = await fetch(`${base}/api/households/${household}/calendar.ics?on=${day}`)
      const events = new ICAL.Component(ICAL.parse(await answer.text())).getAllSubcomponents('vevent')
      const sow = events.find((event) => event.getFirstPropertyValue('summary') === 'Sow: Late')!
      return {
        start: String(sow.getFirstPropertyValue('dtstart')),
        sequence: Number(sow.getFirstPropertyValue('sequence')),
      }
    }
    const [monday, tuesday] = [await on(`${year}-03-01`), await on(`${year}-03-02`)]
    expect([monday.start, tuesday.start]).toEqual([dayFrom(`${year}-03-01`), dayFrom(`${year}-03-02`)])
    expect(tuesday.sequence).toBeGreaterThan(monday.sequence)
  })
})

describe('five years of records', () => {
  const many = randomUUID()
  beforeAll(async () => {
    await newHousehold(many)
    await call('PUT', `/api/households/${many}`, {
      version: 1,
      body: { name: 'Many', place: '', units: 'metric', season },
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
      `insert into entry (household_id, id, number, name, kind, subjects, "on", created_at, "by", "to", note, times, even_if_short, moves, facts)
       select household_id, gen_random_uuid(), row_number() over (order by split_part(name, ' ', 2)::int desc), what, what,
         jsonb_build_array(jsonb_build_object('what', 'sowings', 'id', id, 'stage', 0)), date '2027-03-20', created_at,
         '', '', '', 1, false, '[]', '[]'
       from sowing, unnest(array['make mix','stage','look','feed','feed','feed','feed','feed','treat','out']) as what
       where household_id = $1 and not (what = 'out' and split_part(name, ' ', 2)::int > 1960)
       -- Written last are those of sowings that are long over, however the rows lie.
       order by split_part(name, ' ', 2)::int desc`,
      [many],
    )
    await database.query(
      `update sowing set over_on = date '2026-01-01' + split_part(name, ' ', 2)::int % 20
       where household_id = $1 and split_part(name, ' ', 2)::int <= 1960`,
      [many],
    )
    await database.query('analyze sowing')
    await database.query('analyze entry')
  })
  afterAll(async () => {
    await database.query('delete from household where household_id = $1', [many])
  })

  it('start a page with what is not over, and bring the rest by page, each once', async () => {
    const { body } = await call('GET', `/api/households/${many}`)
    const names = (body.sowings as { body: { name: string } }[]).map((one) => one.body.name)
    expect([names.length, names.includes('Tomato 1961'), names.includes('Tomato 1960')]).toEqual([
      40,
      true,
      false,
    ])
    // Nine entries about each of them, and the newest sixty, which end others.
    expect(body.entries).toHaveLength(40 * 9 + 60)
    const seen = new Set<string>()
    for (let address: string | null = `/api/households/${many}/sowings`; address;) {
      const answer: Response = await fetch(base + address)
      for (const { id } of (await answer.json()) as { id: string }[]) seen.add(id)
      const next = /<(\?[^>]+)>; rel="next"/.exec(answer.headers.get('link') ?? '')?.[1]
      address = next ? `/api/households/${many}/sowings${next}` : null
    }
    expect(seen.size).toBe(2000)
  })

  it('leave only what is open for today, found through indexes', async () => {
    const { body } = await call('GET', `/api/households/${many}/today?on=${year}-04-25`)
    const sowings = new Set(
      (body.jobs as { of: { sowingId: string }[] }[]).flatMap(({ of }) => of.map((one) => one.sowingId)),
    )
    expect(sowings.size).toBe(40)
    // Two thousand rows are read through as quickly; what is asked is whether the index serves.
    await database.query('set enable_seqscan = off')
    const explain = async (query: string, values: unknown[]) =>
      (await database.query(`explain ${query}`, values)).rows.map((line) => line['QUERY PLAN']).join('\n')
    expect(
      await explain(
        `select id from sowing where household_id = $1 and deleted_at is null and over_on is null order by created_at`,
        [many],
      ),
    ).toMatch(/sowing_open/)
    expect(
      await explain(
        `select id from entry where subjects @> jsonb_build_array(jsonb_build_object('id', $1::text))`,
        [many],
      ),
    ).toMatch(/entry_subjects/)
    expect(
      await explain('select id from entry where household_id = $1 order by number desc limit 60', [many]),
    ).toMatch(/entry_number/)
  })
})
