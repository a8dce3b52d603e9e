import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import pg from 'pg'
import { waterStepId } from '#core/jobs/water-steps'
import { SEASON } from '#shared/test/season'
import { call } from './test/calling'

/* Commands on real PostgreSQL: one transaction, all or nothing, once, and back again. */

const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
const home = `/api/households/${household}`
const today = new Date().toISOString().slice(0, 10)
const ON = '2026-03-01'

type Press = { commands: object[]; act?: string; by?: string; today?: string; time?: string }
const press = (body: Press | object[]) =>
  call('POST', `${home}/commands`, Array.isArray(body) ? { commands: body } : body)
const list = async (collection: string) =>
  (await call('GET', `${home}/${collection}`)).body as {
    id: string
    version: number
    body: Record<string, unknown>
  }[]
const jug = (name: string, id: string = randomUUID(), version = 0) => ({
  name: 'save record',
  collection: 'tools',
  id,
  version,
  body: { name, kind: 'jug', capacityMl: 1000 },
})
const names = async (collection: string) => (await list(collection)).map(({ body }) => body['name'])
const TRAY = {
  name: '24-cell tray',
  containerId: 'tray-24',
  rows: 4,
  columns: 6,
  placeId: 'shelf',
  recipeId: 'lean-and-light',
  groups: [{ code: 'A', name: 'Basil', cropId: 'basil' }],
  cells: Array(24).fill('A'),
}
async function tray(sown = true) {
  const id = randomUUID()
  const saved = { name: 'save record', collection: 'trays', id, version: 0, body: TRAY }
  const commands = sown ? [saved, { name: 'sow', trayId: id, on: ON, groups: [{ group: 'A' }] }] : [saved]
  const made = await press(commands)
  if (made.status !== 200) throw new Error(JSON.stringify(made.body))
  return id
}

beforeAll(async () => {
  await database.connect()
  const begun = await press([
    {
      name: 'begin household',
      body: { name: 'Commands', units: 'metric', season: SEASON },
      tools: [{ name: 'Teaspoon', kind: 'spoon', capacityMl: 5 }],
    },
  ])
  expect([begun.status, begun.body.household.body.name]).toEqual([200, 'Commands'])
  expect(await names('tools')).toEqual(['Teaspoon'])
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('what belongs together', () => {
  it('is written in one transaction and answered with all that changed', async () => {
    const packet = randomUUID()
    const sowing = randomUUID()
    const done = await press([
      {
        name: 'save record',
        collection: 'packets',
        id: packet,
        version: 0,
        body: { name: 'Basil', cropId: 'basil', supplier: '', year: 2026, seeds: 100 },
      },
      {
        name: 'plan',
        sowings: [
          {
            id: sowing,
            body: { name: 'Basil', cropId: 'basil', plants: 12, packetId: packet, sowOn: ON },
            sownOn: ON,
          },
        ],
      },
    ])
    expect(done.status).toBe(200)
    const changed = done.body.changed as {
      collection: string
      id: string
      record: { body: { seeds: number } }
    }[]
    // The packet as it stands after the sowing took its seed.
    expect(changed.find(({ id }) => id === packet)!.record.body.seeds).toBeLessThan(100)
    expect(new Set(changed.map(({ collection }) => collection))).toEqual(
      new Set(['packets', 'sowings', 'entries']),
    )
    const [one] = await database
      .query('select count(distinct created_at)::int as n from entry where household_id = $1 and act = $2', [
        household,
        done.body.act,
      ])
      .then(({ rows }) => rows)
    expect(one.n).toBe(1)
  })

  it('is left whole where one of it fails, which is said with its reason', async () => {
    const before = await names('tools')
    const no = await press([jug('First'), jug('Second'), { name: 'give up', sowingId: randomUUID() }])
    expect(no.status).toBe(422)
    expect(no.body).toMatchObject({
      failed: { index: 2, name: 'give up' },
      errors: [{ field: 'commands[2].sowingId', message: 'This sowing is not here any more.' }],
    })
    const bad = await press([jug('First'), { ...jug(''), body: { name: '', kind: 'jug', capacityMl: 1 } }])
    expect([bad.status, bad.body.errors[0].field]).toEqual([422, 'commands[1].body.name'])
    const unknown = await press([{ name: 'fly' }])
    expect([unknown.status, unknown.body.errors[0].field]).toEqual([422, 'commands[0].name'])
    expect(await names('tools')).toEqual(before)
  })
})

describe('what does not fit what stands', () => {
  it('is refused with its field, why, and what stands; as many as stand may go', async () => {
    const id = await tray()
    await press([{ name: 'count', trayId: id, on: ON, groups: [{ group: 'A', count: 5 }] }])
    const lose = (count: number) =>
      press([{ name: 'lose', trayId: id, on: ON, groups: [{ group: 'A', count }] }])
    const many = await lose(6)
    expect([many.status, many.body.errors[0].field, many.body.stands.standing]).toEqual([
      422,
      'groups[0].count',
      5,
    ])
    expect((await lose(5)).status).toBe(200)
  })
  it('a tray that was emptied is one, however long ago', async () => {
    for (const emptiedOn of [today, '2021-03-04']) {
      const id = await tray()
      const { version } = (await list('trays')).find((one) => one.id === id)!
      await press([{ name: 'save record', collection: 'trays', id, version, body: { ...TRAY, emptiedOn } }])
      const counted = await press([{ name: 'count', trayId: id, on: ON, groups: [{ group: 'A', count: 1 }] }])
      const poured = { trayId: id, how: 'below', litres: 0.4 }
      const watered = await press([
        { name: 'water', title: 'Watered', kind: 'watered', on: ON, subjects: [], water: [poured] },
      ])
      expect([counted.status, counted.body.errors[0].field, counted.body.stands.id]).toEqual([
        422,
        'trayId',
        id,
      ])
      expect([watered.status, watered.body.errors[0].field, watered.body.stands.id]).toEqual([
        422,
        'water[0].trayId',
        id,
      ])
    }
  })
  it('a day that is still to come is one', async () => {
    const id = await tray(false)
    const sow = (on: string) => press([{ name: 'sow', trayId: id, on, groups: [{ group: 'A' }] }])
    const late = await sow(new Date(Date.now() + 3 * 86_400_000).toISOString().slice(0, 10))
    expect([late.status, late.body.errors[0].field]).toEqual([422, 'on'])
    expect((await sow(today)).status).toBe(200)
  })
})

describe('an act', () => {
  it('is done once under its key, by however many it is sent, and answered word for word', async () => {
    const act = randomUUID()
    const body = { act, commands: [jug('Once only')] }
    const answers = await Promise.all(Array.from({ length: 8 }, () => press(body)))
    expect(new Set(answers.map((one) => JSON.stringify(one))).size).toBe(1)
    expect((await names('tools')).filter((name) => name === 'Once only')).toHaveLength(1)
    const borrowed = await press({ act, commands: [jug('Another')] })
    expect([borrowed.status, borrowed.body.detail]).toEqual([422, 'This key was used for another request.'])
  })

  it('that is sent again after a month is answered with how it stands then; after a year its key is forgotten', async () => {
    const id = randomUUID()
    const body = { act: randomUUID(), commands: [jug('Old', id)] }
    const first = await press(body)
    await press([jug('Renamed since', id, 1)])
    const age = (days: number) =>
      database.query(`update act set at = now() - make_interval(days => $2) where id = $1`, [body.act, days])
    const { forgetOldActs } = (await import('./services/idempotency' as string)) as {
      forgetOldActs: () => Promise<void>
    }
    await age(29)
    await forgetOldActs()
    expect((await press(body)).body).toEqual(first.body)
    await age(31)
    await forgetOldActs()
    const late = await press(body)
    expect([late.status, late.body.act, late.body.changed[0].record.body.name]).toEqual([
      200,
      body.act,
      'Renamed since',
    ])
    await age(364)
    await forgetOldActs()
    const kept = () =>
      database.query('select from act where id = $1', [body.act]).then(({ rowCount }) => rowCount)
    expect(await kept()).toBe(1)
    await age(366)
    await forgetOldActs()
    expect(await kept()).toBe(0)
    await ((await import('./db/door' as string)) as { closePools: () => Promise<void> }).closePools()
  })

  it('says who did what with which command, and what undid it', async () => {
    const id = await tray(false)
    const sown = await press({
      by: 'Wren',
      commands: [{ name: 'sow', trayId: id, on: ON, groups: [{ group: 'A' }] }],
    })
    const told = async () => (await call('GET', `${home}/acts/${sown.body.act}`)).body
    expect(await told()).toMatchObject({ by: 'Wren', commands: ['sow'], records: 1, undoneBy: null })
    const [entry] = (await list('entries')).filter(({ body }) => body['act'] === sown.body.act)
    expect(entry!.body).toMatchObject({ by: 'Wren', kind: 'stage' })
    const undone = await press([{ name: 'undo', act: sown.body.act }])
    expect((await told()).undoneBy).toBe(undone.body.act)
  })
})

describe('undo', () => {
  it('puts everything back, and redo forward again', async () => {
    const ids: string[] = [randomUUID(), randomUUID()]
    const act = await press([jug('Kept', ids[0]), jug('Also', ids[1])])
    const changed = await press([
      jug('Kept, changed', ids[0], 1),
      { name: 'remove record', collection: 'tools', id: ids[1], version: 1 },
    ])
    const state = async () =>
      (await list('tools'))
        .filter(({ id }) => ids.includes(id))
        .map(({ body }) => body['name'])
        .sort()
    expect(await state()).toEqual(['Kept, changed'])
    const back = await press([{ name: 'undo', act: changed.body.act }])
    expect(await state()).toEqual(['Also', 'Kept'])
    const forth = await press([{ name: 'redo', act: back.body.act }])
    expect(await state()).toEqual(['Kept, changed'])
    await press([{ name: 'undo', act: forth.body.act }])
    expect(await state()).toEqual(['Also', 'Kept'])
    // What was changed since, and not by whom asks, is not written over.
    const stale = await press([{ name: 'undo', act: act.body.act }])
    expect([stale.status, stale.body.current.body.name]).toEqual([409, 'Also'])
    const versions = new Map((await list('tools')).map(({ id, version }) => [id, version]))
    const seen = ids.map((id) => ({ collection: 'tools', id, version: versions.get(id)! }))
    expect((await press([{ name: 'undo', act: act.body.act, seen }])).status).toBe(200)
    expect(await state()).toEqual([])
  })
  it('brings seed back with the entry that took it, and the household’s own record', async () => {
    const packet = randomUUID()
    await press([
      {
        name: 'save record',
        collection: 'packets',
        id: packet,
        version: 0,
        body: { name: 'Kale', cropId: 'kale', supplier: '', year: 2026, seeds: 40 },
      },
    ])
    const sowing = {
      id: randomUUID(),
      body: { name: 'Kale', cropId: 'kale', plants: 6, packetId: packet, sowOn: ON },
      sownOn: ON,
    }
    const sown = await press([{ name: 'plan', sowings: [sowing] }])
    const seeds = async () => (await list('packets')).find(({ id }) => id === packet)!.body['seeds']
    expect(await seeds()).toBeLessThan(40)
    const undone = await press([{ name: 'undo', act: sown.body.act }])
    expect([undone.status, await seeds()]).toEqual([200, 40])
    const { household: own } = (await call('GET', home)).body
    const renamed = await press([
      { name: 'save household', version: own.version, body: { ...own.body, name: 'Renamed' } },
    ])
    expect(renamed.body.household.body.name).toBe('Renamed')
    const back = await press([{ name: 'undo', act: renamed.body.act }])
    expect(back.body.household.body.name).toBe('Commands')
  })
})

it('a guided job over twelve trays is ended in one request, and opens again with it undone', async () => {
  const ids: string[] = []
  for (let n = 0; n < 12; n++) ids.push(await tray())
  const group = randomUUID()
  const subjects = ids.map((id) => ({ what: 'trays', id }))
  await press([
    { name: 'begin job', id: group, body: { name: 'Water', kind: 'water', subjects, onDay: today } },
  ])
  const at = new Date().toISOString()
  await press([
    {
      name: 'mark job',
      id: group,
      marks: ids.map((id) => ({ id: randomUUID(), step: waterStepId(id), what: 'done', at })),
    },
  ])
  const ended = await press([{ name: 'end job', id: group, by: 'Idris' }])
  expect(ended.status).toBe(200)
  const written = async () =>
    (await list('entries'))
      .filter(({ body }) => body['kind'] === 'watered')
      .map(({ body }) => (body['water'] as object[]).length)
  expect(await written()).toEqual([12])
  const status = async () => (await call('GET', `${home}/guidedJobs/${group}`)).body.body.status
  expect(await status()).toBe('ended')
  expect((await press([{ name: 'end job', id: group, by: '' }])).status).toBe(422)
  await press([{ name: 'undo', act: ended.body.act }])
  expect([await written(), await status()]).toEqual([[], 'open'])
})

it('today tells the same as the page would: what is due, which trays to water, what runs short', async () => {
  const id = await tray()
  const told = (await call('GET', `${home}/today`)).body
  const trays = ['today', 'fed', 'tomorrow', 'look', 'letDry'].flatMap((key) => told.water[key])
  expect(trays.map(({ trayId }: { trayId: string }) => trayId)).toContain(id)
  expect(told.short).toEqual([])
  const scoop = { name: 'pot', volumeL: 0.5 }
  const allowances = { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0 }
  const fills = [{ containerId: 'tray-72', count: 4, coverMm: 0, coverMaterialId: 'mix' }]
  const parts = [{ materialId: 'perlite', parts: 1 }]
  const batch = { name: 'Dry', recipeId: null, parts, fills, allowances, scoop }
  const stock = {
    name: 'Perlite',
    kind: 'material',
    goodsId: 'perlite',
    size: { measure: 'loose', amount: 1 },
    price: null,
    packs: 1,
  }
  await press([
    { name: 'save record', collection: 'stocks', id: randomUUID(), version: 0, body: stock },
    { name: 'save record', collection: 'batches', id: randomUUID(), version: 0, body: batch },
  ])
  const { short } = (await call('GET', `${home}/today`)).body
  expect(short).toMatchObject([{ id: 'perlite', inSupplies: 1, unit: 'L' }])
  expect(short[0].short).toBeCloseTo(short[0].wanted - 1, 9)
})

it('what is in sight after acts is what is read anew', async () => {
  type Lists = Record<string, { id?: string; entryId?: string }[]>
  const inSight = async () => {
    const { household: own, ...lists } = (await call('GET', home)).body as { household: object } & Lists
    for (const list of Object.values(lists) as Lists[string][])
      list.sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)))
    return { own, lists }
  }
  await inSight()
  const id = await tray()
  const counted = await press([{ name: 'count', trayId: id, on: ON, groups: [{ group: 'A', count: 7 }] }])
  await press([{ name: 'lose', trayId: id, on: ON, groups: [{ group: 'A', count: 2 }] }])
  const [kept, gone] = [randomUUID(), randomUUID()]
  await press([jug('In sight', kept), jug('Gone', gone)])
  await press([jug('Renamed', kept, 1), { name: 'remove record', collection: 'tools', id: gone, version: 1 }])
  const measured = await press([
    {
      name: 'write down',
      title: 'A brick of coir',
      kind: 'measured',
      on: ON,
      subjects: [],
      measured: [{ what: 'coir yield', value: 14, of: '', n: null, key: '' }],
    },
  ])
  expect([measured.status, measured.body.errors]).toEqual([200, undefined])
  await press([{ name: 'undo', act: counted.body.act }])
  const carried = await inSight()
  // The household's own record is what everything hangs on: it is all read again.
  const own = carried.own as { version: number; body: object }
  await press([{ name: 'save household', version: own.version, body: { ...own.body, place: 'Shed' } }])
  expect((await inSight()).lists).toEqual(carried.lists)
})

it('a command that reaches beyond the records is sent alone', async () => {
  const both = await press([jug('With it'), { name: 'make example' }])
  expect([both.status, both.body.errors[0].field]).toEqual([422, 'commands'])
  const device = randomUUID()
  await press([
    {
      name: 'save record',
      collection: 'devices',
      id: device,
      version: 0,
      body: { name: 'Probe', kind: 'air probe', placeId: 'shelf' },
    },
  ])
  const key = await press([{ name: 'new device key', deviceId: device }])
  expect(key.body.told.key).toMatch(/^device-/)
  const { rows } = await database.query(
    `select count(*)::int as n from act where answer::text like '%device-%'`,
  )
  expect(rows[0].n).toBe(0)
})
