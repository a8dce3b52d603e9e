import { randomBytes } from 'node:crypto'
import { connectTo } from './connection.mjs'

const OWNER = 'blastomix_owner'
const APPLICATION = 'blastomix_application'

/**
 * Three roles: the superuser, whose password only this folder knows, sets the others up; the owner runs migrations; the
 * application reads and writes rows and can do nothing else. The passwords of the two are new at every start and stand nowhere.
 *
 * @param {string} superuserUrl
 * @returns {Promise<{ ownerUrl: string, applicationUrl: string }>}
 */
export async function setUpRoles(superuserUrl) {
  const client = await connectTo(superuserUrl)
  try {
    await client.query('begin')
    const [ownerUrl, applicationUrl] = [
      await role(client, superuserUrl, OWNER),
      await role(client, superuserUrl, APPLICATION),
    ]
    await client.query(OWNERSHIP)
    await client.query('commit')
    return { ownerUrl, applicationUrl }
  } finally {
    await client.end()
  }
}

async function role(client, superuserUrl, name) {
  const password = randomBytes(24).toString('base64url')
  const { rowCount } = await client.query('select from pg_roles where rolname = $1', [name])
  await client.query(
    `${rowCount ? 'alter' : 'create'} role ${name} with login nosuperuser nocreatedb nocreaterole noreplication password '${password}'`,
  )
  const url = new URL(superuserUrl)
  url.username = name
  url.password = password
  return url.href
}

/** Everything belongs to the owner, also in a cluster of the time before there was one. */
const OWNERSHIP = `
do $$
declare one record;
begin
  execute format('alter database %I owner to ${OWNER}', current_database());
  create schema if not exists drizzle;
  alter schema public owner to ${OWNER};
  alter schema drizzle owner to ${OWNER};
  for one in
    select c.oid::regclass as name, c.relkind as kind from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname in ('public', 'drizzle') and c.relkind in ('r', 'v', 'S') and pg_get_userbyid(c.relowner) <> '${OWNER}'
      and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i') and c.relkind = 'S')
  loop
    execute format('alter %s %s owner to ${OWNER}', case one.kind when 'v' then 'view' when 'S' then 'sequence' else 'table' end, one.name);
  end loop;
  for one in
    select p.oid::regprocedure as name from pg_proc p join pg_namespace n on n.oid = p.pronamespace
    where n.nspname = 'public' and pg_get_userbyid(p.proowner) <> '${OWNER}'
  loop
    execute format('alter routine %s owner to ${OWNER}', one.name);
  end loop;
end $$;
revoke create on schema public from public;
grant usage on schema public to ${APPLICATION};
grant select, insert, update, delete on all tables in schema public to ${APPLICATION};
grant usage, select on all sequences in schema public to ${APPLICATION};
alter default privileges for role ${OWNER} in schema public grant select, insert, update, delete on tables to ${APPLICATION};
alter default privileges for role ${OWNER} in schema public grant usage, select on sequences to ${APPLICATION};
`
