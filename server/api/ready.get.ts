import { sql } from 'drizzle-orm'
import * as z from 'zod'
import { db } from '../db/client'
import { route } from '../http/route'

export default route(
  {
    summary: 'Does the database answer?',
    answers: z.object({ ready: z.boolean() }),
    meaning: 'It does',
  },
  async () => {
    await db().execute(sql`select 1`)
    return { ready: true }
  },
)
