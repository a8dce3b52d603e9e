import { sql } from 'drizzle-orm'
import { db } from '../db/client'
import { route } from '../http/route'

/** Ready when the database answers. */
export default route({}, async () => {
  await db().execute(sql`select 1`)
  return { ready: true }
})
