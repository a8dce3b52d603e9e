import * as z from 'zod'
import { ARCHIVE_KINDS, ARCHIVE_VERSION, fileOfKind, oneOf } from '#shared/archive/format'
import { route } from '../../http/route'

export default route(
  {
    summary: 'The kinds of lines an archive holds, each with the address of its JSON Schema',
    answers: z.object({
      version: z.int(),
      kinds: z.array(z.object({ kind: z.string(), file: z.string(), one: z.string(), schema: z.string() })),
    }),
    meaning: 'The version of the format, and its kinds',
  },
  () => ({
    version: ARCHIVE_VERSION,
    kinds: [
      { kind: 'manifest', file: 'manifest.json', one: 'manifest', schema: '/api/schemas/manifest' },
      ...ARCHIVE_KINDS.map((kind) => ({
        kind,
        file: fileOfKind(kind),
        one: oneOf(kind),
        schema: `/api/schemas/${kind}`,
      })),
    ],
  }),
)
