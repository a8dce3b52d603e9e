import { randomUUID } from 'node:crypto'
import pg from 'pg'

/*
 * What twenty years of one busy household cost: the demo’s life ten times a year, spread over the year, and a million readings,
 * beside the demo itself. Run by `npm run bench`.
 */

const YEARS = 20
const LIVES_A_YEAR = 10
const DAY_MS = 86_400_000
const TABLES = ['packet', 'batch', 'feeding', 'sowing', 'tray', 'guided_job', 'trial', 'entry']
const ID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g
const DAY = /\b(20\d\d-\d\d-\d\d)(?=["T])/g

/** @returns the id of the household */
export async function grow(databaseUrl, demoId, how = {}) {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    return await grown(client, demoId, how)
  } finally {
    await client.end()
  }
}

async function grown(client, demoId, { apart = true }) {
  const own = randomUUID()
  await client.query(
    `insert into household (household_id, name, place, units, season, clock, water, learning, time_zone)
     select $1, 'Grown', place, units, season, clock, water, learning, time_zone from household where household_id = $2`,
    [own, demoId],
  )
  const rows = {}
  for (const table of ['recipe', 'material', 'container', 'feed', 'crop', 'tool', ...TABLES])
    rows[table] = (
      await client.query(`select to_jsonb(t) as row from ${table} t where household_id = $1`, [demoId])
    ).rows.map(({ row }) => row)
  const lasting = new Set(
    ['recipe', 'material', 'container', 'feed', 'crop', 'tool'].flatMap((table) =>
      rows[table].map(({ id }) => id),
    ),
  )
  const insert = (table, made) =>
    client.query(`insert into ${table} select * from jsonb_populate_recordset(null::${table}, $1::jsonb)`, [
      JSON.stringify(made.map((row) => ({ ...row, household_id: own }))),
    ])
  for (const table of ['recipe', 'material', 'container', 'feed', 'crop', 'tool'])
    await insert(table, rows[table])
  let number = 0
  for (let life = 0; life < YEARS * LIVES_A_YEAR; life++) {
    const year = Math.floor(life / LIVES_A_YEAR)
    const back = (YEARS - 1 - year) * 365 + (apart ? (LIVES_A_YEAR - 1 - (life % LIVES_A_YEAR)) * 36 : 0)
    const ids = new Map()
    const other = (id) => {
      if (lasting.has(id) || id === demoId) return id
      if (!ids.has(id)) ids.set(id, randomUUID())
      return ids.get(id)
    }
    const earlier = (day) => new Date(Date.parse(day) - back * DAY_MS).toISOString().slice(0, 10)
    for (const table of TABLES) {
      const made = JSON.parse(
        JSON.stringify(rows[table])
          .replace(ID, other)
          .replace(DAY, (_, day) => earlier(day)),
      )
      for (const row of made) if ('number' in row) row.number = ++number
      await insert(table, made)
    }
  }
  const device = randomUUID()
  await client.query(
    `insert into device (household_id, id, name, kind, simulated) values ($1, $2, 'Thermometer', 'air probe', false)`,
    [own, device],
  )
  await client.query(
    `insert into reading (household_id, device_id, quantity, name, at, value)
     select $1, $2, case n % 2 when 0 then 'temperature' else 'humidity' end, '', now() - n * interval '10 minutes' + interval '1 microsecond', 20
     from generate_series(1, 1000000) n`,
    [own, device],
  )
  await client.query('analyze')
  return own
}

/** @param {{ address: string, databaseUrl: string }} where */
export async function measureGrowth({ address, databaseUrl }) {
  const [demo] = await (await fetch(`${address}/api/households?limit=1`)).json()
  const grown = await grow(databaseUrl, demo.id)
  console.log(
    `\n${YEARS} years, ${LIVES_A_YEAR} lives of the demo a year, a million readings, beside the demo`,
  )
  for (const [name, path] of [
    ['what a page begins with', '?lean=true'],
    ['all that is in use', ''],
    ['today', '/today'],
    ['the log, searched for a word', '/log?words=basil'],
    ['the latest readings', '/readings/latest'],
    ['a page of trays', '/trays?limit=50'],
    ['the archive', '/archive'],
  ]) {
    const [young, old] = [
      await timed(`${address}/api/households/${demo.id}`, path),
      await timed(`${address}/api/households/${grown}`, path),
    ]
    console.log(
      `  ${name.padEnd(30)} ${old.ms.toFixed(1)} ms and ${(old.bytes / 1000).toFixed(0)} kB, against ${young.ms.toFixed(1)} ms and ${(young.bytes / 1000).toFixed(0)} kB: 1 : ${(old.ms / young.ms).toFixed(2)}`,
    )
  }
}

/** The middle of a few first answers: something is written between them, so that none is remembered. */
async function timed(home, path) {
  const times = []
  let bytes = 0
  const rounds = path === '/archive' ? 1 : 7
  for (let n = 0; n < rounds; n++) {
    await fetch(`${home}/tools/${randomUUID()}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ version: 0, body: { name: 'Jug', kind: 'jug', capacityMl: 1000 } }),
    })
    const from = performance.now()
    bytes = (await (await fetch(home + path, { headers: { 'accept-encoding': 'identity' } })).arrayBuffer())
      .byteLength
    times.push(performance.now() - from)
  }
  return { ms: times.sort((a, b) => a - b)[Math.floor(times.length / 2)], bytes }
}
