import * as z from 'zod'
import { answers } from '../db/door'
import { route } from '../http/route'
import { jobStates } from '../jobs/jobs'

export default route(
  {
    summary: 'Does the database answer, and how does the work that comes round go?',
    answers: z.object({
      ready: z.boolean(),
      jobs: z.array(
        z.object({
          name: z.string(),
          state: z.enum(['under way', 'to be tried again', 'done', 'not yet']),
          doneAt: z.iso.datetime().nullable(),
          failedAt: z.iso.datetime().nullable(),
        }),
      ),
    }),
    meaning: 'It does; of each job when it was last done',
  },
  async () => {
    await answers()
    return { ready: true, jobs: await jobStates() }
  },
)
