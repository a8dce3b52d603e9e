import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { setTimeout } from 'node:timers/promises'
import { describe, expect, it } from '@jest/globals'
import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import fc from 'fast-check'
import { strFromU8, strToU8, unzipSync, zipSync, type Zippable } from 'fflate'
import { SEASON } from '#shared/test/season'
import { base, call, newHousehold } from './test/calling'

/* Everything out and everything in, against the real server and the real PostgreSQL. */

const DEMO = '0b1a5700-de30-4000-8000-000000000001'
const FIRST_VERSION = 'server/test/first-version.zip'

const out = async (household: string) => {
  const answer = await fetch(`${base}/api/households/${household}/archive`)
  expect(answer.status).toBe(200)
  return new Uint8Array(await answer.arrayBuffer())
}
const into = async (household: string, file: Uint8Array | string, query = '') => {
  const answer = await fetch(`${base}/api/households/${household}/archive?${query}`, {
    method: 'POST',
    headers: { 'content-type': 'application/zip' },
    body: file as never,
  })
  return { status: answer.status, body: (await answer.json()) as Answer }
}
interface Answer {
  written: boolean
  changes: number
  made: boolean
  kinds: { kind: string; fresh: number; same: number; differing: number }[]
  differing: { kind: string; id: string; name: string; newer: string }[]
  contradictions: string[]
  detail: string
  act: string | null
}
/** Looked at, then taken in as it was looked at; again where a job of the server wrote in between. */
async function takeIn(household: string, file: Uint8Array, differing = 'here', tries = 3): Promise<Answer> {
  const looked = await into(household, file, `differing=${differing}`)
  expect({ ...looked.body, detail: undefined }).toMatchObject({ written: false })
  const done = await into(household, file, `differing=${differing}&seen=${looked.body.changes}`)
  if (done.status === 409 && tries > 1) return takeIn(household, file, differing, tries - 1)
  expect(done.status).toBe(200)
  expect(done.body.act).toMatch(/^[0-9a-f-]{36}$/)
  expect({ ...done.body, written: false, act: null }).toEqual(looked.body)
  return done.body
}
/** All of it but its times: the manifest’s, and when the household was made here. */
const members = (file: Uint8Array): Record<string, Uint8Array> => {
  const { 'manifest.json': _, ...rest } = unzipSync(file)
  const own = strFromU8(rest['household.jsonl']!).replace(/"createdAt":"[^"]+"/, '')
  return { ...rest, 'household.jsonl': strToU8(own) }
}
const linesOf = (file: Uint8Array, name: string) =>
  strFromU8(unzipSync(file)[name]!)
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as { id: string; body: Record<string, unknown> })
const isThere = async (household: string) =>
  (await call('GET', `/api/households/${household}`)).status === 200

describe('while it goes', () => {
  const going = (household: string, file: Uint8Array, query = '', signal?: AbortSignal) =>
    fetch(`${base}/api/households/${household}/archive?${query}`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip', accept: 'application/x-ndjson' },
      body: file as never,
      ...(signal && { signal }),
    } as RequestInit)
  type Line = { done?: number; answer?: Answer; problem?: { status: number; detail: string } }
  const lines = async (household: string, file: Uint8Array, query = '') =>
    (await (await going(household, file, query)).text())
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Line)

  it('says how far it is, a line each, and the same answer last; what is refused is said last too', async () => {
    const file = await out(DEMO)
    const copy = randomUUID()
    const told = await lines(copy, file)
    const shares = told.slice(0, -1).map(({ done }) => done!)
    expect(shares[0]).toBe(0)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(shares.at(-1)).toBeLessThanOrEqual(1)
    expect(told.at(-1)!.answer).toEqual((await into(copy, file)).body)
    expect(await isThere(copy)).toBe(false)
    const broken = zipSync({ ...unzipSync(file), 'crops.jsonl': strToU8('{"id":') })
    const { problem } = (await lines(copy, broken)).at(-1)!
    expect(problem).toMatchObject({ status: 422, detail: expect.stringContaining('crops.jsonl') })
  })
  it('who leaves it takes all of it back: nothing is written, and it can be taken in afterwards', async () => {
    const file = await out(DEMO)
    const copy = randomUUID()
    const { changes } = (await into(copy, file)).body
    const leaving = new AbortController()
    const answer = await going(copy, file, `seen=${changes}`, leaving.signal)
    await answer.body!.getReader().read()
    leaving.abort()
    // Writers of one household take turns: whoever comes next sees what became of it.
    const looked = await into(copy, file)
    expect(looked.body.made).toBe(true)
    expect(await isThere(copy)).toBe(false)
    expect((await takeIn(copy, file)).made).toBe(true)
  })
})

describe('out and in again', () => {
  it('is the same bytes: a season under way, with its photos, its ledger and what was removed', async () => {
    const first = await out(DEMO)
    const copy = randomUUID()
    const { made, kinds, contradictions } = await takeIn(copy, first)
    expect(made).toBe(true)
    expect(contradictions).toEqual([])
    expect(kinds.find(({ kind }) => kind === 'entries')!.fresh).toBeGreaterThan(50)
    const second = await out(copy)
    expect(Object.keys(members(second))).toEqual(Object.keys(members(first)))
    for (const [name, bytes] of Object.entries(members(first)))
      expect([name, Buffer.compare(bytes, members(second)[name]!)]).toEqual([name, 0])
    // Taken in again there is nothing new.
    const again = await takeIn(copy, second)
    expect(again.kinds.every(({ fresh, differing }) => fresh === 0 && differing === 0)).toBe(true)
  })

  it('is the same for whatever somebody may have written', async () => {
    const text = fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            name: text,
            kind: fc.constantFrom('spoon', 'jug'),
            capacityMl: fc.double({ min: 0.1, max: 9000, noNaN: true }),
          }),
          { maxLength: 4 },
        ),
        fc.array(fc.record({ name: text, note: text }), { maxLength: 4 }),
        async (tools, thoughts) => {
          const [home, copy] = [randomUUID(), randomUUID()]
          await newHousehold(home)
          for (const body of tools)
            await call('PUT', `/api/households/${home}/tools/${randomUUID()}`, { version: 0, body })
          for (const said of thoughts)
            await call('PUT', `/api/households/${home}/entries/${randomUUID()}`, {
              version: 0,
              body: { ...said, kind: 'thought', on: '2027-03-01', subjects: [] },
            })
          const first = await out(home)
          await takeIn(copy, first)
          expect(members(await out(copy))).toEqual(members(first))
        },
      ),
      { numRuns: Number(process.env.BLASTOMIX_RUNS ?? 6) },
    )
  })

  it('every line follows the schema that is published, by a reader of its own', async () => {
    const { body } = await call('GET', '/api/schemas')
    const ajv = addFormats(new Ajv2020({ strict: false, allErrors: true }))
    const file = await out(DEMO)
    for (const { kind, file: name, schema } of body.kinds as {
      kind: string
      file: string
      schema: string
    }[]) {
      const check = ajv.compile(await (await fetch(`${base}${schema}`)).json())
      const lines =
        kind === 'manifest' ? [JSON.parse(strFromU8(unzipSync(file)[name]!))] : linesOf(file, name)
      for (const line of lines) expect([kind, check(line), check.errors]).toEqual([kind, true, null])
    }
  })

  it('a whole household of the first version arrives under the names of today, nothing lost', async () => {
    const home = randomUUID()
    const first = readFileSync('server/test/first-version-demo.zip')
    expect((await takeIn(home, first)).contradictions).toEqual([])
    const written = await out(home)
    const count = (file: Uint8Array) =>
      (JSON.parse(strFromU8(unzipSync(file)['manifest.json']!)) as { lines: Record<string, number> }).lines
    const { runs, ...before } = count(first)
    expect(count(written)).toEqual({ ...before, guidedJobs: runs })
    // Words are looked for in what was written now, as a reader of another hand would: none of the old ones is left.
    const text = Object.entries(unzipSync(written))
      .filter(([name]) => name.endsWith('.jsonl'))
      .map(([, bytes]) => strFromU8(bytes))
      .join('\n')
    const names = [
      'rung',
      'rungs',
      'ladderId',
      'school',
      'lightSchool',
      'kitchen',
      'about',
      'really',
      'stageId',
    ]
    for (const old of [...names.map((name) => `"${name}":`), '"kind":"rung"']) expect(text).not.toContain(old)
    const { body } = await call('GET', `/api/households/${home}`)
    const grown = linesOf(first, 'sowings.jsonl').find(({ body: sowing }) => sowing.rungs) as unknown as {
      id: string
      body: { rungs: { stage: string }[] }
    }
    const now = body.sowings.find(({ id }: { id: string }) => id === grown.id)
    expect(now.body.stages.map(({ kind }: { kind: string }) => kind)).toEqual(
      grown.body.rungs.map(({ stage }) => stage),
    )
  })

  it('an archive of the first version is read for ever', async () => {
    const home = randomUUID()
    const done = await takeIn(home, readFileSync(FIRST_VERSION))
    expect(done.contradictions).toEqual([])
    const { body } = await call('GET', `/api/households/${home}`)
    expect(body.household.body.name).toBe('The first archive')
    expect(body.sowings.map((one: { body: { name: string } }) => one.body.name)).toEqual([
      'Cosmos by the gate',
    ])
    // What it moved is as it was: 40 seeds less those that were sown.
    const [packet] = body.packets as { body: { seeds: number } }[]
    const sown = body.entries.flatMap(
      (one: { body: { moves: { of: string; by: number }[] } }) => one.body.moves,
    )
    expect(packet!.body.seeds).toBe(
      sown
        .filter(({ of }: { of: string }) => of === 'packets')
        .reduce((sum: number, one: { by: number }) => sum + one.by, 0),
    )
  })
})

describe('into a household that lives', () => {
  const packetBody = { name: 'Dwarf okra', cropId: 'okra', supplier: 'swap', year: 2026, seeds: 100 }

  it('joins what happened, says what differs and what does not go together, and counts by the entries of both', async () => {
    const [home, other] = [randomUUID(), randomUUID()]
    const packet = randomUUID()
    await newHousehold(home, 'Both')
    const at = (household: string, what: string) => `/api/households/${household}/${what}`
    await call('PUT', at(home, ''), { version: 1, body: { name: 'Both', units: 'metric', season: SEASON } })
    await call('PUT', at(home, `packets/${packet}`), { version: 0, body: packetBody })
    await takeIn(other, await out(home))
    // Each goes on by itself: seed is counted down in both, the packet is renamed in one, each makes a batch 1.
    const count = async (household: string, seeds: number, name: string) => {
      const stood = (await call('GET', at(household, `packets/${packet}`))).body
      await call('PUT', at(household, `packets/${packet}`), {
        version: stood.version,
        body: { ...stood.body, seeds, name },
      })
    }
    await count(home, 90, packetBody.name)
    await count(other, 75, 'Dwarf okra, red')
    for (const household of [home, other])
      await call('PUT', at(household, `batches/${randomUUID()}`), {
        version: 0,
        body: {
          name: `Mix of ${household === home ? 'home' : 'the other'}`,
          recipeId: null,
          parts: [{ materialId: 'coir', parts: 1 }],
          fills: [{ containerId: 'tray-24', count: 1, coverMm: 0, coverMaterialId: 'mix' }],
          allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0.05 },
          scoop: { name: 'Pot', volumeL: 0.5 },
        },
      })
    const done = await takeIn(home, await out(other), 'newer')
    expect(done.differing.map(({ kind, newer }) => [kind, newer])).toEqual([['packets', 'archive']])
    expect(done.contradictions).toEqual([expect.stringContaining('becomes batch 2')])
    const { body } = await call('GET', at(home, ''))
    expect(body.packets[0].body).toMatchObject({ name: 'Dwarf okra, red', seeds: 100 - 10 - 25 })
    expect(body.batches.map(({ number }: { number: number }) => number)).toEqual([1, 2])
  })

  it('is refused where something was written since it was looked at', async () => {
    const home = randomUUID()
    await newHousehold(home)
    const file = await out(DEMO)
    const looked = await into(home, file)
    await call('PUT', `/api/households/${home}/tools/${randomUUID()}`, {
      version: 0,
      body: { name: 'Spoon', kind: 'spoon', capacityMl: 5 },
    })
    const late = await into(home, file, `seen=${looked.body.changes}`)
    expect(late.status).toBe(409)
    expect((await call('GET', `/api/households/${home}`)).body.recipes).toEqual([])
  })
})

describe('what is no archive is refused in words, and nothing is written', () => {
  const MANIFEST = strToU8(
    JSON.stringify({
      format: 'blastomix archive',
      version: 1,
      writtenAt: '2027-04-12T09:00:00Z',
      household: { id: DEMO, name: 'X' },
      lines: {},
      photos: 0,
    }),
  )
  const times = { createdAt: '2027-04-12T09:00:00Z', updatedAt: '2027-04-12T09:00:00Z' }
  const HOUSEHOLD = `${JSON.stringify({ version: 1, ...times, body: { name: 'Hostile', units: 'metric' } })}\n`
  const pack = (more: Zippable, manifest = MANIFEST) =>
    zipSync({ 'manifest.json': manifest, 'household.jsonl': strToU8(HOUSEHOLD), ...more })
  const line = (body: object, id: string = randomUUID()) =>
    strToU8(`${JSON.stringify({ id, version: 1, ...times, removedAt: null, body })}\n`)

  it.each<[string, () => Uint8Array, RegExp]>([
    ['a text with another name', () => strToU8('parts of coir: 3'), /no zip file/],
    ['one that was cut off', () => pack({}).slice(0, 200), /no zip file/],
    ['another zip', () => zipSync({ 'manifest.txt': strToU8('hello') }), /which no archive of Blastomix has/],
    ['no manifest', () => zipSync({ 'household.jsonl': strToU8(HOUSEHOLD) }), /no manifest\.json/],
    [
      'a name that leads out',
      () => pack({ '../../etc/cron.d/x': strToU8('x') }),
      /leads out of it|no archive/,
    ],
    ['a name with a drive', () => pack({ 'photos\\..\\x.webp': strToU8('x') }), /leads out of it|no archive/],
    [
      'a bomb',
      () => pack({ 'entries.jsonl': [new Uint8Array(60_000_000), { level: 9 }] }),
      /unfold to far more/,
    ],
    ['broken UTF-8', () => pack({ 'tools.jsonl': new Uint8Array([0x7b, 0xff, 0xfe, 0x0a]) }), /not UTF-8/],
    [
      'no JSON',
      () => pack({ 'tools.jsonl': strToU8('{"id": nonsense}\n') }),
      /tools\.jsonl, line 1 is not JSON/,
    ],
    ['no record', () => pack({ 'tools.jsonl': strToU8('[1]\n') }), /line 1 is no tool/],
    ['a record that is none', () => pack({ 'tools.jsonl': line({ name: '', kind: 'spoon' }) }), /body\.name/],
    [
      'one id twice',
      () => {
        const one = line({ name: 'Spoon', kind: 'spoon', capacityMl: 5 }, DEMO)
        return pack({ 'tools.jsonl': Buffer.concat([one, one]) })
      },
      /one id twice/,
    ],
    [
      'a version above all counting',
      () => {
        const one = JSON.parse(strFromU8(line({ name: 'Spoon', kind: 'spoon', capacityMl: 5 })))
        return pack({ 'tools.jsonl': strToU8(`${JSON.stringify({ ...one, version: 2 ** 31 - 1 })}\n`) })
      },
      /version/,
    ],
    [
      'a record that points at nothing',
      () =>
        pack({
          'packets.jsonl': line({
            name: 'Okra',
            cropId: randomUUID(),
            supplier: '',
            year: 2027,
            seeds: null,
          }),
        }),
      /points at a crop that is neither here nor in the archive/,
    ],
    [
      'a picture that is none',
      () => {
        const id = randomUUID()
        return pack({
          'photo-files.jsonl': strToU8(
            `${JSON.stringify({ id, digest: 'x', takenOn: null, width: 1, height: 1, createdAt: times.createdAt })}\n`,
          ),
          [`photos/${id}.webp`]: strToU8('no picture'),
        })
      },
      /photos.*no picture/,
    ],
    [
      'a format that is not yet',
      () => pack({}, strToU8(strFromU8(MANIFEST).replace('"version":1', '"version":99'))),
      /Bring Blastomix up to date/,
    ],
  ])('%s', async (_, make, words) => {
    const home = randomUUID()
    const file = make()
    // Making a bomb takes seconds: a connection the server has closed meanwhile is noticed before it is used again.
    await setTimeout(100)
    const looked = await into(home, file)
    expect(looked.status).toBe(422)
    expect(looked.body.detail).toMatch(words)
    expect((await into(home, file, 'seen=0')).status).toBe(422)
    expect(await isThere(home)).toBe(false)
  })
})
