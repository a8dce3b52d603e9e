import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { call, newHousehold } from './test/calling'

/* The command line as a script runs it, against the built application. */

const folder = mkdtempSync(join(tmpdir(), 'blastomix-command-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))
const household = randomUUID()
beforeAll(async () => {
  await newHousehold(household, 'By script')
  for (const name of ['Soup spoon', 'Green jug'])
    await call('PUT', `/api/households/${household}/tools/${randomUUID()}`, {
      version: 0,
      body: { name, kind: 'jug', capacityMl: 750 },
    })
})

/** @returns what it prints, on both, and how it ended */
const blastomix = (words: readonly string[], typed = '') =>
  new Promise<{ code: number | null; out: string; err: string }>((done) => {
    const child = spawn(process.execPath, [resolve('scripts/blastomix.mjs'), ...words], { cwd: folder })
    let [out, err] = ['', '']
    child.stdout.on('data', (piece: Buffer) => (out += String(piece)))
    child.stderr.on('data', (piece: Buffer) => (err += String(piece)))
    child.on('close', (code) => done({ code, out, err }))
    child.stdin.end(typed)
  })
const toolsOf = async (id: string) =>
  ((await call('GET', `/api/households/${id}/tools`)).body as { id: string; body: object }[]).map(
    ({ id: tool, body }) => [tool, body],
  )

describe('the command line', () => {
  it('takes everything out, looks at it without writing, and takes it in under a new id', async () => {
    const file = join(folder, 'all.zip')
    expect((await blastomix(['export', '--household', household, '--out', file])).code).toBe(0)
    const looked = await blastomix(['import', file, '--new'])
    expect([looked.code, looked.err]).toEqual([0, ''])
    const { household: none } = JSON.parse(looked.out) as { household: string }
    expect((await call('GET', `/api/households/${none}`)).status).toBe(404)
    const taken = await blastomix(['import', file, '--new', '--write'])
    expect([taken.code, taken.err]).toEqual([0, ''])
    const { household: made } = JSON.parse(taken.out) as { household: string }
    expect(await toolsOf(made)).toEqual(await toolsOf(household))
  })
  it('never writes over a file that nobody named', async () => {
    const first = await blastomix(['export', '--household', household])
    const { file } = JSON.parse(first.out) as { file: string }
    expect(existsSync(join(folder, file))).toBe(true)
    const second = await blastomix(['export', '--household', household])
    expect([second.code, second.err]).toEqual([1, expect.stringMatching(/is there already; say --out/)])
  })
  it('computes what the pages compute, from a file or as it is typed', async () => {
    const ask = { plants: 36, germination: 0.8, up: 31, of: 40 }
    const { body } = await call('POST', '/api/compute/odds', ask)
    writeFileSync(join(folder, 'ask.json'), JSON.stringify(ask))
    for (const one of [
      await blastomix(['compute', 'odds', 'ask.json']),
      await blastomix(['compute', 'odds'], JSON.stringify(ask)),
    ])
      expect([one.code, JSON.parse(one.out)]).toEqual([0, body])
  })
  it.each([
    [['compute', 'odds'], '{"plants": 36, "germination": 0.8, "up": 9, "of": 4}', /up/],
    [['compute', '../households'], '{}', /Say what to compute/],
    [['import', 'nowhere.zip'], '', /There is no file/],
    [['dance'], '', /There is no “dance”/],
    [['export', '--address', 'http://127.0.0.1:9'], '', /Nothing answers/],
  ])('says what is wrong on standard error, and ends with 1: %j', async (words, typed, why) => {
    const { code, out, err } = await blastomix(words, typed)
    expect([code, out]).toEqual([1, ''])
    expect(err).toMatch(why)
  })
})
