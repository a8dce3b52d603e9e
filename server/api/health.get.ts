import * as z from 'zod'
import { route } from '../http/route'

export default route(
  {
    summary: 'Does the application live? It does not look at the database',
    answers: z.object({ lives: z.boolean() }),
    meaning: 'It does',
  },
  () => ({ lives: true }),
)
