import * as z from 'zod'
import { keepsBackups, lastBackup } from '../keeper'
import { route } from '../http/route'

export default route(
  {
    summary: 'What became of the last backup',
    answers: z.object({
      kept: z.boolean().describe('Whether Blastomix keeps backups of its own here'),
      last: z
        .object({
          at: z.iso.datetime(),
          ok: z.boolean(),
          rows: z.int().optional(),
          bytes: z.int().optional(),
          why: z.string().optional(),
        })
        .nullable(),
    }),
    meaning: 'The last one that was tried; null before the first',
  },
  async () => ({ kept: keepsBackups(), last: await lastBackup() }),
)
