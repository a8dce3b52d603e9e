import * as z from 'zod'
import { ARCHIVE_KINDS, ARCHIVE_TYPE, MAX_ARCHIVE_BYTES, type ArchiveKind } from '#shared/archive/format'
import { asItGoes } from '../../../http/as-it-goes'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { fileDigest, spooled } from '../../../http/spool'
import { withFile } from '../../../services/idempotency'
import { readArchive } from '../../../services/archive/unpack'
import { takeIn } from '../../../services/archive/import'

const kind = z.enum(ARCHIVE_KINDS as [ArchiveKind, ...ArchiveKind[]])

export default route(
  {
    summary:
      'Take an archive in, all or nothing. Without `seen` it is only looked at. A household that is not there is made. Accepting application/x-ndjson, you are told how far it is, a line each, the answer last',
    params: householdParams,
    query: z.object({
      differing: z
        .enum(['here', 'archive', 'newer'])
        .default('here')
        .describe('Which of two that differ is to stand'),
      seen: z.coerce
        .number()
        .int()
        .min(0)
        .optional()
        .describe('The `changes` that were answered when it was looked at: it is written'),
    }),
    answers: z.object({
      written: z.boolean(),
      changes: z.int(),
      made: z.boolean(),
      kinds: z.array(z.object({ kind, fresh: z.int(), same: z.int(), differing: z.int() })),
      differing: z.array(
        z.object({ kind, id: z.string(), name: z.string(), newer: z.enum(['here', 'archive']) }),
      ),
      contradictions: z.array(z.string()),
      act: z.uuid().nullable().describe('The act, where it was written'),
    }),
    meaning: 'What is new, the same and different, and what does not go together',
    refuses: [404, 408, 409, 413, 415, 422],
  },
  ({ params, query, event, principal, act }) =>
    spooled(event, { type: ARCHIVE_TYPE, most: MAX_ARCHIVE_BYTES, what: 'An archive' }, (file) =>
      asItGoes(event, async (going) => {
        const archive = await readArchive(file, going)
        try {
          const order = { differing: query.differing, seen: query.seen ?? null }
          return await takeIn(
            principal,
            params.householdId,
            archive,
            order,
            withFile(act, await fileDigest(file)),
          )
        } finally {
          archive.close()
        }
      }),
    ),
)
