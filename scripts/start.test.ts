import { spawn, type ChildProcess } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { createServer, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it, jest } from '@jest/globals'

jest.setTimeout(120_000)

const folder = mkdtempSync(join(tmpdir(), 'blastomix-start-'))
chmodSync(folder, 0o755)
const running = new Set<ChildProcess>()

function start(args: string[] = [], env: Record<string, string> = {}) {
  const child = spawn('./start', args, {
    env: { ...process.env, BLASTOMIX_DATA_DIR: folder, DATABASE_URL: '', ...env },
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

  it('says in one sentence what is wrong, and leaves with a failure', async () => {
    const taken: Server = await new Promise((resolve) => {
      const server = createServer().listen(port, '127.0.0.1', () => resolve(server))
    })
    const cases: [string[], Record<string, string>, RegExp][] = [
      [['--port', String(port)], {}, /^Port \d+ is in use\. Choose another with --port\.$/],
      [['--port', 'many'], {}, /^--port takes a number/],
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
