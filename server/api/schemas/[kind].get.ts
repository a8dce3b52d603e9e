import { setResponseHeader } from 'h3'
import * as z from 'zod'
import { ARCHIVE_KINDS, schemaOf, type ArchiveKind } from '#shared/archive/format'
import { route } from '../../http/route'

export default route(
  {
    summary: 'The JSON Schema of one kind of line in an archive',
    params: z.object({ kind: z.enum(['manifest', ...ARCHIVE_KINDS] as ['manifest', ...ArchiveKind[]]) }),
    answers: z.record(z.string(), z.unknown()),
    meaning: 'JSON Schema, draft 2020-12, made from what checks the lines that come in',
    type: 'application/schema+json',
    refuses: [404],
  },
  ({ params, event }) => {
    setResponseHeader(event, 'content-type', 'application/schema+json')
    return schemaOf(params.kind)
  },
)
