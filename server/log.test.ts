import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from '@jest/globals'
import exifr from 'exifr'
import pg from 'pg'
import sharp from 'sharp'
import { SEASON } from '#shared/test/season'
import { base, call } from './test/calling'

/* The log against the real server and the real PostgreSQL: the stream, photos, measurements, tracing, years. */

const household = randomUUID()
const home = `/api/households/${household}`
const at = (collection: string, id: string) => `${home}/${collection}/${id}`
const [tray, other, packet, batch] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()]
const today = new Date().toISOString().slice(0, 10)
const days = (n: number) => new Date(Date.now() + n * 86_400_000).toISOString().slice(0, 10)

const write = (over: object, id: string = randomUUID()) =>
  call('PUT', at('entries', id), {
    version: 0,
    body: { name: 'It', kind: 'thought', on: today, subjects: [], ...over },
  })
const subjects = (...ids: string[]) => ids.map((id) => ({ what: 'trays', id, stage: null }))
const log = async (query: Record<string, string> = {}) =>
  (await call('GET', `${home}/log?${new URLSearchParams(query)}`)).body as {
    entries: {
      id: string
      version: number
      number: number
      body: { name: string; on: string; measured: object[] }
    }[]
    more: boolean
  }
const names = async (query: Record<string, string>) => (await log(query)).entries.map(({ body }) => body.name)
const everything = async () => (await call('GET', home)).body
const cells = (n: number) => Array.from({ length: n }, (_, cell) => [cell, 1])

beforeAll(async () => {
  await call('PUT', home, { version: 0, body: { name: 'Log', units: 'metric', season: SEASON } })
  await call('PUT', at('packets', packet), {
    version: 0,
    body: { name: 'Okra, green', cropId: 'okra', supplier: 'swap', year: 2025, seeds: 100 },
  })
  await call('PUT', at('batches', batch), {
    version: 0,
    body: {
      name: 'Three trays',
      recipeId: null,
      parts: [
        { materialId: 'coir', parts: 1 },
        { materialId: 'perlite', parts: 1 },
      ],
      fills: [{ containerId: 'tray-24', count: 3, coverMm: 0, coverMaterialId: 'mix' }],
      allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0.05 },
      scoop: { name: 'Pot', volumeL: 0.5 },
    },
  })
  for (const id of [tray, other])
    await call('PUT', at('trays', id), {
      version: 0,
      body: {
        name: 'Tray',
        containerId: 'tray-24',
        rows: 4,
        columns: 6,
        placeId: 'shelf',
        batchId: batch,
        groups: [{ code: 'A', name: 'Okra', cropId: 'okra', packetId: packet, seedsPerCell: 1 }],
        cells: Array(24).fill('A'),
      },
    })
})

describe('the stream', () => {
  beforeAll(async () => {
    await write({
      name: 'Weather turned',
      kind: 'weather',
      on: days(-3),
      note: 'Hail like marbles, the frame held',
    })
    await write({
      name: 'Leaves going pale below',
      kind: 'seen',
      on: days(-2),
      subjects: subjects(tray),
      signs: ['pale old'],
    })
    await write({ name: 'A quiet day', on: days(-40) })
    await write({ name: 'Frame opened', kind: 'weather', placeId: 'frame-1', on: days(-1) })
  })
  it('lies by the day it happened, however late it was written', async () => {
    const on = (await log()).entries.map(({ body }) => body.on)
    expect(on).toEqual([...on].sort().reverse())
    expect(on).toContain(days(-40))
  })
  it('finds words by their beginning and by their stem, in names and notes', async () => {
    expect(await names({ words: 'marbl' })).toEqual(['Weather turned'])
    expect(await names({ words: 'leaf pale' })).toEqual(['Leaves going pale below'])
    expect(await names({ words: 'hail frames' })).toEqual(['Weather turned'])
    expect(await names({ words: 'nothing like it' })).toEqual([])
    expect(
      (await call('GET', `${home}/log?words=${encodeURIComponent("'); drop table entry; --")}`)).status,
    ).toBe(200)
  })
  it('is narrowed to a tray, a place, kinds and days', async () => {
    expect(await names({ subject: tray })).toEqual(['Leaves going pale below'])
    expect(await names({ placeId: 'frame-1' })).toEqual(['Frame opened'])
    // What stands in a place is of it too.
    expect(await names({ placeId: 'shelf' })).toEqual(['Leaves going pale below'])
    expect(await names({ kinds: 'weather' })).toEqual(['Frame opened', 'Weather turned'])
    expect(await names({ from: days(-2), until: days(-2) })).toEqual(['Leaves going pale below'])
    expect((await call('GET', `${home}/log?kinds=nonsense`)).status).toBe(422)
  })
  it('goes back page by page without a gap or a double, and leaves out what was taken back', async () => {
    const all = (await log({ limit: '200' })).entries.map(({ id }) => id)
    const seen: string[] = []
    let before: Record<string, string> = {}
    for (let more = true; more;) {
      const page = await log({ limit: '2', ...before })
      seen.push(...page.entries.map(({ id }) => id))
      const last = page.entries.at(-1)!
      before = { beforeOn: last.body.on, beforeNumber: String(last.number) }
      more = page.more
    }
    expect(seen).toEqual(all)
    const gone = randomUUID()
    await write({ name: 'Taken back' }, gone)
    await call('DELETE', `${at('entries', gone)}?version=1`)
    expect(await names({})).not.toContain('Taken back')
  })
  it('a thought is about nothing but the day; what is done needs something it is done to', async () => {
    expect((await write({ name: 'Only this' })).status).toBe(200)
    const refused = await write({ kind: 'look', name: 'Up' })
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'body.subjects'])
  })
})

describe('what is measured', () => {
  it('a count measures seed and days, is learned at once, and taking it back takes that back', async () => {
    await write({
      kind: 'stage',
      on: days(-20),
      subjects: subjects(tray),
      cells: [{ trayId: tray, group: 'A', what: 'sown', cells: cells(24), count: null }],
    })
    const counted = randomUUID()
    const { body } = await write(
      {
        kind: 'look',
        on: days(-4),
        subjects: subjects(tray),
        cells: [{ trayId: tray, group: 'A', what: 'up', cells: cells(12), count: null }],
      },
      counted,
    )
    expect(body.body.measured.map(({ what }: { what: string }) => what).sort()).toEqual([
      'days up',
      'germination',
    ])
    const learned = async () =>
      (await everything()).measurements.filter(({ entryId }: { entryId: string }) => entryId === counted)
    expect(await learned()).toHaveLength(2)
    expect(await learned()).toContainEqual(expect.objectContaining({ of: packet, value: 0.5, n: 24 }))
    await call('DELETE', `${at('entries', counted)}?version=1`)
    expect(await learned()).toEqual([])
    await call('POST', `${at('entries', counted)}/restore?version=2`)
    expect(await learned()).toHaveLength(2)
  })
  it('a batch that says what was left measures settling, and how far the plan was off', async () => {
    const { body } = await write({
      kind: 'batch made',
      subjects: [{ what: 'batches', id: batch, stage: null }],
      actual: {
        share: null,
        usedL: 14,
        leftL: 0.5,
        waterL: null,
        filled: null,
        backL: null,
        minutes: 40,
        roots: null,
      },
    })
    const fact = (what: string) => body.body.facts.find((one: { what: string }) => one.what === what)?.amount
    expect(fact('Used')).toBe(14)
    expect(fact('Estimated use')).toBeGreaterThan(8)
    expect(body.body.measured).toContainEqual(expect.objectContaining({ what: 'settling' }))
  })
  it('what no bench measures is refused at its field, and nothing is written', async () => {
    const many = (await log({ limit: '200' })).entries.length
    const wrong = await write({
      kind: 'measured',
      measured: [{ what: 'coir yield', value: 1400, of: '', n: null, key: '' }],
    })
    expect([wrong.status, wrong.body.errors[0].field]).toEqual([422, 'body.measured[0].value'])
    expect((await log({ limit: '200' })).entries).toHaveLength(many)
  })
})

describe('the air of a place', () => {
  it('is kept day by day; a low above the high, or no place, is refused', async () => {
    const day = { on: days(-2), lowC: 12, highC: 21 }
    expect((await write({ kind: 'climate', placeId: 'shelf', climate: [day] })).status).toBe(200)
    const swapped = await write({ kind: 'climate', placeId: 'shelf', climate: [{ ...day, lowC: 22 }] })
    expect([swapped.status, swapped.body.errors[0].field]).toEqual([422, 'body.climate[0].lowC'])
    expect((await write({ kind: 'climate', climate: [day] })).status).toBe(422)
  })
})

describe('a tray that is carried', () => {
  const placeOf = async () =>
    (await everything()).trays.find(({ id }: { id: string }) => id === other).body.placeId
  it('stands in the other place; taking the entry back carries it back, and a count that cannot be is refused', async () => {
    const carried = randomUUID()
    await write({ kind: 'carried', placeId: 'outside', subjects: subjects(other) }, carried)
    expect(await placeOf()).toBe('outside')
    await call('DELETE', `${at('entries', carried)}?version=1`)
    expect(await placeOf()).toBe('shelf')
    await call('POST', `${at('entries', carried)}/restore?version=2`)
    expect(await placeOf()).toBe('outside')
    const unsown = await write({
      kind: 'look',
      subjects: subjects(other),
      cells: [{ trayId: other, group: 'A', what: 'up', cells: [], count: 9 }],
    })
    expect([unsown.status, unsown.body.detail]).toEqual([422, 'Okra is not sown in this tray yet.'])
  })
})

describe('photos', () => {
  const send = (picture: Buffer, id: string = randomUUID(), of = household) =>
    fetch(`${base}/api/households/${of}/photo-files/${id}`, {
      method: 'PUT',
      body: new Uint8Array(picture),
    }).then(async (answer) => ({
      status: answer.status,
      body: (await answer.json()) as Record<string, never> & {
        id: string
        width: number
        takenOn: string
        detail: string
      },
    }))
  const picture = (width = 2400, height = 1800) =>
    sharp({ create: { width, height, channels: 3, background: '#7a9a52' } })
  const withPlace = () =>
    picture()
      .withExif({
        IFD0: { Make: 'A camera', Model: 'Number 7', Artist: 'Somebody' },
        IFD2: { DateTimeOriginal: '2026:04:03 09:30:00' },
        IFD3: {
          GPSLatitudeRef: 'N',
          GPSLatitude: '51/1 30/1 0/1',
          GPSLongitudeRef: 'W',
          GPSLongitude: '0/1 7/1 0/1',
        },
      })
      .jpeg()
      .toBuffer()

  it('are made small, dated by the camera, and keep no word of where or by what they were taken', async () => {
    const sent = await withPlace()
    // The picture that is sent does hold its place: else nothing would be shown by its absence.
    expect((await exifr.gps(sent)).latitude).toBeCloseTo(51.5, 3)
    const { status, body } = await send(sent)
    expect([status, body.width, body.takenOn]).toEqual([200, 1600, '2026-04-03'])
    const id = randomUUID()
    const kept = await call('PUT', at('photos', id), {
      version: 0,
      body: {
        name: 'Tray',
        fileId: body.id,
        on: today,
        subjects: [{ what: 'trays', id: tray }],
        width: 1600,
        height: 1200,
      },
    })
    expect(kept.status).toBe(200)
    for (const size of ['whole', 'small']) {
      const answer = await fetch(`${base}${home}/photo-files/${body.id}?size=${size}`)
      const bytes = Buffer.from(await answer.arrayBuffer())
      const meta = await sharp(bytes).metadata()
      expect([answer.headers.get('content-type'), meta.format]).toEqual(['image/webp', 'webp'])
      expect([meta.exif, meta.xmp, meta.iptc]).toEqual([undefined, undefined, undefined])
      expect(bytes.includes('GPS') || bytes.includes('camera') || bytes.includes('Somebody')).toBe(false)
      expect(Math.max(meta.width!, meta.height!)).toBeLessThanOrEqual(size === 'small' ? 320 : 1600)
    }
  })
  it('turned by the camera’s note they stand upright, and the same picture is kept once', async () => {
    const lying = await picture(800, 600).withMetadata({ orientation: 6 }).jpeg().toBuffer()
    const first = await send(lying)
    expect([first.body.width, (first.body as unknown as { height: number }).height]).toEqual([600, 800])
    expect((await send(lying)).body.id).toBe(first.body.id)
  })
  it.each([
    ['a text under the name of a picture', () => Buffer.from('name,amount\n1,2\n'), 422, /no picture/],
    [
      'a drawing that could call out',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      422,
      /JPEG, PNG/,
    ],
    ['half a picture', async () => (await withPlace()).subarray(0, 4000), 422, /damaged|no picture/],
    ['40 MB', () => Buffer.alloc(40 * 1024 * 1024, 7), 413, /25 MB/],
    [
      'a small file that unfolds to 400 million pixels',
      () =>
        sharp({
          create: { width: 20_000, height: 20_000, channels: 3, background: '#000' },
          limitInputPixels: false,
        })
          .png({ compressionLevel: 9 })
          .toBuffer(),
      422,
      /52 million pixels/,
    ],
  ])('refuses %s in clear words', async (_, make, status, words) => {
    const answer = await send(await make())
    expect(answer.status).toBe(status)
    expect(answer.body.detail).toMatch(words)
  })
  it('of a household that is full another is refused, and taken once there is room', async () => {
    const full = randomUUID()
    await call('PUT', `/api/households/${full}`, { version: 0, body: { name: 'Full', units: 'metric' } })
    const database = new pg.Client({ connectionString: process.env.DATABASE_URL })
    await database.connect()
    try {
      await database.query(
        `INSERT INTO photo_file (household_id, id, digest, width, height, image, thumbnail)
         SELECT $1, gen_random_uuid(), n::text, 1, 1, '', '' FROM generate_series(1, 5000) n`,
        [full],
      )
      const sent = await picture(40, 30).png().toBuffer()
      const answer = await send(sent, randomUUID(), full)
      expect([answer.status, answer.body.detail]).toEqual([422, expect.stringMatching(/5000 .*remove some/)])
      await database.query(`DELETE FROM photo_file WHERE household_id = $1 AND digest = '7'`, [full])
      expect((await send(sent, randomUUID(), full)).status).toBe(200)
    } finally {
      await database.end()
    }
  })
  it('a photo of a file that was never sent is refused at its field', async () => {
    const { status, body } = await call('PUT', at('photos', randomUUID()), {
      version: 0,
      body: { name: 'None', fileId: randomUUID(), on: today, width: 10, height: 10 },
    })
    expect([status, body.errors[0].field]).toEqual([422, 'body.fileId'])
  })
})

describe('looking back', () => {
  it('a tray leads to its batch and the other trays of it; one nobody knows is told so', async () => {
    const { body } = await call('GET', `${home}/trace/${tray}`)
    expect(body.trays.map(({ id }: { id: string }) => id).sort()).toEqual([tray, other].sort())
    expect(body.batches.map(({ id }: { id: string }) => id)).toEqual([batch])
    expect(body.entries.length).toBeGreaterThan(2)
    expect((await call('GET', `${home}/trace/${randomUUID()}`)).status).toBe(404)
  })
  it('a year holds what happened in it, and to what', async () => {
    const year = today.slice(0, 4)
    const { body } = await call('GET', `${home}/log/${year}`)
    expect(body.entries.every(({ body: { on } }: { body: { on: string } }) => on.startsWith(year))).toBe(true)
    expect((await call('GET', `${home}/log/years`)).body).toContain(Number(year))
    expect((await call('GET', `${home}/log/1066`)).status).toBe(404)
  })
  it('a trial points at trays and packets that are there', async () => {
    const arm = (code: string, trayId: string) => ({
      code,
      name: code,
      groups: [{ trayId, group: 'A' }],
      recipeId: null,
      packetId: null,
    })
    const trial = (arms: object[]) => ({ name: 'Which?', question: 'seed', on: today, seed: 5, arms })
    expect(
      (
        await call('PUT', at('trials', randomUUID()), {
          version: 0,
          body: trial([arm('A', tray), arm('B', other)]),
        })
      ).status,
    ).toBe(200)
    const nowhere = await call('PUT', at('trials', randomUUID()), {
      version: 0,
      body: trial([arm('A', tray), arm('B', randomUUID())]),
    })
    expect([nowhere.status, nowhere.body.errors[0].field]).toEqual([422, 'body.arms[1].groups[0].trayId'])
    expect(
      (
        await call('PUT', at('trials', randomUUID()), {
          version: 0,
          body: trial([arm('A', tray), arm('A', other)]),
        })
      ).status,
    ).toBe(422)
  })
})

describe('in the database', () => {
  it('each way to look through a long log walks the index that was made for it, and sorts nothing', async () => {
    const client = new pg.Client(process.env.DATABASE_URL)
    await client.connect()
    try {
      const long = randomUUID()
      await client.query(
        `insert into household (household_id, name, place, units) values ($1, 'Long', '', 'metric')`,
        [long],
      )
      await client.query(
        `insert into entry (household_id, id, number, name, kind, "on", "by", subjects, "to", note, times, even_if_short, place_id, moves, facts)
         select $1, gen_random_uuid(), i, 'Watered', (array['watered','seen'])[1 + i % 2], date '2006-01-01' + i / 3, '',
           jsonb_build_array(jsonb_build_object('what', 'trays', 'id', case when i % 900 = 0 then $2::uuid else gen_random_uuid() end)),
           '', case when i % 997 = 0 then 'marmalade' else 'pale' end, 1, false, case when i % 90 = 0 then 'racks' end, '[]', '[]'
         from generate_series(1, 20000) i`,
        [long, tray],
      )
      await client.query('analyze entry')
      // As the application sees it: its role, one household.
      await client.query(`set role blastomix_application; set blastomix.household = '${long}'`)
      const plan = async (where: string) =>
        (
          await client.query(
            `explain select id from entry where household_id = '${long}' and voided_at is null and ${where} order by "on" desc, number desc limit 40`,
          )
        ).rows
          .map((row: Record<string, string>) => row['QUERY PLAN'])
          .join('\n')
      const words = `(to_tsvector('simple', kind || ' ' || name || ' ' || note || ' ' || "to" || ' ' || "by") || to_tsvector('english', name || ' ' || note))`
      for (const [where, index] of [
        ['true', 'entry_day'],
        [`kind = 'seen'`, 'entry_kind'],
        [`place_id = 'racks'`, 'entry_place'],
        [`${words} @@ to_tsquery('simple', 'marmal:*')`, 'entry_words'],
        [`subjects @> '[{"id": "${tray}"}]'`, 'entry_subjects'],
      ])
        expect(await plan(where!)).toContain(index!)
      // Read in the order of the index: the first page costs the same after twenty years.
      expect(await plan('true')).not.toContain('Sort')
    } finally {
      await client.end()
    }
  })
})
