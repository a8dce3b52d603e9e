import { randomUUID } from 'node:crypto'
import pg from 'pg'

/*
 * Twenty years of a log in one household, a hundred thousand entries: what the database takes for a page of it and for each way
 * to look through it, beside reading it all; and whether each walks an index. Run by `npm run bench`.
 */

const ENTRIES = 100_000
const WORDS = `(to_tsvector('simple', kind || ' ' || name || ' ' || note || ' ' || "to" || ' ' || "by") || to_tsvector('english', name || ' ' || note))`
const WANTED_MS = 50

/** @param {{ address: string, databaseUrl: string }} where */
export async function measureLog({ address, databaseUrl }) {
  const client = new pg.Client(databaseUrl)
  await client.connect()
  try {
    const household = randomUUID()
    const tray = randomUUID()
    await client.query(
      `insert into household (household_id, name, place, units) values ($1, 'Log', '', 'metric')`,
      [household],
    )
    await client.query(
      `insert into entry (household_id, id, number, name, kind, "on", "by", subjects, "to", note, times, even_if_short, place_id, moves, facts)
       select $1, gen_random_uuid(), i,
         (array['Watered','Weighed','Seen','Fed','Thought of'])[1 + i % 5] || ': tray ' || i % 400,
         (array['watered','weighed','seen','feed','thought'])[1 + i % 5],
         date '2006-01-01' + (i / 14), 'Wren',
         case when i % 5000 = 0 then jsonb_build_array(jsonb_build_object('what', 'trays', 'id', $2::text, 'stage', null))
           else jsonb_build_array(jsonb_build_object('what', 'trays', 'id', gen_random_uuid(), 'stage', null)) end,
         '', case when i % 9973 = 0 then 'the marmalade jar tipped over' else 'surface pale, light to lift' end,
         1, false, case when i % 700 = 0 then 'racks' end, '[]', '[]'
       from generate_series(1, $3::int) i`,
      [household, tray, ENTRIES],
    )
    await client.query('analyze entry')
    // As the application sees it: its role, one household.
    await client.query(`set role blastomix_application; set blastomix.household = '${household}'`)
    const page = (where) =>
      `select * from entry where household_id = '${household}' and voided_at is null ${where ? `and ${where}` : ''} order by "on" desc, number desc limit 41`
    const timed = async (sql) => {
      const plan = async () =>
        (await client.query(`explain (analyze, format json) ${sql}`)).rows[0]['QUERY PLAN'][0]
      await plan()
      const runs = [await plan(), await plan(), await plan()].sort(
        (a, b) => a['Execution Time'] - b['Execution Time'],
      )
      return { ms: runs[1]['Execution Time'], reads: JSON.stringify(runs[1]).includes('Seq Scan') }
    }
    const all = await timed(
      `select count(*) from entry where household_id = '${household}' and note like '%marmalade%'`,
    )
    console.log(
      `\nA log of ${ENTRIES.toLocaleString('en')} entries, in the database (wanted: under ${WANTED_MS} ms)`,
    )
    for (const [name, where] of [
      ['the latest page', ''],
      ['a page of ten years ago', `("on", number) < ('2016-06-01'::date, 2000000000)`],
      ['a kind', `kind in ('seen')`],
      ['a tray', `subjects @> '[{"id": "${tray}"}]'`],
      ['a place', `place_id = 'racks'`],
      [
        'a rare word',
        `${WORDS} @@ (to_tsquery('simple', 'marmal:*') || plainto_tsquery('english', 'marmal'))`,
      ],
      [
        'a word that stands everywhere',
        `${WORDS} @@ (to_tsquery('simple', 'tray:*') || plainto_tsquery('english', 'tray'))`,
      ],
      [
        'two words and a kind',
        `${WORDS} @@ ((to_tsquery('simple', 'light:*')) && (to_tsquery('simple', 'weighed:*'))) and kind in ('weighed')`,
      ],
    ]) {
      const { ms, reads } = await timed(page(where))
      console.log(
        `  ${name.padEnd(32)} ${ms.toFixed(2).padStart(8)} ms  1 : ${(all.ms / ms).toFixed(0)} of reading all${reads ? '  READS ALL' : ''}${ms > WANTED_MS ? '  SLOW' : ''}`,
      )
    }
    const started = performance.now()
    await (await fetch(`${address}/api/households/${household}/log?words=marmalade`)).json()
    console.log(`  over HTTP, a rare word            ${(performance.now() - started).toFixed(1)} ms`)
  } finally {
    await client.end()
  }
}
