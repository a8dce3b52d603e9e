import { randomUUID } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import Papa from 'papaparse'
import { TABLE_IDS } from '#shared/tables/tables'
import { base, call, newHousehold } from './test/calling'

const made = async () => {
  const id = randomUUID()
  await newHousehold(id)
  return id
}

/* Tables in and out of a household, against the real server and the real PostgreSQL. */

const DEMO = '0b1a5700-de30-4000-8000-000000000001'
interface Answer {
  written: boolean
  changes: number
  fresh: number
  changed: number
  same: number
  bad: number
  detail: string
  problems: { line: number; column: string; message: string }[]
  records: { id: string; version: number }[]
}
const send = async (household: string, table: string, body: BodyInit, query = '') => {
  const answer = await fetch(`${base}/api/households/${household}/tables/${table}?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'text/csv' },
    body,
  })
  return { status: answer.status, body: (await answer.json()) as Answer }
}
const out = async (household: string, table: string, query = '') =>
  (await fetch(`${base}/api/households/${household}/tables/${table}?${query}`)).text()
const kept = async (household: string, collection: string) =>
  (await call('GET', `/api/households/${household}/${collection}`)).body as unknown as {
    id: string
    body: Record<string, unknown>
  }[]

const GERMAN = [
  'Sorte;Kultur;Jahrgang;Keimfähigkeit;Saattiefe (cm);Anzahl Samen',
  'Lang und früh;Leek;2026;87,5;1,5;240',
  'Ohne Namen;Lauchling;2026;80;1;10',
  'Grüne;Sweet basil;2025;72 %;0,5;900',
].join('\n')

describe('a table is looked at before it is written', () => {
  it('good lines go in alone, or all or none', async () => {
    const household = await made()
    const looked = await send(household, 'packets', GERMAN)
    expect(looked.body).toMatchObject({ written: false, fresh: 2, bad: 1 })
    expect(looked.body.problems).toMatchObject([{ line: 3, column: 'crop' }])
    expect(await kept(household, 'packets')).toEqual([])

    const seen = `seen=${looked.body.changes}`
    const all = await send(household, 'packets', GERMAN, seen)
    expect([all.status, all.body.detail]).toEqual([422, expect.stringMatching(/Line 3, crop/)])
    expect(await kept(household, 'packets')).toEqual([])

    const good = await send(household, 'packets', GERMAN, `${seen}&lines=good`)
    expect(good.body).toMatchObject({ written: true, fresh: 2, bad: 1 })
    // 87.5 % and 1.5 cm.
    expect((await kept(household, 'packets')).map(({ body }) => [body.germination, body.depthMm])).toEqual([
      [0.875, 15],
      [0.72, 5],
    ])
    // What was looked at before is not what is written over now.
    expect((await send(household, 'packets', GERMAN, `${seen}&lines=good`)).status).toBe(409)
    // Every seed that was counted is in the ledger.
    expect((await kept(household, 'entries')).map(({ body }) => body.kind)).toEqual(['counted', 'counted'])
  })

  it('a line changes what it names, and leaves what it does not speak of', async () => {
    const household = await made()
    const first = 'name,holds,pack,packs,price\nSack,Perlite,100 L,2,19.50\n'
    const query = async (text: string) => `seen=${(await send(household, 'supplies', text)).body.changes}`
    await send(household, 'supplies', first, await query(first))
    const text = 'name,holds,pack,packs,price\nsack,Perlite,100 L,3,\n'
    expect((await send(household, 'supplies', text, await query(text))).body).toMatchObject({
      changed: 1,
      fresh: 0,
    })
    expect((await kept(household, 'stocks')).map(({ body }) => [body.packs, body.price])).toEqual([[3, 19.5]])
    expect((await send(household, 'supplies', text)).body).toMatchObject({ same: 1, changed: 0 })
  })

  it('what is told in lines is in the log, once', async () => {
    const household = await made()
    const log = 'Datum;Was;Art;Gewicht (g)\n12.4.2027;first leaves;;\n13.4.2027;Cress;harvest;35\n'
    const looked = await send(household, 'entries', log)
    expect((await send(household, 'entries', log, `seen=${looked.body.changes}`)).body).toMatchObject({
      fresh: 2,
    })
    expect((await send(household, 'entries', log)).body).toMatchObject({ same: 2, fresh: 0 })
    const measured = 'on,what,of,value\n2027-04-12,jug,blue jug,0.97\n2027-04-12,settling,,9\n'
    const found = await send(household, 'measurements', measured)
    expect(found.body).toMatchObject({ fresh: 1, bad: 1 })
    expect(found.body.problems[0]!.message).toMatch(/0 to 5/)
  })
})

describe('what is written is read the same', () => {
  it.each(TABLE_IDS)('%s of the demo, with points and with commas', async (table) => {
    for (const decimal of ['point', 'comma']) {
      const csv = await out(DEMO, table, `decimal=${decimal}`)
      const { data, errors } = Papa.parse<string[]>(csv, { skipEmptyLines: true })
      expect(errors).toEqual([])
      expect(data.flat().filter((cell) => /^[=+\-@](?![\d.,]+$)/.test(cell))).toEqual([])
      if (data.length === 1) continue
      const { status, body } = await send(DEMO, table, csv)
      expect([status, body.problems ?? body.detail]).toEqual([200, []])
      expect(body).toMatchObject({ fresh: 0, changed: 0, bad: 0 })
      expect(body.same).toBeGreaterThan(0)
    }
  })
})

describe('what is no table is refused in words, and nothing is written', () => {
  it.each([
    ['nothing', () => '', 422, /nothing in it/],
    ['a picture', () => new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0xff, 0xfe, 0xc3]), 422, /UTF-8/],
    ['broken UTF-8', () => new Uint8Array([...Buffer.from('variety,crop\n'), 0xc3, 0x28]), 422, /UTF-8/],
    ['a quote left open', () => 'variety,crop,year\n"A,Leek,2026', 422, /quote/],
    ['too many lines', () => `variety,crop,year\n${'A,Leek,2026\n'.repeat(20_002)}`, 422, /20000 lines/],
    ['nine megabytes', () => 'x'.repeat(9 * 1024 * 1024), 413, /at most 8 MB/],
  ])('%s', async (_, make, status, words) => {
    const household = await made()
    const answer = await send(household, 'packets', make())
    expect([answer.status, answer.body.detail]).toEqual([status, expect.stringMatching(words)])
    expect(await kept(household, 'packets')).toEqual([])
  })

  it('a gigabyte is refused before it is sent', async () => {
    const { request } = await import('node:http')
    const household = await made()
    const status = await new Promise((resolve, reject) => {
      const sent = request(`${base}/api/households/${household}/tables/packets`, {
        method: 'POST',
        headers: { 'content-type': 'text/csv', 'content-length': 1024 ** 3 },
      })
      sent.on('response', (answer) => {
        resolve(answer.statusCode)
        sent.destroy()
      })
      sent.on('error', reject)
      sent.write('variety,crop,year\n')
    })
    expect(status).toBe(413)
  })

  it('a household that is not there', async () => {
    expect((await send(randomUUID(), 'packets', GERMAN)).status).toBe(404)
  })
})
