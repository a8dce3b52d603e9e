import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, it } from '@jest/globals'
import type { Stored } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'
import fc from 'fast-check'
import { pointersOf } from '#shared/records/references'
import { base, call } from './test/calling'
import { statements, withAt } from './test/statements'

/* What a record points at is there, in its own household: of every field that a kind states, however deep. */

type Record_ = Stored<Record<string, unknown>>
type Kept = { [C in Collection]: Record_[] }
const read = async (id: string) => (await call('GET', `/api/households/${id}`)).body as unknown as Kept
let household: string
let kept: Kept
let others: Kept

beforeAll(async () => {
  const made = await Promise.all([0, 1].map(() => call('POST', '/api/examples', {})))
  const [one, other] = made.map(({ body }) => (body as unknown as { id: string }).id) as [string, string]
  household = one
  kept = await read(one)
  others = await read(other)
})

const put = (collection: Collection, body: unknown, id = randomUUID() as string, version = 0) =>
  call('PUT', `/api/households/${household}/${collection}/${id}`, { version, body })
const fields = (answer: Awaited<ReturnType<typeof put>>) =>
  ((answer.body as { errors?: { field: string }[] }).errors ?? []).map(({ field }) => field)

describe('a reference', () => {
  it.each(statements)('%s: %s is a row of the household', async (collection, path, among, isSaid) => {
    const target = among[0] as Collection
    const own = kept[collection] ?? []
    const made = own.map(({ body }) =>
      withAt(body, path.split('.'), randomUUID(), isSaid ? target : undefined),
    )
    const body = made.find((one) => one !== null)
    expect([path, body !== undefined]).toEqual([path, true])
    const field = `body.${path.split('.')[0]}`
    const unknown = await put(collection, body)
    expect(unknown.status).toBe(422)
    expect(fields(unknown).some((one) => one.startsWith(field))).toBe(true)
    // What is a row elsewhere is none here.
    const there = (others[target] ?? []).find(({ id }) => !(kept[target] ?? []).some((one) => one.id === id))
    if (!there) return
    const source = own[made.indexOf(body!)]!.body
    const elsewhere = await put(
      collection,
      withAt(source, path.split('.'), there.id, isSaid ? target : undefined),
    )
    expect([elsewhere.status, fields(elsewhere).some((one) => one.startsWith(field))]).toEqual([422, true])
  })
})

it('whatever record is made, one wrong reference anywhere in it is refused', async () => {
  const all = statements.map(([collection]) => collection)
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...new Set(all)).chain((collection) =>
        fc.record({
          collection: fc.constant(collection),
          body: fc.constantFrom(...kept[collection].map(({ body }) => body)),
          // Fields that point nowhere are as somebody writes them.
          name: fc.string({ minLength: 1, maxLength: 40 }).filter((text) => text.trim().length > 0),
          which: fc.nat(),
          wrong: fc.uuid(),
        }),
      ),
      async ({ collection, body, name, which, wrong }) => {
        const real = collection === 'devices' ? { ...body, simulated: false, fault: null } : body
        const pointers = pointersOf(collection, real as never)
        fc.pre(pointers.length > 0)
        const { path } = pointers[which % pointers.length]!
        const refused = await put(collection, setAt({ ...real, name }, path, wrong))
        expect([refused.status, fields(refused).length > 0]).toEqual([422, true])
      },
    ),
    { numRuns: 60 * Number(process.env.DEEP ?? 1) },
  )
})
const setAt = (value: unknown, [key, ...rest]: readonly (string | number)[], next: unknown): unknown =>
  key === undefined
    ? next
    : Array.isArray(value)
      ? value.map((one, i) => (i === key ? setAt(one, rest, next) : (one as unknown)))
      : { ...(value as object), [key]: setAt((value as Record<string, unknown>)[key], rest, next) }

describe('what stays as it was', () => {
  it('marks of a guided job are only added to', async () => {
    const job = kept.guidedJobs.find(({ body }) => (body['marks'] as unknown[]).length > 1)!
    const marks = job.body['marks'] as Record<string, unknown>[]
    const save = (next: unknown) => put('guidedJobs', { ...job.body, marks: next }, job.id, job.version)
    for (const next of [[], marks.slice(1), [{ ...marks[0], note: 'another' }, ...marks.slice(1)]]) {
      const refused = await save(next)
      expect([refused.status, fields(refused)]).toEqual([422, ['body.marks']])
    }
    expect((await save([...marks, { ...marks[0], id: randomUUID() }])).status).toBe(200)
    const history = await call('GET', `/api/households/${household}/guidedJobs/${job.id}/history`)
    expect((history.body as unknown as Record_[])[0]!.body['marks']).toEqual(marks)
  })
  it.each(['guidedJobs', 'devices', 'photos', 'trials'] as const)(
    '%s have a history like every record',
    async (kind) => {
      const { body } = kept[kind][0]!
      const real = kind === 'devices' ? { ...body, simulated: false, fault: null } : body
      const { id, body: made } = (await put(kind, real)).body as unknown as Record_
      expect((await put(kind, { ...made, name: 'Another name' }, id, 1)).status).toBe(200)
      const history = (await call('GET', `/api/households/${household}/${kind}/${id}/history`)).body
      expect(
        (history as unknown as { version: number; body: { name: string } }[]).map((one) => [
          one.version,
          one.body.name,
        ]),
      ).toEqual([[1, made['name']]])
    },
  )
  it('a device is simulated or real from its beginning', async () => {
    const device = kept.devices.find(({ body }) => body['simulated'])!
    const refused = await put('devices', { ...device.body, simulated: false }, device.id, device.version)
    expect([refused.status, fields(refused)]).toEqual([422, ['body.simulated']])
    const real = await put('devices', { ...device.body, simulated: false, fault: null })
    const { id, version, body } = real.body as unknown as Record_
    const turned = await put('devices', { ...body, simulated: true }, id, version)
    expect([real.status, turned.status, fields(turned)]).toEqual([200, 422, ['body.simulated']])
    // Simulated ones come with an example, and in no other way.
    const added = await put('devices', device.body)
    expect([added.status, fields(added)]).toEqual([422, ['body.simulated']])
  })
})

describe('what is odd is answered in words', () => {
  it('a NUL behind the question mark is left out', async () => {
    for (const query of ['words=%00leek', 'placeId=%00', 'subject=%00'])
      expect([query, (await call('GET', `/api/households/${household}/log?${query}`)).status < 500]).toEqual([
        query,
        true,
      ])
  })
  it.each([
    ['DTSTART'],
    ['DTSTART:'],
    ['DTSTART:never'],
    ['DTSTART;VALUE=DATE:20270132'],
    ['DTSTART;VALUE=DATE:20270402\r\nRRULE:FREQ=NEVER'],
  ])('an event of a calendar with %j spoils none of the others', async (start) => {
    const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:x', ...lines, 'END:VEVENT']
    const good = event('DTSTART;VALUE=DATE:20270402', 'DTEND;VALUE=DATE:20270405', 'SUMMARY:Sea')
    const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', ...event(start), ...good, 'END:VCALENDAR', ''].join(
      '\r\n',
    )
    const answer = await fetch(`${base}/api/households/${household}/calendar`, {
      method: 'POST',
      headers: { 'content-type': 'text/calendar' },
      body: text,
    })
    expect([200, 422]).toContain(answer.status)
  })
})
