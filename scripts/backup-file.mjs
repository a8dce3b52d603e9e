import { createHash } from 'node:crypto'
import {
  chmodSync,
  createReadStream,
  existsSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { pipeline } from 'node:stream/promises'
import { join } from 'node:path'
import { connectTo } from './connection.mjs'
import { JOBS_SCHEMA } from './jobs.mjs'
import { lastLine, postgresBin } from './packages.mjs'
import { run } from './run.mjs'
import { Trouble } from './trouble.mjs'

/*
 * A backup is one file in PostgreSQL's own format, with a manifest beside it: the version of the data, how many rows each
 * table holds and a digest of them all, a checksum of the file.
 */

export const manifestOf = (file) => `${file}.json`

/** Write a backup of what stood at one moment, while everything goes on. @returns the manifest */
export async function writeBackup(url, file) {
  if (existsSync(file))
    throw new Trouble(`${file} is there already. Choose another name; no backup is overwritten.`)
  const unfinished = `${file}.unfinished`
  const client = await connectTo(url).catch((error) => {
    throw new Trouble(`The database does not answer: ${error.message}.`)
  })
  try {
    await client.query('begin isolation level repeatable read read only')
    const { rows } = await client.query('select pg_export_snapshot() as id')
    const { counts, digests } = await countRows(client)
    const version = await versionIn(client)
    const { code, output } = await run(
      join(postgresBin(), 'pg_dump'),
      [
        '--format=custom',
        '--no-owner',
        '--no-acl',
        // What comes round is planned anew wherever it is read back.
        `--exclude-schema=${JOBS_SCHEMA}`,
        `--snapshot=${rows[0].id}`,
        `--file=${unfinished}`,
      ],
      { env: programEnvironment(url) },
    )
    if (code !== 0) throw new Trouble(`The backup could not be written: ${lastLine(output)}`)
    const manifest = {
      what: 'Blastomix backup',
      at: new Date().toISOString(),
      version,
      rows: Object.values(counts).reduce((sum, count) => sum + count, 0),
      counts,
      digests,
      bytes: statSync(unfinished).size,
      sha256: await checksum(unfinished),
    }
    chmodSync(unfinished, 0o600)
    writeFileSync(manifestOf(file), `${JSON.stringify(manifest, null, 2)}\n`, { mode: 0o600 })
    renameSync(unfinished, file)
    return manifest
  } catch (error) {
    rmSync(unfinished, { force: true })
    throw error
  } finally {
    await client.end()
  }
}

/** The manifest of a backup that is whole. @throws Trouble where it is not */
export async function readManifest(file) {
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`)
  if (!existsSync(manifestOf(file)))
    throw new Trouble(`The manifest ${manifestOf(file)} is missing; without it the backup cannot be checked.`)
  let manifest
  try {
    manifest = JSON.parse(readFileSync(manifestOf(file), 'utf8'))
  } catch {
    manifest = {}
  }
  if (manifest.what !== 'Blastomix backup')
    throw new Trouble(`${manifestOf(file)} is no manifest of a backup.`)
  if ((await checksum(file)) !== manifest.sha256)
    throw new Trouble(`${file} is damaged: its checksum is not the one of its manifest. Use another backup.`)
  return manifest
}

/** Put a backup into an empty database, and count again. */
export async function loadBackup(url, file, manifest) {
  const { code, output } = await run(
    join(postgresBin(), 'pg_restore'),
    ['--no-owner', '--no-acl', '--exit-on-error', '--single-transaction', '--dbname', dbNameOf(url), file],
    { env: programEnvironment(url) },
  )
  if (code !== 0) throw new Trouble(`The backup could not be read back: ${lastLine(output)}`)
  const client = await connectTo(url)
  try {
    checkSame(manifest, await countRows(client))
  } finally {
    await client.end()
  }
}

/** @throws Trouble where a table holds other rows than the manifest says; the first backups had no digests */
function checkSame({ counts, digests = {} }, now) {
  for (const table of Object.keys({ ...now.counts, ...counts }))
    if (counts[table] !== now.counts[table])
      throw new Trouble(
        `After reading back, ${table} holds ${now.counts[table] ?? 'no'} rows, not ${counts[table] ?? 'none'}.`,
      )
  for (const table of Object.keys(digests))
    if (digests[table] !== now.digests[table])
      throw new Trouble(`After reading back, the rows of ${table} are not those of the backup.`)
}

/** Of each table how many rows it holds, and a digest of every row of it, in whatever order they lie. */
export async function countRows(client) {
  await client.query(`set datestyle = 'ISO'; set timezone = 'UTC'; set extra_float_digits = 1`)
  const { rows: tables } = await client.query(
    `select format('%I.%I', schemaname, tablename) as name from pg_tables where schemaname in ('public', 'drizzle') order by 1`,
  )
  const counts = {}
  const digests = {}
  for (const { name } of tables) {
    const { rows } = await client.query(
      `select count(*)::int as count, md5(coalesce(string_agg(row, '' order by row), '')) as digest
       from (select md5(each::text) as row from ${name} as each) as rows`,
    )
    counts[name] = rows[0].count
    digests[name] = rows[0].digest
  }
  return { counts, digests }
}

async function versionIn(client) {
  const { rows } = await client.query('select max(created_at) as at from drizzle.__drizzle_migrations')
  return Number(rows[0].at)
}

async function checksum(file) {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

const dbNameOf = (url) => new URL(url).pathname.slice(1)
function programEnvironment(url) {
  const { hostname, port, username, password } = new URL(url)
  return {
    PATH: process.env.PATH,
    LANG: 'C.UTF-8',
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: dbNameOf(url),
  }
}
