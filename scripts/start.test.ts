import { spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
  readdirSync,
} from 'node:fs'
import pg from 'pg'
import { createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals'

jest.setTimeout(120_000)

const folder = mkdtempSync(join(tmpdir(), 'blastomix-start-'))
chmodSync(folder, 0o755)
const running = new Set<ChildProcess>()

const start = (args: string[] = [], env: Record<string, string> = {}) => run('./start', args, env)
function run(command: string, args: string[] = [], env: Record<string, string> = {}) {
  const child = spawn(command, args, {
    // Devices would write readings between two backups that are compared row by row.
    env: {
      ...process.env,
      BLASTOMIX_DATA_DIR: folder,
      DATABASE_URL: '',
      BLASTOMIX_SIMULATED: 'off',
      ...env,
    },
  })
  running.add(child)
  let output = ''
  const ended = new Promise<number | null>((resolve) => child.once('exit', (code) => resolve(code)))
  const ready = new Promise<string>((resolve, reject) => {
    const read = (chunk: Buffer) => {
      output += chunk
      const address = /ready at (\S+)/.exec(output)?.[1]
      if (address) resolve(address)
    }
    child.stdout!.on('data', read)
    child.stderr!.on('data', read)
    void ended.then(() => reject(new Error(`ended early: ${output}`)))
  })
  ready.catch(() => {})
  return { child, ready, ended, output: () => output.trim() }
}
const alive = (pid: number) =>
  existsSync(`/proc/${pid}`) && !/\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'))
const postmaster = () =>
  Number(readFileSync(join(folder, 'postgres/data/postmaster.pid'), 'utf8').split('\n')[0])

afterAll(() => {
  for (const child of running) child.kill('SIGTERM')
  rmSync(folder, { recursive: true, force: true })
})

describe('./start', () => {
  let port: number
  beforeAll(async () => {
    port = await new Promise((resolve) => {
      const probe = createServer().listen(0, '127.0.0.1', () => {
        const { port: free } = probe.address() as { port: number }
        probe.close(() => resolve(free))
      })
    })
  })

  it('keeps what was saved through a clean stop and through kill -9', async () => {
    const first = start(['--port', String(port)])
    const address = await first.ready
    expect(address).toBe(`http://127.0.0.1:${port}`)
    const [household] = (await (await fetch(`${address}/api/households`)).json()) as {
      id: string
      version: number
      body: { name: string }
    }[]
    const body = { ...household!.body, place: 'by the long shelf' }
    const put = await fetch(`${address}/api/households/${household!.id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version: household!.version, body }),
    })
    expect(put.status).toBe(200)
    expect(statSync(join(folder, 'password')).mode & 0o777).toBe(0o600)
    for (const own of [folder, join(folder, 'log')])
      expect([own, statSync(own).mode & 0o777]).toEqual([own, 0o700])

    // A removal that is refused writes nothing; one that is done writes the household out first, and no other file.
    const another = `${address}/api/households/${randomUUID()}`
    await fetch(another, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version: 0, body: { name: 'To be removed', units: 'metric' } }),
    })
    const kept = () =>
      readdirSync(join(folder, 'backups'), { recursive: true }).filter((name) =>
        /removed|before/.test(String(name)),
      )
    const remove = async (version: number) =>
      (await fetch(`${another}?version=${version}`, { method: 'DELETE' })).status
    for (let n = 0; n < 5; n++) expect(await remove(7)).toBe(409)
    expect(kept()).toEqual([])
    expect(await remove(1)).toBe(200)
    expect(kept()).toHaveLength(1)

    const database = postmaster()
    first.child.kill('SIGTERM')
    expect(await first.ended).toBe(0)
    expect(alive(database)).toBe(false)

    const second = start(['--port', String(port)])
    await second.ready
    second.child.kill('SIGKILL')
    await second.ended
    const left = postmaster()
    expect(alive(left)).toBe(true)

    const third = start(['--port', String(port), '--empty'])
    const again = (await (await fetch(`${await third.ready}/api/households`)).json()) as {
      body: { place: string }
    }[]
    expect(again.map(({ body: kept }) => kept.place)).toEqual(['by the long shelf'])

    const twice = start(['--port', String(port + 1 < 65536 ? port + 1 : port - 1)])
    expect(await twice.ended).not.toBe(0)
    expect(twice.output()).toMatch(/already runs from this folder, on port/)
    third.child.kill('SIGINT')
    expect(await third.ended).toBe(0)
    expect(alive(left)).toBe(false)
  })

  it('sets up again what fell over, and takes a backup that comes back row by row', async () => {
    const up = start(['--port', String(port)])
    const address = await up.ready
    const [household] = (await (await fetch(`${address}/api/households`)).json()) as { id: string }[]
    const tools = `${address}/api/households/${household!.id}/tools`
    const put = (n: number) =>
      fetch(`${tools}/${randomUUID()}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', 'idempotency-key': randomUUID() },
        body: JSON.stringify({ version: 0, body: { name: `Jug ${n}`, kind: 'jug', capacityMl: 1000 } }),
      }).then(
        ({ status }) => status,
        () => 0,
      )
    const listed = async () => ((await (await fetch(tools)).json()) as unknown[]).length
    const until = async (test: () => Promise<boolean>) => {
      while (!(await test().catch(() => false))) await new Promise((resolve) => setTimeout(resolve, 100))
    }
    const before = await listed()

    process.kill(postmaster(), 'SIGKILL')
    await until(async () => (await fetch(`${address}/api/ready`)).ok)
    // While it writes, a backup is taken: what it holds stood at one moment.
    let acknowledged = 0
    let writing = true
    const writer = (async () => {
      for (let n = 0; writing; n++) if ((await put(n)) === 200) acknowledged++
    })()
    await until(async () => acknowledged > 5)
    const file = join(folder, 'one.backup')
    const backup = run('./backup', [file])
    expect(await backup.ended).toBe(0)
    writing = false
    await writer
    expect(await listed()).toBe(before + acknowledged)
    expect(JSON.parse(readFileSync(`${file}.json`, 'utf8')).counts['public.tool']).toBeGreaterThan(before)

    const beside = run('./restore', [file])
    expect(await beside.ended).toBe(0)
    const restored = /into (\S+)\.$/m.exec(beside.output())![1]!
    expect(restored).not.toBe(folder)
    up.child.kill('SIGTERM')
    await up.ended

    const there = start(['--port', String(port)], { BLASTOMIX_DATA_DIR: restored })
    await there.ready
    const again = run('./backup', [join(folder, 'two.backup')], { BLASTOMIX_DATA_DIR: restored })
    expect(await again.ended).toBe(0)
    // Every row of every table, but for what the second start noted of itself.
    const digests = (name: string) => JSON.parse(readFileSync(join(folder, name), 'utf8')).digests
    expect(digests('two.backup.json')).toEqual(digests('one.backup.json'))
    there.child.kill('SIGTERM')
    await there.ended
    rmSync(restored, { recursive: true, force: true })
  })

  it('never deletes what it did not make, and signals no stranger', async () => {
    const data = join(folder, 'postgres/data')
    renameSync(join(data, 'PG_VERSION'), join(folder, 'PG_VERSION'))
    const torn = start(['--port', String(port)])
    expect(await torn.ended).toBe(1)
    expect(torn.output()).toMatch(/PG_VERSION is missing\)\. Nothing was touched/)
    renameSync(join(folder, 'PG_VERSION'), join(data, 'PG_VERSION'))

    renameSync(join(folder, 'postgres'), join(folder, 'elsewhere'))
    const gone = start(['--port', String(port)])
    expect(await gone.ended).toBe(1)
    expect(gone.output()).toMatch(/its data are gone\. Nothing was touched/)
    renameSync(join(folder, 'elsewhere'), join(folder, 'postgres'))

    // The lock file names a process that is somebody else's by now, and the password is lost.
    const stranger = spawn('sleep', ['300'])
    writeFileSync(
      join(data, 'postmaster.pid'),
      [stranger.pid, data, '1', '5999', '', '127.0.0.1', '', 'ready', ''].join('\n'),
    )
    rmSync(join(folder, 'password'))
    const up = start(['--port', String(port)])
    const households = (await (await fetch(`${await up.ready}/api/households`)).json()) as unknown[]
    expect(households).toHaveLength(1)
    expect(alive(stranger.pid!)).toBe(true)
    stranger.kill()

    const client = new pg.Client({
      host: '127.0.0.1',
      port: Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[3]),
      user: 'blastomix',
      database: 'blastomix',
      password: readFileSync(join(folder, 'password'), 'utf8'),
    })
    await client.connect()
    const { rows } = await client.query(
      `select usename, usesuper from pg_stat_activity join pg_user using (usename) where datname = 'blastomix' and pid <> pg_backend_pid()`,
    )
    expect(rows.length).toBeGreaterThan(0)
    expect(rows.every(({ usesuper }) => usesuper === false)).toBe(true)
    await client.query(
      `insert into drizzle.__drizzle_migrations (hash, created_at) values ('of tomorrow', 4102444800000)`,
    )
    await client.end()
    up.child.kill('SIGTERM')
    await up.ended
    const newer = start(['--port', String(port)])
    expect(await newer.ended).toBe(1)
    expect(newer.output()).toMatch(/written by a newer Blastomix .* Nothing was changed/)
  })

  it('says in one sentence what is wrong, and leaves with a failure', async () => {
    const taken: Server = await new Promise((resolve) => {
      const server = createServer().listen(port, '127.0.0.1', () => resolve(server))
    })
    const cases: [string[], Record<string, string>, RegExp][] = [
      [['--port', String(port)], {}, /^Port \d+ is in use\. Choose another with --port\.$/],
      [['--port', 'many'], {}, /^--port takes a number/],
      [['--host', '0.0.0.0'], {}, /^--host 0\.0\.0\.0 lets everybody .* --trust-network\.$/],
      [['--prot', '1'], {}, /^Unknown option '--prot'\. \.\/start --help lists the options\.$/],
      [
        [],
        { DATABASE_URL: 'postgres://nobody:x@127.0.0.1:9/none' },
        /^The database at 127\.0\.0\.1:9 does not answer: .*\.$/,
      ],
    ]
    for (const [args, env, message] of cases) {
      const refused = start(args, env)
      expect(await refused.ended).toBe(1)
      expect(refused.output()).toMatch(message)
    }
    taken.close()
  })
})
