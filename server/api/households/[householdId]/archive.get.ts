import { createReadStream } from 'node:fs'
import { sendStream, setResponseHeaders } from 'h3'
import * as z from 'zod'
import { ARCHIVE_TYPE } from '#shared/archive/format'
import { householdParams } from '../../../http/params'
import { route } from '../../../http/route'
import { writeArchive } from '../../../services/archive/write'

export default route(
  {
    summary: 'Everything the household keeps, as one file',
    params: householdParams,
    answers: z.string(),
    meaning: 'A zip of JSON Lines, one file a kind of record, with its photos; schemas at /api/schemas',
    type: ARCHIVE_TYPE,
    refuses: [404],
  },
  async ({ params, event, principal }) => {
    const { file, bytes, name, done } = await writeArchive(principal, params.householdId)
    setResponseHeaders(event, {
      'content-type': ARCHIVE_TYPE,
      'content-length': bytes,
      'content-disposition': `attachment; filename="${name}"`,
    })
    const stream = createReadStream(file)
    stream.once('close', () => void done())
    return sendStream(event, stream)
  },
)
