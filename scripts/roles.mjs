import { createHmac } from 'node:crypto'
import { addressOf, connectTo } from './connection.mjs'
import { Trouble } from './trouble.mjs'

const OWNER = 'blastomix_owner'
const APPLICATION = 'blastomix_application'
const HOUSEKEEPING = 'blastomix_housekeeping'
/** Where the jobs that come round are kept (scripts/jobs.mjs). */
const JOBS = 'jobs'
/** Copies that start together take turns. */
const ROLES_LOCK = 7_236_003

/**
 * The superuser sets up three roles. The owner runs migrations, on the rows of every household. The application reads and
 * writes the rows of the household that is set, and can do nothing else. Housekeeping reads and writes those of all.
 *
 * Their passwords follow from the superuser's: they are the same at every start and for every copy, and stand nowhere.
 *
 * @param {string} superuserUrl
 * @returns {Promise<{ ownerUrl: string, applicationUrl: string, housekeepingUrl: string }>}
 */
export async function setUpRoles(superuserUrl) {
  const client = await connectTo(superuserUrl)
  try {
    await client.query('begin')
    await client.query('select pg_advisory_xact_lock($1)', [ROLES_LOCK])
    const ownerUrl = await role(client, superuserUrl, OWNER, 'bypassrls')
    const applicationUrl = await role(client, superuserUrl, APPLICATION, 'nobypassrls')
    const housekeepingUrl = await role(client, superuserUrl, HOUSEKEEPING, 'bypassrls')
    await client.query(OWNERSHIP)
    await client.query(SEARCHED_BY_INDEX)
    await client.query('commit')
    return { ownerUrl, applicationUrl, housekeepingUrl }
  } finally {
    await client.end()
  }
}

/**
 * The roles of a PostgreSQL that is not our own: a superuser sets them up, else there is an address for each.
 *
 * @throws Trouble where one is missing, or the application's would see every household
 */
export async function rolesOf({ DATABASE_URL, DATABASE_OWNER_URL, DATABASE_HOUSEKEEPING_URL }) {
  const client = await connectTo(DATABASE_URL).catch((error) => {
    throw new Trouble(
      `The database at ${addressOf(DATABASE_URL)} does not answer: ${error.message || error.code}.`,
    )
  })
  const { rows } = await client.query(
    'select rolname as name, rolsuper as super, rolbypassrls as sees from pg_roles where rolname = current_user',
  )
  await client.end()
  const [{ name, super: isSuperuser, sees }] = rows
  if (isSuperuser) return setUpRoles(DATABASE_URL)
  if (!DATABASE_OWNER_URL || !DATABASE_HOUSEKEEPING_URL)
    throw new Trouble(
      'Beside the DATABASE_URL of the application two more roles are needed, DATABASE_OWNER_URL and DATABASE_HOUSEKEEPING_URL. ./start --help says what for.',
    )
  if (sees)
    throw new Trouble(
      `The role ${name} of DATABASE_URL would see every household: alter role ${name} with nobypassrls.`,
    )
  return {
    ownerUrl: DATABASE_OWNER_URL,
    applicationUrl: DATABASE_URL,
    housekeepingUrl: DATABASE_HOUSEKEEPING_URL,
  }
}

async function role(client, superuserUrl, name, sees) {
  const url = new URL(superuserUrl)
  const password = createHmac('sha256', decodeURIComponent(url.password)).update(name).digest('base64url')
  url.username = name
  url.password = password
  const { rowCount } = await client.query('select from pg_roles where rolname = $1', [name])
  const attributes = `login nosuperuser nocreatedb nocreaterole noreplication ${sees}`
  if (!rowCount) await client.query(`create role ${name} with ${attributes} password '${password}'`)
  else {
    await client.query(`alter role ${name} with ${attributes}`)
    // Made once: a password that opens is left alone.
    if (!(await opens(url.href))) await client.query(`alter role ${name} with password '${password}'`)
  }
  return url.href
}

const opens = (url) =>
  connectTo(url).then(
    (client) => client.end().then(() => true),
    () => false,
  )

/** Everything belongs to the owner, also in a cluster of the time before there was one. */
const OWNERSHIP = `
do $$
declare one record;
begin
  execute format('alter database %I owner to ${OWNER}', current_database());
  create schema if not exists drizzle;
  create schema if not exists ${JOBS};
  alter schema public owner to ${OWNER};
  alter schema drizzle owner to ${OWNER};
  alter schema ${JOBS} owner to ${OWNER};
  for one in
    select c.oid::regclass as name, c.relkind as kind from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname in ('public', 'drizzle', '${JOBS}') and c.relkind in ('r', 'p', 'v', 'S') and pg_get_userbyid(c.relowner) <> '${OWNER}'
      and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i') and c.relkind = 'S')
  loop
    execute format('alter %s %s owner to ${OWNER}', case one.kind when 'v' then 'view' when 'S' then 'sequence' else 'table' end, one.name);
  end loop;
  for one in
    select p.oid::regprocedure as name from pg_proc p join pg_namespace n on n.oid = p.pronamespace
    where n.nspname in ('public', '${JOBS}') and pg_get_userbyid(p.proowner) <> '${OWNER}'
  loop
    execute format('alter routine %s owner to ${OWNER}', one.name);
  end loop;
end $$;
revoke create on schema public from public;
grant usage on schema public to ${APPLICATION}, ${HOUSEKEEPING};
grant usage on schema ${JOBS} to ${HOUSEKEEPING};
grant select, insert, update, delete on all tables in schema public to ${APPLICATION}, ${HOUSEKEEPING};
grant select, insert, update, delete on all tables in schema ${JOBS} to ${HOUSEKEEPING};
grant usage, select on all sequences in schema public to ${APPLICATION}, ${HOUSEKEEPING};
alter default privileges for role ${OWNER} in schema public grant select, insert, update, delete on tables to ${APPLICATION}, ${HOUSEKEEPING};
alter default privileges for role ${OWNER} in schema public grant usage, select on sequences to ${APPLICATION}, ${HOUSEKEEPING};
alter default privileges for role ${OWNER} in schema ${JOBS} grant select, insert, update, delete on tables to ${HOUSEKEEPING};
`

/**
 * Under row-level security an index serves only operators that are known to tell nothing of rows they leave out. Those the log
 * is searched with are: they compare, and their errors name no values. Only a superuser may say so, and a dump does not carry it.
 */
const SEARCHED_BY_INDEX = `
do $$
declare one regprocedure;
begin
  foreach one in array array[
    'pg_catalog.jsonb_contains(jsonb, jsonb)', 'pg_catalog.jsonb_ne(jsonb, jsonb)',
    'pg_catalog.ts_match_vq(tsvector, tsquery)', 'pg_catalog.tsvector_concat(tsvector, tsvector)',
    'pg_catalog.to_tsvector(regconfig, text)', 'pg_catalog.textcat(text, text)'
  ]::regprocedure[] loop
    if not (select proleakproof from pg_proc where oid = one) then
      execute format('alter function %s leakproof', one);
    end if;
  end loop;
end $$;
`
