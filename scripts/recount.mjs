import { readFileSync } from 'node:fs'
import { connectTo } from './connection.mjs'
import { Cluster } from './cluster.mjs'
import { orSayWhy, Trouble } from './trouble.mjs'

/* Counts again whether every level on the shelf and in the packets is the sum of what the ledger moved. */
await orSayWhy(async () => {
  const own = process.env.DATABASE_URL ? null : new Cluster(process.env.BLASTOMIX_DATA_DIR || '.data')
  const wasRunning = own?.isRunning
  const url = process.env.DATABASE_URL ?? (await own.start())
  const client = await connectTo(url)
  const { rows } = await client.query(readFileSync('server/db/recount.sql', 'utf8'))
  await client.end()
  if (own && !wasRunning) await own.stop()
  for (const { name, of, level, moved } of rows)
    console.log(
      `${name} (${of === 'stocks' ? 'packs' : 'seeds'}): ${level} stand there, the ledger says ${moved}.`,
    )
  if (rows.length) throw new Trouble(`${rows.length} levels do not agree with the ledger.`)
  console.log('Every level agrees with the ledger.')
})
