import { randomUUID } from 'node:crypto'
import autocannon from 'autocannon'
import pg from 'pg'
import { startApplication, stopApplication } from '../scripts/application.mjs'
import { freePort } from '../scripts/port.mjs'

/*
 * How many of each the application answers in a second, beside a route that does nothing; and what twenty years of records
 * cost. Run by `npm run bench`.
 */

const SECONDS = Number(process.env.BENCH_SECONDS ?? 4)
const json = { 'content-type': 'application/json' }

async function shoot(address, path, more = {}) {
  const { requests, latency, non2xx, errors } = await autocannon({
    url: address + path,
    connections: 10,
    duration: SECONDS,
    headers: { 'accept-encoding': 'br' },
    ...more,
  })
  return { perSecond: requests.average, p95Ms: latency.p97_5, wrong: non2xx + errors }
}

/** @param {{ address: string, databaseUrl: string, applicationUrl: string, housekeepingUrl: string }} where */
export async function measureLoad({ address, databaseUrl, applicationUrl, housekeepingUrl }) {
  const [demo] = await (await fetch(`${address}/api/households?limit=1`)).json()
  const home = `/api/households/${demo.id}`
  const put = (path, body) =>
    fetch(address + path, { method: 'PUT', headers: json, body: JSON.stringify(body) }).then((answer) =>
      answer.json(),
    )
  const tool = randomUUID()
  await put(`${home}/tools/${tool}`, {
    version: 0,
    body: { name: 'Bench jug', kind: 'jug', capacityMl: 1000 },
  })

  const bare = await shoot(address, '/api/health')
  const rows = [['a route that does nothing', bare]]
  const add = async (name, path, more) => rows.push([name, await shoot(address, path, more)])
  await add('a page', '/mix')
  await add('what a household keeps', home)
  await add('today', `${home}/today`)
  await add('a list', `${home}/tools`)
  // Each as it comes, and ten in one moment ten times a second: those queue for their household.
  const writes = (connections) => ({
    connections,
    overallRate: 100,
    requests: [
      {
        setupRequest: (request) => ({
          ...request,
          method: 'PUT',
          path: `${home}/tools/${randomUUID()}`,
          headers: { ...json, 'idempotency-key': randomUUID() },
          body: JSON.stringify({ version: 0, body: { name: 'Bench jug', kind: 'jug', capacityMl: 1000 } }),
        }),
      },
    ],
  })
  await add('writes, one after the other', '/', writes(1))
  await add('writes, ten at once', '/', writes(10))
  console.log(`\nLoad, 10 connections, ${SECONDS} s each`)
  for (const [name, { perSecond, p95Ms, wrong }] of rows)
    console.log(
      `  ${name.padEnd(30)} ${perSecond.toFixed(0).padStart(6)}/s  1 : ${(bare.perSecond / perSecond).toFixed(1)}  97.5 % within ${p95Ms} ms${wrong ? `  ${wrong} REFUSED` : ''}`,
    )

  await twoCopies(address, { databaseUrl: applicationUrl, housekeepingUrl }, home)

  const old = await twentyYears(databaseUrl, demo.id)
  console.log('\nTwenty years in one household, beside 5 000 others')
  for (const [name, path] of [
    ['what a household keeps', ''],
    ['today', '/today'],
    ['a page of sowings', '/sowings'],
  ]) {
    const [young, grown] = [
      await timed(`${address}${home}${path}`),
      await timed(`${address}/api/households/${old}${path}`),
    ]
    console.log(
      `  ${name.padEnd(30)} ${grown.ms.toFixed(1)} ms and ${(grown.bytes / 1000).toFixed(0)} kB, against ${young.ms.toFixed(1)} ms and ${(young.bytes / 1000).toFixed(0)} kB: 1 : ${(grown.ms / young.ms).toFixed(2)}`,
    )
  }
  const sowing = { version: 0, body: { name: 'Kale', cropId: 'kale', plants: 12 } }
  const write = async (id) => {
    const times = []
    for (let n = 0; n < 30; n++) {
      const from = performance.now()
      await put(`/api/households/${id}/sowings/${randomUUID()}`, sowing)
      times.push(performance.now() - from)
    }
    return times.sort((a, b) => a - b)[15]
  }
  const [young, grown] = [await write(demo.id), await write(old)]
  console.log(
    `  ${'writing a sowing'.padEnd(30)} ${grown.toFixed(1)} ms against ${young.toFixed(1)} ms: 1 : ${(grown / young).toFixed(2)}`,
  )
}

/** As many connections to one copy, and to two of them on the same database. */
async function twoCopies(address, urls, home) {
  const where = { host: '127.0.0.1', port: await freePort(), ...urls, demo: false }
  const { child, address: second } = await startApplication(where)
  console.log('\nTwo copies on one database, ten connections together')
  for (const [name, path] of [
    ['a page', '/mix'],
    ['what a household keeps', home],
  ]) {
    await shoot(second, path, { duration: 1 })
    const one = await shoot(address, path)
    const both = await Promise.all([address, second].map((each) => shoot(each, path, { connections: 5 })))
    const together = both[0].perSecond + both[1].perSecond
    console.log(
      `  ${name.padEnd(30)} ${together.toFixed(0)}/s against ${one.perSecond.toFixed(0)}/s: ${(together / one.perSecond).toFixed(2)} : 1`,
    )
  }
  await stopApplication(child)
}

/** The middle of a few first answers: something is written between them, so that none is remembered. */
async function timed(url) {
  const times = []
  let bytes = 0
  for (let n = 0; n < 9; n++) {
    const home = url.split('/').slice(0, 6).join('/')
    await fetch(`${home}/tools/${randomUUID()}`, {
      method: 'PUT',
      headers: json,
      body: JSON.stringify({ version: 0, body: { name: 'Jug', kind: 'jug', capacityMl: 1000 } }),
    })
    const from = performance.now()
    bytes = (await (await fetch(url)).arrayBuffer()).byteLength
    times.push(performance.now() - from)
  }
  return { ms: times.sort((a, b) => a - b)[4], bytes }
}

async function twentyYears(databaseUrl, likeId) {
  const id = randomUUID()
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  await client.query(
    `insert into household (household_id, name, place, units, season)
     select gen_random_uuid(), 'Other ' || n, '', 'metric', null from generate_series(1, 5000) n
     union all select $1::uuid, 'Old', '', 'metric', season from household where household_id = $2`,
    [id, likeId],
  )
  await client.query(
    `insert into sowing (household_id, id, name, crop_id, plants, season, sow_on, over_on, certainty, created_at)
     select $1, gen_random_uuid(), 'Tomato ' || n, 'tomato', 48, 'spring', day, case when n <= 3960 then day + 60 end, 0.9, day
     from (select n, (current_date - 50 - (4000 - n) * 20 / 11) as day from generate_series(1, 4000) n) as each`,
    [id],
  )
  await client.query(
    `insert into entry (household_id, id, number, name, kind, subjects, "on", created_at, "by", "to", note, times, even_if_short, moves, facts)
     select household_id, gen_random_uuid(), row_number() over (), what, what, jsonb_build_array(jsonb_build_object('what', 'sowings', 'id', id, 'stage', 0)),
       sow_on, created_at, '', '', '', 1, false, '[]', '[]'
     from sowing, unnest(array['make mix','stage','look','feed','feed','harden','out']) as what
     where household_id = $1 and not (what in ('harden', 'out') and over_on is null)`,
    [id],
  )
  await client.query(
    `insert into batch (household_id, id, number, name, parts, fills, allowances, scoop, created_at, updated_at, version, feel, recipe_id, lower_recipe_id, lower_parts, pack_ids, extras, preparations, tub_l, on_date)
     select $1, gen_random_uuid(), n, name, parts, fills, allowances, scoop, now() - (5000 - n) * interval '35 hours', now(), 1, feel, recipe_id, lower_recipe_id, lower_parts, pack_ids, extras, preparations, tub_l, on_date
     from (select * from batch where household_id = $2 limit 1) b, generate_series(1, 5000) n`,
    [id, likeId],
  )
  await client.query(
    `insert into feeding (household_id, id, name, feed_id, growth_stage_id, target_n_mg_per_l, vessel, created_at)
     select $1, gen_random_uuid(), 'Feed ' || n, 'balanced-20', 'true-leaves', 60, '{"name":"jug","volumeL":2}', now() - (5000 - n) * interval '35 hours'
     from generate_series(1, 5000) n`,
    [id],
  )
  await client.query(
    `insert into entry (household_id, id, number, name, kind, subjects, "on", created_at, "by", "to", note, times, even_if_short, moves, facts)
     select household_id, gen_random_uuid(), 1000000 + row_number() over (), 'Made', kind, jsonb_build_array(jsonb_build_object('what', what, 'id', id, 'stage', null)),
       created_at::date, created_at, '', '', '', 1, false, '[]', '[]'
     from (select household_id, id, created_at, 'batch made' as kind, 'batches' as what from batch where household_id = $1
       union all select household_id, id, created_at, 'feed given', 'feedings' from feeding where household_id = $1
       union all select household_id, id, created_at, 'feed given', 'feedings' from feeding where household_id = $1
       union all select household_id, id, created_at, 'feed given', 'feedings' from feeding where household_id = $1) as done`,
    [id],
  )
  await client.query('analyze')
  await client.end()
  return id
}
