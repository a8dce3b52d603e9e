import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, it, jest } from '@jest/globals'

jest.setTimeout(180_000)

const folder = mkdtempSync(join(tmpdir(), 'blastomix-full-'))
/** A small disk of its own, where this machine lets one be made. */
const small = (() => {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=110m,mode=755', 'tmpfs', folder], { stdio: 'ignore' })
    return true
  } catch {
    return false
  }
})()
let up: ChildProcess | undefined
afterAll(async () => {
  if (up?.exitCode === null) {
    const ended = new Promise((resolve) => up!.once('exit', resolve))
    up.kill('SIGTERM')
    await ended
  }
  if (small) execFileSync('umount', [folder])
  rmSync(folder, { recursive: true, force: true })
})

;(small ? it : it.skip)(
  'a disk that fills: writes say so, reads go on, and room is enough to go on',
  async () => {
    up = spawn('./start', [], {
      env: {
        ...process.env,
        BLASTOMIX_DATA_DIR: join(folder, 'data'),
        DATABASE_URL: '',
        BLASTOMIX_RATE_SCALE: '1000',
      },
    })
    const address = await new Promise<string>((resolve) => {
      let output = ''
      up!.stdout!.on('data', (chunk) => {
        const ready = /ready at (\S+)/.exec((output += chunk))?.[1]
        if (ready) resolve(ready)
      })
    })
    const [household] = (await (await fetch(`${address}/api/households?limit=1`)).json()) as { id: string }[]
    const recipes = `${address}/api/households/${household!.id}/recipes`
    const write = async () => {
      const answer = await fetch(`${recipes}/${randomUUID()}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          version: 0,
          body: {
            name: 'Mix',
            reasoning: 'x'.repeat(600),
            parts: [{ materialId: 'coir', parts: 1 }],
            extras: [],
            preparations: [],
          },
        }),
      })
      return { status: answer.status, body: (await answer.json()) as { detail: string } }
    }
    const count = async () => ((await (await fetch(`${recipes}?limit=500`)).json()) as unknown[]).length
    // The first backup is written about now; afterwards nothing but what is asked for here takes room.
    for (let last = null; !last; await new Promise((resolve) => setTimeout(resolve, 100)))
      last = ((await (await fetch(`${address}/api/backups`)).json()) as { last: object | null }).last
    // The database writes meanwhile: what was free may be gone.
    for (let tried = 0; ; tried++)
      try {
        const { bavail, bsize } = statfsSync(folder)
        writeFileSync(join(folder, 'fill'), Buffer.alloc(Math.max(0, bavail * bsize - 40 * 1024)))
        break
      } catch (error) {
        rmSync(join(folder, 'fill'), { force: true })
        if (tried === 5) throw error
      }

    const before = await count()
    let written = 0
    let answer = await write()
    for (; answer.status === 200 && written < 400; answer = await write()) written++
    expect([answer.status, answer.body.detail]).toEqual([507, expect.stringContaining('nothing was written')])
    expect(await count()).toBe(before + written)

    rmSync(join(folder, 'fill'))
    expect((await write()).status).toBe(200)
    expect(await count()).toBe(before + written + 1)
  },
)

;(small ? it : it.skip)(
  'a disk nothing may be written to: one sentence, and nothing is left running',
  async () => {
    const readOnly = join(folder, 'read-only')
    mkdirSync(readOnly)
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'ro,size=1m', 'tmpfs', readOnly])
    try {
      const child = spawn('./start', [], {
        env: { ...process.env, BLASTOMIX_DATA_DIR: join(readOnly, 'data'), DATABASE_URL: '' },
      })
      let output = ''
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (output += chunk))
      expect(await new Promise((resolve) => child.once('close', resolve))).toBe(1)
      expect(output.trim().split('\n')).toHaveLength(1)
      expect(output).toMatch(/read-only/i)
    } finally {
      execFileSync('umount', [readOnly])
    }
  },
)
