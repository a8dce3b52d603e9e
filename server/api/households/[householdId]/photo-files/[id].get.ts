import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { photoFile } from '../../../../services/photo-files'

export default route(
  {
    summary: 'A picture, or its thumbnail',
    params: householdParams.extend({ id }),
    query: z.object({ size: z.enum(['whole', 'small']).default('whole') }),
    answers: z.string(),
    meaning: 'WebP, without a word of where or by whom it was taken',
    type: 'image/webp',
    refuses: [404],
  },
  async ({ params, query, event, principal }) => {
    const picture = await inHousehold(principal, params.householdId, (tx) =>
      photoFile(tx, params.householdId, params.id, query.size),
    )
    // A file never changes: its address is its own.
    setResponseHeaders(event, {
      'content-type': 'image/webp',
      'cache-control': 'private, max-age=31536000, immutable',
    })
    return picture
  },
)
