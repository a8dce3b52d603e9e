import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { chmodSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it, jest } from '@jest/globals'
import { max, median, min } from 'simple-statistics'

jest.setTimeout(process.env.DEEP ? 1_500_000 : 180_000)

/** `./test deep` kills thirty times, `./test` twice. */
const KILLS = process.env.DEEP ? 30 : 2
const folder = mkdtempSync(join(tmpdir(), 'blastomix-kill-'))
chmodSync(folder, 0o755)
let up: ChildProcess
afterAll(async () => {
  const ended = new Promise((resolve) => (up.exitCode === null ? up.once('exit', resolve) : resolve(0)))
  up.kill('SIGTERM')
  await ended
  rmSync(folder, { recursive: true, force: true })
})
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

it('loses nothing that was acknowledged and does nothing twice, however often it is killed under writing', async () => {
  up = spawn('./start', ['--empty'], {
    env: {
      ...process.env,
      BLASTOMIX_DATA_DIR: folder,
      DATABASE_URL: '',
      BLASTOMIX_RESTARTS: '1000',
      BLASTOMIX_RATE_SCALE: '1000',
    },
  })
  const address = await new Promise<string>((resolve) => {
    let output = ''
    up.stdout!.on('data', (chunk) => {
      const ready = /ready at (\S+)/.exec((output += chunk))?.[1]
      if (ready) resolve(ready)
    })
  })
  const household = `${address}/api/households/${randomUUID()}`
  const put = (url: string, body: object, key: string, version = 0) =>
    fetch(url, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'idempotency-key': key },
      body: JSON.stringify({ version, body }),
      signal: AbortSignal.timeout(20_000),
    }).then(
      async (answer) => ({ status: answer.status, body: (await answer.json()) as { version?: number } }),
      () => ({ status: 0, body: {} as { version?: number } }),
    )
  expect((await put(household, { name: 'Killed', place: '', units: 'metric' }, randomUUID())).status).toBe(
    200,
  )

  const acknowledged: string[] = []
  let writing = true
  const writer = async () => {
    while (writing && up.exitCode === null) {
      const id = randomUUID()
      const key = randomUUID()
      // As the page does: the same act, sent until it is answered.
      for (let answered = false; !answered && up.exitCode === null;) {
        const { status, body } = await put(
          `${household}/tools/${id}`,
          { name: 'Jug', kind: 'jug', capacityMl: 1000 },
          key,
        )
        answered = status === 200
        if (answered) {
          expect(body.version).toBe(1)
          acknowledged.push(id)
        } else {
          expect([0, 503]).toContain(status)
          await pause(100)
        }
      }
    }
  }
  // A job at the bench goes on meanwhile: each tick is sent, as the page sends it, until the server has it.
  const batchId = randomUUID()
  const batch = {
    name: 'Under the hand',
    recipeId: null,
    parts: [{ materialId: 'coir', parts: 1 }],
    fills: [{ containerId: 'tray-72', count: 1, coverMm: 0, coverMaterialId: 'mix' }],
    allowances: { fill: 0.9, fillUnderCover: 0.75, blockCompression: 2, mixingLossK: 0.1, spare: 0.05 },
    scoop: { name: 'Pot', volumeL: 0.5 },
  }
  expect((await put(`${household}/batches/${batchId}`, batch, randomUUID())).status).toBe(200)
  const job = `${household}/guidedJobs/${randomUUID()}`
  const subjects = [{ what: 'batches', id: batchId, stage: null }]
  const started = { name: 'Mix', kind: 'mix', subjects, onDay: '2027-04-12', marks: [] as object[] }
  expect((await put(job, started, randomUUID())).status).toBe(200)
  const ticked: string[] = []
  const hand = async () => {
    let version = 1
    let { marks } = started
    while (writing && up.exitCode === null) {
      const mark = {
        id: randomUUID(),
        step: `step ${ticked.length}`,
        what: 'done',
        at: new Date().toISOString(),
      }
      marks = [...marks, mark]
      const key = randomUUID()
      for (let answered = false; !answered && up.exitCode === null;) {
        const { status } = await put(job, { ...started, marks }, key, version)
        answered = status === 200
        if (!answered) await pause(100)
      }
      version++
      ticked.push(mark.id)
      await pause(60)
    }
  }
  // Jobs of twelve plots are ended meanwhile, each in one request: all of its entries are there, or none.
  const ended: string[] = []
  const press = (commands: object[], act: string) =>
    fetch(`${household}/commands`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ act, commands }),
      signal: AbortSignal.timeout(20_000),
    }).then(
      ({ status }) => status,
      () => 0,
    )
  const untilDone = async (commands: object[]) => {
    const act = randomUUID()
    for (let status = 0; status !== 200 && up.exitCode === null;) {
      status = await press(commands, act)
      if (status !== 200) {
        expect([0, 503]).toContain(status)
        await pause(60)
      }
    }
  }
  const codes = Array.from({ length: 12 }, (_, n) => String.fromCharCode(65 + n))
  const foreman = async () => {
    while (writing && up.exitCode === null) {
      const [tray, job] = [randomUUID(), randomUUID()]
      const body = {
        name: 'Twelve plots',
        containerId: 'tray-24',
        rows: 4,
        columns: 6,
        groups: codes.map((code) => ({ code, name: `Basil ${code}`, cropId: 'basil' })),
        cells: codes.flatMap((code) => [code, code]),
      }
      const at = new Date().toISOString()
      await untilDone([
        { name: 'save record', collection: 'trays', id: tray, version: 0, body },
        {
          name: 'begin job',
          id: job,
          body: { name: 'Sow', kind: 'sow', subjects: [{ what: 'trays', id: tray }], onDay: at.slice(0, 10) },
        },
        {
          name: 'mark job',
          id: job,
          marks: codes.map((code) => ({ id: randomUUID(), step: `sow ${tray} ${code}`, what: 'done', at })),
        },
      ])
      await untilDone([{ name: 'end job', id: job, by: 'Wren' }])
      ended.push(tray)
    }
  }
  const writers = [writer(), writer(), writer(), hand(), foreman()]
  const processOf = (word: string) =>
    readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .find((pid) => {
        try {
          const of = readFileSync(`/proc/${pid}/status`, 'utf8')
          return (
            readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word) &&
            new RegExp(`^PPid:\\s+${up.pid}$`, 'm').test(of)
          )
        } catch {
          return false
        }
      })
  /** Something was written again; ./start itself is never to fall over. */
  const writes = async () => {
    for (const before = acknowledged.length; acknowledged.length < before + 5; await pause(20))
      expect(up.exitCode).toBeNull()
  }
  /** From each kill until five more writes were acknowledged, ms. */
  const back: number[] = []
  await writes()
  for (let n = 0; n < KILLS; n++) {
    const victim =
      n % 2
        ? processOf('.output/server/index.mjs')
        : readFileSync(join(folder, 'postgres/data/postmaster.pid'), 'utf8').split('\n')[0]
    process.kill(Number(victim), 'SIGKILL')
    const from = performance.now()
    await writes()
    back.push(performance.now() - from)
  }
  writing = false
  await Promise.all(writers)

  const [least, middle, most] = [min(back), median(back), max(back)].map(
    (ms) => `${(ms / 1000).toFixed(1)} s`,
  )
  console.log(`${KILLS} kills: writing again after ${middle} (${least} to ${most})`)

  const stands = (await (await fetch(job)).json()) as { body: { marks: { id: string }[] } }
  expect(stands.body.marks.map(({ id }) => id)).toEqual(ticked)
  // Of every tray, ended or not, as many plots are sown as it has, or none.
  const sown = new Map<string, number>()
  for (let before = Infinity, more = true; more;) {
    const query = before === Infinity ? '' : `&before=${before}`
    const page = (await (await fetch(`${household}/entries?limit=500${query}`)).json()) as {
      number: number
      body: { cells: { trayId: string }[] }
    }[]
    for (const { body } of page)
      for (const { trayId } of body.cells) sown.set(trayId, (sown.get(trayId) ?? 0) + 1)
    more = page.length === 500
    before = page.at(-1)?.number ?? 0
  }
  expect(ended.length).toBeGreaterThan(0)
  expect([...sown.values()].every((plots) => plots === codes.length)).toBe(true)
  expect(ended.every((tray) => sown.get(tray) === codes.length)).toBe(true)

  const kept = new Set<string>()
  for (let url: string | null = `${household}/tools`; url;) {
    const answer: Response = await fetch(url)
    for (const { id } of (await answer.json()) as { id: string }[]) kept.add(id)
    const next = /<(\?[^>]+)>/.exec(answer.headers.get('link') ?? '')?.[1]
    url = next ? `${household}/tools${next}` : null
  }
  expect([...kept].sort()).toEqual([...acknowledged].sort())
})
