import { randomUUID } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import { call } from './test/calling'

/* What people type, read over the wire: with a household, and without. */

const TODAY = '2027-04-14'
const read = async (kind: string, text: string, more: object = {}) =>
  call('POST', '/api/compute/read', { kind, text, today: TODAY, ...more })

describe('a text that is sent to be read', () => {
  it('comes back as its meaning, in a sentence and word by word', async () => {
    const { status, body } = await read('log', 'yesterday 9 of 12 fennel came up')
    expect(status).toBe(200)
    expect(body.questions).toEqual([])
    expect(body.readings).toHaveLength(1)
    expect(body.readings[0].says).toMatch(/^Up: 9 of 12 fennel, on Tuesday 13 April 2027$/)
    expect(body.readings[0].meaning[0]).toMatchObject({ kind: 'look', count: 9, of: 12, on: '2027-04-13' })
    expect(body.words.map(({ text }: { text: string }) => text)).toEqual([
      'yesterday',
      '9 of 12',
      'fennel',
      'came up',
    ])
  })
  it('in the kitchen and the order of days that is said', async () => {
    const on = async (units: string) =>
      (await read('wish', '12 leeks by 6/5', { units, today: '2027-01-10' })).body.readings[0].meaning[0]
        .outOn
    expect([await on('us'), await on('imperial')]).toEqual(['2027-06-05', '2027-05-06'])
  })
  it('is asked about with what it could be, and each answer is a text that can be sent', async () => {
    const { body } = await read('recipe', '2 parts soil, 1 part grit')
    expect(body.readings).toEqual([])
    const [question] = body.questions
    expect(question.choices.length).toBeGreaterThan(1)
    const again = await read('recipe', question.choices[0].text)
    expect(again.body.readings).toHaveLength(1)
  })
  it('knows the trays, the places and the names of a household that is named', async () => {
    const household = randomUUID()
    await call('PUT', `/api/households/${household}`, { version: 0, body: { name: 'Readers', units: 'us' } })
    const tray = {
      ...{ name: 'Mint', containerId: 'tray-72', rows: 6, columns: 12, placeId: null, emptiedOn: null },
      groups: [
        {
          code: 'A',
          name: 'Mint',
          cropId: 'mint',
          sowingId: null,
          stage: 0,
          packetId: null,
          seedsPerCell: 1,
        },
      ],
      cells: Array.from({ length: 72 }, (_, i) => (i < 12 ? 'A' : '')),
    }
    const made = await call('PUT', `/api/households/${household}/trays/${randomUUID()}`, {
      version: 0,
      body: tray,
    })
    expect(made.status).toBe(200)
    const known = await read('log', `tray ${made.body.number} leggy`, { household })
    expect(known.body.readings[0].meaning[0]).toMatchObject({ trayIds: [made.body.id], signs: ['leggy'] })
    const unknown = await read('log', 'tray 977 leggy', { household })
    expect(unknown.body.questions[0].question).toContain('977')
    expect((await read('log', 'tray 1 leggy', { household: randomUUID() })).status).toBe(404)
  })
  it('whatever it is', async () => {
    for (const text of ['', 'x'.repeat(5000), '🍅', '\u202eabc', '1'.repeat(300), 'a\n'.repeat(900)]) {
      const { status, body } = await read('list', text)
      expect([status, body.questions?.length > 0]).toEqual([200, true])
    }
    expect((await read('poem', 'roses')).status).toBe(422)
    expect((await read('log', 'x'.repeat(20_001))).status).toBe(422)
  })
})
