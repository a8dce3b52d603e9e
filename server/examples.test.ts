import { randomUUID } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import { COLLECTION_NAMES } from '#shared/records/collection-names'
import { call, newHousehold } from './test/calling'

/* An example beside one’s own: whole, apart from every other household, and gone when it is thrown away. */
interface Kept {
  household: { id: string; version: number; body: { name: string; clock: { day: string } | null } }
  [collection: string]: unknown
}
const read = async (id: string) => (await call('GET', `/api/households/${id}`)).body as unknown as Kept
const make = async () => ((await call('POST', '/api/examples', {})).body as unknown as { id: string }).id

describe('an example', () => {
  it('holds something of every kind, on a day of its own, and shares nothing with another', async () => {
    const [one, other] = [await make(), await make()]
    const kept = await read(one)
    expect(kept.household.body.clock!.day).toBe('2027-04-12')
    for (const collection of COLLECTION_NAMES)
      expect([collection, (kept[collection] as unknown[]).length > 0]).toEqual([collection, true])
    const [recipe] = kept.recipes as { id: string; version: number; body: object }[]
    const changed = await call('PUT', `/api/households/${one}/recipes/${recipe!.id}`, {
      version: recipe!.version,
      body: { ...recipe!.body, name: 'Changed in one' },
    })
    expect(changed.status).toBe(200)
    const names = ((await read(other)).recipes as { body: { name: string } }[]).map(({ body }) => body.name)
    expect(names).not.toContain('Changed in one')
  })

  it('thrown away it is gone, and one’s own stays', async () => {
    const mine = randomUUID()
    await newHousehold(mine, 'Mine')
    const example = await make()
    const { household } = await read(example)
    const gone = await call('DELETE', `/api/households/${example}?version=${household.version}`)
    expect(gone.status).toBe(200)
    expect((await call('GET', `/api/households/${example}`)).status).toBe(404)
    expect((await read(mine)).household.body.name).toBe('Mine')
  })
})
