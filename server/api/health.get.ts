import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { db } from '../db/client'
import { route } from '../http/route'

/** Ready when the database answers. */
export default route(
  {
    summary: 'Is the database answering?',
    answers: z.object({ ready: z.boolean() }),
    meaning: 'It is',
  },
  async () => {
    await db().execute(sql`select 1`)
    return { ready: true }
  },
)
