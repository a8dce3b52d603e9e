import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { TABLE_IDS } from '#shared/tables/tables'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { inHousehold } from '../../../../db/door'
import { tableOut } from '../../../../services/tables/write'

export default route(
  {
    summary: 'What a household keeps as a table: RFC 4180, or with semicolons and decimal commas',
    params: householdParams.extend({ table: z.enum(TABLE_IDS) }),
    query: z.object({
      decimal: z
        .enum(['point', 'comma'])
        .default('point')
        .describe('`comma` parts cells by semicolons, as spreadsheets of half of Europe want it'),
    }),
    answers: z.string(),
    type: 'text/csv',
    meaning: 'The table, its columns named in the first line',
    refuses: [404],
  },
  async ({ params, query, event, principal }) => {
    const text = await inHousehold(principal, params.householdId, (tx) =>
      tableOut(tx, params.householdId, params.table, query.decimal),
    )
    setResponseHeaders(event, {
      'content-type': 'text/csv; charset=utf-8; header=present',
      'content-disposition': `attachment; filename="${params.table}.csv"`,
      'cache-control': 'private, no-store',
    })
    return text
  },
)
