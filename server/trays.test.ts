import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import pg from 'pg'
import { dayFrom } from '#core/calendar/day'
import { cellsOf } from '#core/trays/layout'
import type { Collection } from '#shared/records/collection-names'
import { contextOf } from '#shared/derived/context'
import type { EntryRecord } from '#shared/records/entry'
import { newEntry } from '#shared/records/new-entry'
import { tray, type TrayRecord } from '#shared/records/tray'
import { layoutOf } from '#shared/records/tray-layout'
import { SEASON } from '#shared/test/season'
import { changesByTray, trayStands } from '#shared/derived/trays'
import { call, newHousehold } from './test/calling'

/* Trays on real PostgreSQL through the built application: laid out, sown, counted by two at once, moved, taken back. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
const household = randomUUID()
const year = new Date().getFullYear() + 1
const on = (day: string) => dayFrom(`${year}-${day}`)
const at = (collection: Collection, id: string, rest = '') =>
  `/api/households/${household}/${collection}/${id}${rest}`
const put = (collection: Collection, body: object, version = 0, id: string = randomUUID()) =>
  call('PUT', at(collection, id), { version, body })

const laid = (more: Record<string, unknown> = {}) =>
  tray.parse({
    name: '24-cell tray',
    containerId: 'tray-24',
    rows: 4,
    columns: 6,
    groups: [{ code: 'A', name: 'Basil', cropId: 'basil', seedsPerCell: 2 }],
    cells: [...Array(18).fill('A'), ...Array(6).fill('')],
    ...more,
  })
const six = laid({ name: 'Six', containerId: 'six-pack', rows: 2, columns: 3, cells: Array(6).fill('A') })
type Changes = EntryRecord['cells']
const happened = (
  kind: EntryRecord['kind'],
  day: string,
  cells: Changes,
  subjects: EntryRecord['subjects'] = [],
) =>
  put(
    'entries',
    newEntry({
      name: `${kind} ${day}`,
      kind,
      on: on(day),
      subjects: [
        ...subjects,
        ...[...new Set(cells.map(({ trayId }) => trayId))].map((id) => ({
          what: 'trays' as const,
          id,
          stage: null,
        })),
      ],
      cells,
    }),
  )
const change = (
  trayId: string,
  what: Changes[number]['what'],
  cells: [number, number][],
  count: number | null = null,
): Changes[number] => ({ trayId, group: 'A', what, cells, count })
const each = (body: TrayRecord, n: number, from = 0, to = 99): [number, number][] =>
  cellsOf(layoutOf(body), 'A')
    .slice(from, to)
    .map((cell) => [cell, n])
async function standing(id: string) {
  const everything = (await call('GET', `/api/households/${household}`)).body
  const record = everything.trays.find((one: { id: string }) => one.id === id)
  const { crops } = contextOf(everything)
  return trayStands(record.body, changesByTray(everything.entries).get(id) ?? [], crops).groups[0]!
}

beforeAll(async () => {
  await database.connect()
  await newHousehold(household)
  await call('PUT', `/api/households/${household}`, {
    version: 1,
    body: { name: 'Tests', place: '', units: 'metric', season: SEASON },
  })
})
afterAll(async () => {
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('a tray', () => {
  it('is numbered from 1, and not kept where its layout cannot be', async () => {
    const numbers = []
    for (let n = 0; n < 3; n++) numbers.push((await put('trays', laid())).body.number)
    expect(numbers).toEqual([1, 2, 3])
    const tooLong = await put('trays', laid({ cells: Array(25).fill('A') }))
    expect([tooLong.status, tooLong.body.errors[0].field]).toEqual([422, 'body.cells'])
    const odd = await put('trays', laid({ columns: 7, cells: Array(28).fill('A') }))
    expect([odd.status, odd.body.errors[0].message]).toEqual([
      422,
      '4 rows of 7 make 28 cells; a 24-cell tray has 24.',
    ])
  })

  it('goes from seed to the pots its plants are set into, each by an entry', async () => {
    const [id, next, packetId, sowingId] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()]
    await put('packets', { name: 'Genovese', cropId: 'basil', year, seeds: 100 }, 0, packetId)
    const planned = { name: 'Basil', cropId: 'basil', plants: 14, sowOn: on('04-01'), packetId }
    await put('sowings', planned, 0, sowingId)
    const body = laid({ groups: [{ ...laid().groups[0]!, sowingId, packetId }] })
    await put('trays', body, 0, id)
    await put('trays', six, 0, next)
    const sown = await happened(
      'stage',
      '04-01',
      [change(id, 'sown', each(body, 2))],
      [{ what: 'sowings', id: sowingId, stage: 0 }],
    )
    expect(sown.status).toBe(200)
    // 18 cells of two seeds have left the packet, not what the plan would have taken.
    expect((await call('GET', at('packets', packetId))).body.body.seeds).toBe(64)
    expect((await happened('look', '04-09', [change(id, 'up', each(body, 1))])).status).toBe(200)
    const moved = await happened('stage', '04-20', [
      change(id, 'moved', each(body, 1, 0, 6)),
      change(next, 'set', each(six, 1)),
    ])
    expect(moved.status).toBe(200)
    expect(await standing(id)).toMatchObject({ up: 18, moved: 6, standing: 12 })
    expect(await standing(next)).toMatchObject({ set: 6, standing: 6 })

    // What plants have left over since is not taken back from under them.
    const back = await call('DELETE', at('entries', sown.body.id, '?version=1'))
    expect([back.status, back.body.errors[0].message]).toEqual([
      422,
      expect.stringContaining('undo that first'),
    ])
    const removed = await call('DELETE', at('trays', id, '?version=1'))
    expect([removed.status, removed.body.errors[0].message]).toEqual([
      422,
      expect.stringContaining('is logged for this tray'),
    ])
    expect((await call('DELETE', at('entries', moved.body.id, '?version=1'))).status).toBe(200)
    expect(await standing(id)).toMatchObject({ moved: 0, standing: 18 })
  })

  it('refuses what cannot have happened, and writes nothing', async () => {
    const [id, next] = [randomUUID(), randomUUID()]
    const body = laid()
    await put('trays', body, 0, id)
    await put('trays', six, 0, next)
    await happened('stage', '04-01', [change(id, 'sown', each(body, 1))])
    const refused = async (answer: ReturnType<typeof happened>) => {
      const { status, body: told } = await answer
      expect([status, told.errors?.[0]?.field]).toEqual([422, 'body.cells'])
      return told.errors[0].message
    }
    expect(await refused(happened('look', '04-09', [change(id, 'up', [], 19)]))).toBe(
      '19 cannot be up of 18 that were sown.',
    )
    expect(await refused(happened('lost', '04-09', [change(id, 'lost', [[0, 1]])]))).toMatch(
      /[Oo]nly 0 .*so 1 cannot leave/,
    )
    await happened('look', '04-09', [change(id, 'up', [], 10)])
    expect(
      await refused(
        happened('stage', '04-20', [change(id, 'moved', [], 6), change(next, 'set', each(six, 1, 0, 5))]),
      ),
    ).toBe('6 leave and 5 arrive: say the same for both.')
    // The cells of what is sown are not handed to another.
    const over = await put('trays', { ...body, cells: Array(24).fill('') }, 1, id)
    expect([over.status, over.body.errors[0].field]).toEqual([422, 'body.cells'])
    expect((await standing(id)).standing).toBe(10)
    const unnamed = await put(
      'entries',
      newEntry({
        name: 'Up',
        kind: 'look',
        on: on('04-10'),
        subjects: [{ what: 'trays', id: next, stage: null }],
        cells: [change(id, 'up', [], 3)],
      }),
    )
    expect([unnamed.status, unnamed.body.errors[0].field]).toEqual([422, 'body.subjects'])
    const gone = await happened('look', '04-09', [change(randomUUID(), 'up', [], 1)])
    expect([gone.status, gone.body.errors[0].message]).toEqual([422, 'This tray is not known.'])
  })

  it('keeps both counts where two count its halves at once', async () => {
    const id = randomUUID()
    const body = laid()
    await put('trays', body, 0, id)
    await happened('stage', '04-01', [change(id, 'sown', each(body, 1))])
    const count = (from: number, to: number) =>
      happened('look', '04-09', [change(id, 'up', each(body, 1, from, to))])
    const answers = await Promise.all([count(0, 9), count(9, 18), count(0, 2)])
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200])
    expect(await standing(id)).toMatchObject({ up: 18, upCells: 18 })
  })

  it('of 512 cells takes less than 10 kB', async () => {
    const id = randomUUID()
    const whole = { name: '512', containerId: 'tray-512', rows: 16, columns: 32, cells: Array(512).fill('A') }
    expect((await put('trays', laid(whole), 0, id)).status).toBe(200)
    const { rows } = await database.query(
      'select octet_length(groups::text) + octet_length(cells::text) as size from tray where id = $1',
      [id],
    )
    expect(rows[0].size).toBeLessThan(10_000)
  })
})
