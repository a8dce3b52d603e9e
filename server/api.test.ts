import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { Validator } from '@seriousme/openapi-schema-validator'
import pg from 'pg'
import sharp from 'sharp'
import { planBatch } from '#core/media/batch'
import { plainBatch, DEFAULT_ALLOWANCES } from '#core/media/batch-request'
import { BUILT_IN } from '#core/media/materials'
import { CONTAINERS } from '#core/containers/catalogue'
import { bodyOf, COLLECTIONS } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import { sayCautions } from '#shared/messages/cautions'
import { CROPS } from '#core/sowing/crops'
import { cropRecordOf } from '#shared/records/as-crop'
import { newEntry } from '#shared/records/new-entry'
import { sowing } from '#shared/records/sowing'
import { SEASON } from '#shared/test/season'
import { base, call, newHousehold } from './test/calling'
import { dayFrom } from '#core/calendar/day'

/* Against the built application and its real PostgreSQL; ./test starts both and says where. */
const database = new pg.Client({ connectionString: process.env.DATABASE_URL })

const mix = {
  parts: [
    { materialId: 'coir', parts: 3 },
    { materialId: 'castings', parts: 1 },
    { materialId: 'perlite', parts: 1 },
  ],
  fills: [{ containerId: 'tray-72', count: 2, coverMm: 5, coverMaterialId: 'vermiculite' }],
  allowances: DEFAULT_ALLOWANCES,
  scoop: { name: 'pot', volumeL: 0.5 },
  ...plainBatch(),
}
const batch = {
  name: 'A batch',
  recipeId: 'lean-and-light',
  lowerRecipeId: null,
  onDate: '2027-03-14',
  sowings: [],
  ...mix,
}
const label = {
  name: 'Powder',
  basedOn: null,
  form: 'powder',
  nPercent: 20,
  p2o5Percent: 20,
  k2oPercent: 20,
  densityGPerMl: null,
  labelRatePerL: 1,
  organic: false,
  caPercent: 0,
  mgPercent: 2,
  sPercent: 0,
  fePercent: 0,
  clPercent: 0,
  nForms: { nitrate: 0.5, ammonium: 0.3, urea: 0.2 },
  ecSlopeMsPerCm: 0.6,
  use: 'dissolved',
  strengthGuessed: false,
}
const dose = {
  feed: label,
  growthStageId: 'true-leaves',
  targetNMgPerL: 60,
  vessel: { name: 'jug', volumeL: 2 },
  tools: [{ name: 'scale', kind: 'kitchen scale', capacityMl: null }],
}
const tool = { name: 'Teaspoon', kind: 'spoon', capacityMl: 5 }

const original = BUILT_IN.get('peat')!
const peat = Object.fromEntries(
  Object.keys(original.sources).map((key) => [key, original[key as keyof typeof original]]),
)

interface Size {
  kinds: number
  bytes: number
}
interface Row {
  value: number
  working: { inputs?: Record<string, number> }
}
const valueOf = (body: Record<string, unknown>, key: string) =>
  (body['figures'] as Row[])[(body[key] as { figure: number }).figure]!.value
/** An answer with every figure put back where its number stands. */
function grown(value: unknown, rows: Row[]): unknown {
  if (typeof value !== 'object' || value === null) return value
  if (Array.isArray(value)) return value.map((one) => grown(one, rows))
  const keys = Object.keys(value)
  if (keys.length === 1 && keys[0] === 'figure') {
    const row = rows[(value as { figure: number }).figure]!
    const { inputs } = row.working
    if (!inputs) return row
    const put = Object.fromEntries(
      Object.entries(inputs).map(([key, figure]) => [key, grown({ figure }, rows)]),
    )
    return { ...row, working: { ...row.working, inputs: put } }
  }
  return Object.fromEntries(Object.entries(value).map(([key, inside]) => [key, grown(inside, rows)]))
}

let household: string
const at = (collection: Collection, id: string, query = '') =>
  `/api/households/${household}/${collection}/${id}${query}`
const count = async (table: string) =>
  Number((await database.query(`select count(*) from ${table}`)).rows[0].count)

beforeAll(async () => {
  await database.connect()
  household = randomUUID()
  await newHousehold(household)
})
afterAll(async () => {
  await database.query('delete from feeding where household_id = $1', [household])
  await database.query('delete from household where household_id = $1', [household])
  await database.end()
})

describe('computing', () => {
  it('answers with the numbers of core, workings included', async () => {
    const { status, body } = await call('POST', '/api/compute/batch', mix)
    expect(status).toBe(200)
    const container = CONTAINERS.find(({ id }) => id === 'tray-72')!
    const { containerId: _, ...fill } = mix.fills[0]!
    const { figures, ...plan } = body
    const planned = planBatch({ ...mix, materials: BUILT_IN, fills: [{ ...fill, container }] })
    expect(grown(plan, figures)).toEqual(
      JSON.parse(JSON.stringify({ ...planned, cautions: sayCautions(planned.cautions) })),
    )
  })

  it('answers in proportion to what is asked: each figure once, its inputs before it', async () => {
    const sizes = await Promise.all(
      [1, 5, 10, 20].map(async (kinds) => {
        const fills = CONTAINERS.filter(({ kind }) => kind === 'tray')
          .slice(0, kinds)
          .map(({ id: containerId }) => ({ ...mix.fills[0]!, containerId }))
        const { status, body } = await call('POST', '/api/compute/batch', { ...mix, fills })
        expect(status).toBe(200)
        const rows = body.figures as { working: { inputs?: Record<string, number> } }[]
        rows.forEach(({ working }, row) =>
          Object.values(working.inputs ?? {}).forEach((input) => expect(input).toBeLessThan(row)),
        )
        return { kinds: fills.length, bytes: JSON.stringify(body).length }
      }),
    )
    const [one, five, ten, twenty] = sizes as [Size, Size, Size, Size]
    expect(ten.bytes).toBeLessThan(200_000)
    const each = (a: Size, b: Size) => (b.bytes - a.bytes) / (b.kinds - a.kinds)
    expect(each(ten, twenty)).toBeLessThan(each(one, five) * 1.3)
  })

  it('takes containers that are in no catalogue', async () => {
    const container = {
      name: 'tin',
      kind: 'pot',
      cells: 1,
      measuredVolumeMl: 500,
      shape: { form: 'round', topDiameterMm: 80, baseDiameterMm: 80, depthMm: 100 },
    }
    const fills = [{ containerId: 'tin', count: 4, coverMm: 0, coverMaterialId: 'mix' }]
    const { body } = await call('POST', '/api/compute/batch', {
      ...mix,
      parts: [{ materialId: 'peat', parts: 1 }],
      fills,
      containers: [{ id: 'tin', container }],
    })
    // 4 · 0.5 L · 0.9 · 1.1 · 1.05
    expect(valueOf(body, 'mixL')).toBeCloseTo(2.079, 9)
  })

  it('doses a feed: 60 mg/L in 2 L of 20 % N is 0.6 g', async () => {
    const { status, body } = await call('POST', '/api/compute/dose', dose)
    expect([status, valueOf(body, 'massG')]).toEqual([200, expect.closeTo(0.6, 9)])
  })
})

describe('what cannot be done is told at its field, and nothing is written', () => {
  it.each([
    ['zero parts', 'batch', { ...mix, parts: [{ materialId: 'coir', parts: 0 }] }, 'parts[0].parts'],
    ['negative parts', 'batch', { ...mix, parts: [{ materialId: 'coir', parts: -2 }] }, 'parts[0].parts'],
    ['an empty recipe', 'batch', { ...mix, parts: [] }, 'parts'],
    ['a million trays', 'batch', { ...mix, fills: [{ ...mix.fills[0], count: 1e6 }] }, 'fills[0].count'],
    ['text for a number', 'batch', { ...mix, fills: [{ ...mix.fills[0], count: 'two' }] }, 'fills[0].count'],
    [
      'an unknown material',
      'batch',
      { ...mix, parts: [{ materialId: 'moon dust', parts: 1 }] },
      'parts[0].materialId',
    ],
    [
      'an unknown container',
      'batch',
      { ...mix, fills: [{ ...mix.fills[0], containerId: 'hat' }] },
      'fills[0].containerId',
    ],
    ['a jug of 0', 'dose', { ...dose, vessel: { name: 'jug', volumeL: 0 } }, 'vessel.volumeL'],
    ['a label above 100', 'dose', { ...dose, feed: { ...label, nPercent: 70 } }, 'feed.nPercent'],
    ['a density of 0', 'dose', { ...dose, feed: { ...label, densityGPerMl: 0 } }, 'feed.densityGPerMl'],
  ])('%s', async (_, what, body, field) => {
    const answer = await call('POST', `/api/compute/${what}`, body)
    expect([answer.status, answer.type]).toEqual([422, 'application/problem+json'])
    expect(answer.body.errors).toContainEqual({ field, message: expect.stringMatching(/^[A-Z0-9−].*\.$/) })
  })

  it.each<[string, string | undefined, Record<string, string>, number]>([
    ['no JSON', '{"parts": [', {}, 400],
    ['a body of 2 MB', JSON.stringify({ name: 'x'.repeat(2e6) }), {}, 413],
    ['a form', 'parts=3', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['a body that is no object', '[]', {}, 422],
  ])('%s', async (_, body, headers, status) => {
    const before = await count('batch')
    const answer = await call('PUT', at('batches', randomUUID()), body, headers)
    expect([answer.status, answer.type, answer.body.status]).toEqual([
      status,
      'application/problem+json',
      status,
    ])
    expect(await count('batch')).toBe(before)
  })

  it('a chunked body of 2 MB without a length is cut off too', async () => {
    const stream = new ReadableStream({
      start(controller) {
        for (let i = 0; i < 40; i++) controller.enqueue(new TextEncoder().encode('x'.repeat(50_000)))
        controller.close()
      },
    })
    const request = {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: stream,
      duplex: 'half',
    } as RequestInit
    const answer = await fetch(`${base}/api/compute/batch`, request).then(
      ({ status }) => status,
      () => 'cut off',
    )
    expect([413, 'cut off']).toContain(answer)
    expect((await call('GET', '/api/ready')).status).toBe(200)
  })

  it('a record that points nowhere', async () => {
    const plan = {
      name: 'x',
      feedId: randomUUID(),
      growthStageId: 'true-leaves',
      targetNMgPerL: 60,
      vessel: { name: 'jug', volumeL: 2 },
      batchId: null,
      toolId: null,
    }
    expect(
      (await call('PUT', at('feedings', randomUUID()), { version: 0, body: plan })).body.errors[0].field,
    ).toBe('body.feedId')
    const lost = await call('PUT', at('feedings', randomUUID()), {
      version: 0,
      body: { ...plan, feedId: 'balanced-20', batchId: randomUUID() },
    })
    expect([lost.status, lost.body.errors[0].field]).toEqual([422, 'body.batchId'])
  })

  it.each([
    '/api/nowhere',
    '/api/households/not-an-id',
    `/api/households/${randomUUID()}`,
    `/api/households/${randomUUID()}/recipes`,
  ])('%s is not there', async (path) => {
    const answer = await call('GET', path)
    expect([answer.status, answer.type]).toEqual([404, 'application/problem+json'])
  })
})

describe('keeping', () => {
  it('keeps a record of every collection as it was written', async () => {
    const container = {
      name: 'Tin',
      kind: 'tray',
      cells: 12,
      basedOn: null,
      measuredVolumeMl: 90,
      shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
    }
    const bodies = {
      recipes: {
        name: 'Mix',
        reasoning: 'because',
        parts: mix.parts,
        extras: [{ materialId: 'rock-dust', gPerL: 5 }],
        preparations: ['sieve'],
        worksIn: [],
        homeTests: [],
      },
      materials: { name: 'Own peat', basedOn: 'peat', figures: peat, packL: 50, sustainability: '' },
      containers: container,
      feeds: label,
      tools: tool,
      batches: batch,
      feedings: {
        name: 'Feed',
        feedId: 'balanced-20',
        growthStageId: 'true-leaves',
        targetNMgPerL: 60,
        vessel: { name: 'jug', volumeL: 2 },
        batchId: null,
        toolId: null,
      },
      programmes: {
        name: 'Schedule',
        feedId: 'balanced-20',
        appetite: 'medium',
        method: 'half strength',
        plants: 72,
        batchId: null,
        startOn: '2027-03-14',
        stages: [
          {
            growthStageId: 'true-leaves',
            days: 14,
            containerId: 'tray-72',
            recipeId: 'lean-and-light',
            nMgPerL: 60,
            everyDays: 12,
          },
        ],
      },
      stocks: {
        name: 'Bag',
        kind: 'material',
        goodsId: 'perlite',
        size: { measure: 'loose', amount: 10 },
        price: 6.5,
        packs: 1.4,
      },
      crops: cropRecordOf(CROPS.find(({ id }) => id === 'basil')!),
      packets: {
        name: 'Basil',
        cropId: 'basil',
        supplier: '',
        year: 2026,
        seeds: 100,
        germination: null,
        upDays: null,
        depthMm: null,
        spacingMm: null,
      },
      sowings: sowing.parse({ name: 'Basil', cropId: 'basil', plants: 10 }),
      trays: {
        name: '6-cell tray',
        containerId: 'six-pack',
        rows: 2,
        columns: 3,
        turned: false,
        corner: 'top left' as const,
        placeId: null,
        cut: null,
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
      guidedJobs: {
        name: 'Sow basil',
        kind: 'sow',
        subjects: [],
        onDay: '2027-03-02',
        hands: 1,
        by: 'Wren',
        status: 'open',
        marks: [
          {
            id: '0b1a5700-0000-4000-8000-00000000aaaa',
            step: 'label',
            what: 'done',
            at: '2027-03-02T08:00:00.000Z',
            by: 'Wren',
            key: '',
            value: null,
            note: '',
          },
        ],
      },
      trials: {
        name: 'Two mixes',
        question: 'mix',
        on: '2027-03-02',
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
      photos: {
        name: 'Basil',
        fileId: '0b1a5700-0000-4000-8000-00000000bbbb',
        on: '2027-03-02',
        subjects: [],
        placeId: null,
        width: 800,
        height: 600,
        note: '',
      },
      devices: {
        name: 'Scale',
        kind: 'kitchen scale',
        placeId: null,
        trayId: null,
        simulated: false,
        fault: null,
        calibratedAt: null,
      },
      entries: newEntry({ name: 'Looked', kind: 'look', on: dayFrom('2027-03-02'), subjects: [] }),
    } satisfies { [C in Collection]: object }
    expect(Object.keys(bodies).sort()).toEqual(Object.keys(COLLECTIONS).sort())
    await call('PUT', `/api/households/${household}`, {
      version: 1,
      body: { name: 'Tests', units: 'metric', season: SEASON },
    })
    let sown = ''
    for (const [collection, given] of Object.entries(bodies) as [Collection, object][]) {
      const id = randomUUID()
      if (collection === 'sowings') sown = id
      if (collection === 'photos') await sendPicture((given as { fileId: string }).fileId)
      const body =
        collection === 'entries' || collection === 'guidedJobs'
          ? { ...given, subjects: [{ what: 'sowings', id: sown, stage: 0 }] }
          : given
      const written = await call('PUT', at(collection, id), { version: 0, body })
      expect([written.status, written.body.version, written.body.body]).toEqual([200, 1, body])
      expect((await call('GET', at(collection, id))).body).toEqual(written.body)
      expect(bodyOf(collection).parse(written.body.body)).toEqual(body)
    }
  })

  const sendPicture = async (id: string) => {
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#7a5' } })
      .png()
      .toBuffer()
    await fetch(`${base}/api/households/${household}/photo-files/${id}`, {
      method: 'PUT',
      body: new Uint8Array(picture),
    })
  }

  it('tells the second of two writers, shows what stands, and takes a write from there', async () => {
    const id = randomUUID()
    await call('PUT', at('tools', id), { version: 0, body: tool })
    const first = await call('PUT', at('tools', id), { version: 1, body: { ...tool, name: 'Mine' } })
    const second = await call('PUT', at('tools', id), { version: 1, body: { ...tool, name: 'Theirs' } })
    expect([first.status, second.status, second.type]).toEqual([200, 409, 'application/problem+json'])
    expect(second.body.current).toMatchObject({ version: 2, body: { name: 'Mine' } })
    expect(
      (await call('PUT', at('tools', id), { version: 2, body: { ...tool, name: 'Theirs' } })).body.version,
    ).toBe(3)
    expect((await call('PUT', at('tools', id), { version: 0, body: tool })).status).toBe(409)
    expect((await call('PUT', at('tools', randomUUID()), { version: 4, body: tool })).status).toBe(404)
  })

  it('lets exactly one of many simultaneous writers through', async () => {
    const id = randomUUID()
    await call('PUT', at('tools', id), { version: 0, body: tool })
    const writers = Array.from({ length: 12 }, (_, i) =>
      call('PUT', at('tools', id), { version: 1, body: { ...tool, name: `Writer ${i}` } }),
    )
    const statuses = (await Promise.all(writers)).map(({ status }) => status).sort()
    expect(statuses).toEqual([200, ...Array(11).fill(409)])
  })

  it('numbers batches without gaps or doubles, however many arrive at once', async () => {
    const made = await Promise.all(
      Array.from({ length: 8 }, () => call('PUT', at('batches', randomUUID()), { version: 0, body: batch })),
    )
    const numbers = made.map(({ body }) => body.number).sort((a, b) => a - b)
    expect(numbers).toEqual(numbers.map((_, i) => numbers[0] + i))
  })

  it('removes out of sight, and brings back from the version it answered', async () => {
    const id = randomUUID()
    await call('PUT', at('tools', id), { version: 0, body: tool })
    const removed = await call('DELETE', at('tools', id, '?version=1'))
    expect(removed.body).toEqual({ version: 2 })
    expect((await call('GET', at('tools', id))).status).toBe(404)
    expect((await call('DELETE', at('tools', id, '?version=1'))).status).toBe(409)
    expect((await call('PUT', at('tools', id), { version: 2, body: tool })).body).toMatchObject({
      version: 3,
      body: tool,
    })
    expect((await call('GET', at('tools', id))).status).toBe(200)
  })

  it('does not take a container from under a planned batch', async () => {
    const id = randomUUID()
    const container = {
      name: 'Tin',
      kind: 'pot',
      cells: 1,
      measuredVolumeMl: null,
      shape: { form: 'round', topDiameterMm: 60, baseDiameterMm: 50, depthMm: 70 },
    }
    await call('PUT', at('containers', id), { version: 0, body: container })
    const batchId = randomUUID()
    await call('PUT', at('batches', batchId), {
      version: 0,
      body: { ...batch, fills: [{ ...mix.fills[0], containerId: id }] },
    })
    const refused = await call('DELETE', at('containers', id, '?version=1'))
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining('A batch')])
    await call('DELETE', at('batches', batchId, '?version=1'))
    expect((await call('DELETE', at('containers', id, '?version=1'))).status).toBe(200)
  })

  it('computes with a corrected material, and refuses one that holds more water when drier', async () => {
    const own = {
      name: 'Own peat',
      basedOn: 'peat',
      figures: { ...peat, settling: 0.3 },
      packL: 50,
      sustainability: '',
    }
    const asked = {
      ...mix,
      parts: [{ materialId: 'peat', parts: 1 }],
      materials: [{ id: 'own', material: own }],
    }
    const plain = (await call('POST', '/api/compute/batch', { ...asked, materials: [] })).body
    const corrected = (await call('POST', '/api/compute/batch', asked)).body
    expect(valueOf(corrected, 'mixL') / valueOf(plain, 'mixL')).toBeCloseTo(1.3 / 1.1, 9)
    const wrong = { ...own, figures: { ...peat, theta10: 0.99 } }
    const refused = await call('PUT', at('materials', randomUUID()), { version: 0, body: wrong })
    expect([refused.status, refused.body.errors[0].field]).toEqual([422, 'body.figures.theta10'])
  })

  it('keeps households apart', async () => {
    const id = randomUUID()
    await call('PUT', at('tools', id), { version: 0, body: tool })
    const other = randomUUID()
    await call('PUT', `/api/households/${other}`, {
      version: 0,
      body: { name: 'Others', place: '', units: 'us' },
    })
    expect((await call('GET', `/api/households/${other}/tools/${id}`)).status).toBe(404)
    expect((await call('GET', `/api/households/${other}`)).body.tools).toEqual([])
    await database.query('delete from household where household_id = $1', [other])
  })

  it('refuses in the database itself what the rules refuse', async () => {
    const insert = `insert into feed (household_id, id, name, form, n_percent, p2o5_percent, k2o_percent, organic) values ($1, $2, 'x', 'powder', 60, 60, 0, false)`
    await expect(database.query(insert, [household, randomUUID()])).rejects.toThrow(/feed_label/)
  })
})

describe('an address that was renamed', () => {
  it.each([
    ['/stores', '/supplies'],
    ['/runs', '/jobs'],
    ['/runs/one', '/jobs/one'],
    ['/today', '/'],
    ['/season', '/plan'],
    ['/season/buying', '/plan/shopping'],
    ['/log/year', '/records/year'],
    ['/bench/one', '/batches/one'],
  ])('%s leads to %s', async (was, is) => {
    const answer = await fetch(`${process.env['BLASTOMIX_URL']}${was}`, { redirect: 'manual' })
    expect(answer.status).toBe(307)
    expect(answer.headers.get('location')).toBe(is)
  })
})

describe('the demo household', () => {
  it('obeys the same rules as everybody’s', async () => {
    const [demo] = (await call('GET', '/api/households')).body
    const {
      household: _,
      measurements,
      weather: _w,
      ...collections
    } = (await call('GET', `/api/households/${demo.id}`)).body
    expect(measurements.length).toBeGreaterThan(0)
    for (const [collection, records] of Object.entries(collections) as [Collection, { body: unknown }[]][]) {
      expect(records.length).toBeGreaterThan(0)
      for (const { body } of records) expect(bodyOf(collection).parse(body)).toEqual(body)
    }
  })
})

it('describes itself as valid OpenAPI, every collection included', async () => {
  const { body } = await call('GET', '/api/openapi.json')
  expect(await new Validator().validate(body)).toMatchObject({ valid: true })
  for (const collection of Object.keys(COLLECTIONS)) {
    expect(body.paths).toHaveProperty([`/api/households/{householdId}/${collection}/{id}`, 'put'])
  }
  expect(body.paths).toHaveProperty(['/api/compute/batch', 'post'])
})
