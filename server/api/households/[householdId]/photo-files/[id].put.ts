import * as z from 'zod'
import { day, id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { readFile } from '../../../../http/read-json'
import { route } from '../../../../http/route'
import { keepPhotoFile } from '../../../../services/photo-files'

const MAX_BYTES = 25 * 1024 * 1024

export default route(
  {
    summary: 'A picture of up to 25 MB: it is made small, and what the camera wrote beside it is left out',
    params: householdParams.extend({ id }),
    answers: z.object({ id, width: z.int(), height: z.int(), takenOn: day.nullable() }),
    meaning: 'The file as it is kept; the same picture sent again is the same file',
    refuses: [404, 408, 413, 422],
  },
  async ({ params, event, principal, act }) =>
    keepPhotoFile(principal, params.householdId, params.id, await readFile(event, MAX_BYTES), act),
)
