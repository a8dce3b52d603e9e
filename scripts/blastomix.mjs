import { createReadStream, createWriteStream, existsSync, readFileSync } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { randomUUID } from 'node:crypto'
import { parseArgs } from 'node:util'

const HELP = `npm run blastomix -- <what> [options]

  households                        which there are
  export [--household ID] [--out FILE]
                                    everything of a household, as one archive
  import FILE [--household ID | --new] [--differing here|archive|newer] [--write]
                                    look at what an archive would change; with --write take it in
  compute WHAT [FILE]               one of the computations of /api/openapi.json, as \`compute dose ask.json\`;
                                    without a file it is read from standard input

  --address URL   where Blastomix answers (else BLASTOMIX_URL, else what ./start says it runs at)

It asks the running Blastomix, so it does what the pages do, by the same rules. Answers are JSON; what is refused is said on
standard error, and the exit code is 1.`

class Refused extends Error {}

function readCommand() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        address: { type: 'string' },
        household: { type: 'string' },
        out: { type: 'string' },
        new: { type: 'boolean', default: false },
        differing: { type: 'string', default: 'here' },
        write: { type: 'boolean', default: false },
        help: { type: 'boolean', short: 'h', default: false },
      },
    })
  } catch (error) {
    throw new Refused(`${error.message}\n\n${HELP}`)
  }
}

/** Where it runs: as told, or as the data folder says. */
function addressOf(said) {
  if (said ?? process.env.BLASTOMIX_URL) return (said ?? process.env.BLASTOMIX_URL).replace(/\/$/, '')
  const file = `${process.env.BLASTOMIX_DATA_DIR || '.data'}/running.json`
  const port = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).port : 3000
  return `http://127.0.0.1:${port}`
}

async function ask(address, path, options = {}) {
  const answer = await fetch(`${address}${path}`, options).catch(() => {
    throw new Refused(`Nothing answers at ${address}. Start Blastomix with ./start, or say --address.`)
  })
  if (answer.ok) return answer
  const problem = await answer.json().catch(() => ({}))
  const errors = (problem.errors ?? []).map(({ field, message }) => `  ${field}: ${message}`)
  throw new Refused([problem.detail ?? `It answers ${answer.status}.`, ...errors].join('\n'))
}
const asJson = async (answer) => (await answer).json()
const print = (value) => console.log(JSON.stringify(value, null, 2))

async function chosenHousehold(address, said) {
  const all = await asJson(ask(address, '/api/households?limit=100'))
  if (said) return said
  if (all.length === 1) return all[0].id
  throw new Refused(
    `Say which household with --household:\n${all.map(({ id, body }) => `  ${id}  ${body.name}`).join('\n')}`,
  )
}

async function exportArchive(address, { household, out }) {
  const id = await chosenHousehold(address, household)
  const answer = await ask(address, `/api/households/${id}/archive`)
  const named = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1]
  const file = out ?? named ?? 'blastomix.zip'
  // Never over what is there.
  await pipeline(Readable.fromWeb(answer.body), createWriteStream(file, { flags: out ? 'w' : 'wx' }))
  print({ file })
}

async function importArchive(address, file, options) {
  if (!file) throw new Refused('Say which archive to import.')
  if (!existsSync(file)) throw new Refused(`There is no file ${file}.`)
  const id = options.new ? randomUUID() : await chosenHousehold(address, options.household)
  const send = (seen) =>
    asJson(
      ask(
        address,
        `/api/households/${id}/archive?differing=${encodeURIComponent(options.differing)}${seen === undefined ? '' : `&seen=${seen}`}`,
        {
          method: 'POST',
          headers: { 'content-type': 'application/zip' },
          body: Readable.toWeb(createReadStream(file)),
          duplex: 'half',
        },
      ),
    )
  const looked = await send()
  print({ household: id, ...(options.write ? await send(looked.changes) : looked) })
}

async function compute(address, what, file) {
  if (!/^[a-z-]+$/.test(what ?? '')) throw new Refused('Say what to compute, as `compute dose ask.json`.')
  const body = readFileSync(file ?? 0, 'utf8')
  print(
    await asJson(
      ask(address, `/api/compute/${what}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      }),
    ),
  )
}

try {
  const { values, positionals } = readCommand()
  const [what, ...rest] = positionals
  const address = addressOf(values.address)
  if (values.help || !what) console.log(HELP)
  else if (what === 'households')
    print(
      (await asJson(ask(address, '/api/households?limit=100'))).map(({ id, body }) => ({
        id,
        name: body.name,
      })),
    )
  else if (what === 'export') await exportArchive(address, values)
  else if (what === 'import') await importArchive(address, rest[0], values)
  else if (what === 'compute') await compute(address, rest[0], rest[1])
  else throw new Refused(`There is no “${what}”.\n\n${HELP}`)
} catch (error) {
  console.error(
    error instanceof Refused
      ? error.message
      : error.code === 'EEXIST'
        ? `${error.path} is there already; say --out.`
        : String(error.message ?? error),
  )
  process.exitCode = 1
}
