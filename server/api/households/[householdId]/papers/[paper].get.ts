import { setResponseHeaders } from 'h3'
import * as z from 'zod'
import { day, id } from '#shared/records/rules'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { batchCard, feedCard } from '../../../../services/papers/cards'
import { seasonPaper, weekPaper } from '../../../../services/papers/season'
import { yearPaper } from '../../../../services/papers/year'
import { invalid } from '../../../../services/refusal'
import { paperInThread } from '../../../../threads/pool'

const PAPERS = ['season', 'week', 'batch', 'feed', 'year'] as const

export default route(
  {
    summary: 'On paper: the season, the week, the card of a batch or a feed, a season’s end',
    params: householdParams.extend({ paper: z.enum(PAPERS) }),
    query: z.object({
      id: id.optional().describe('Which batch or feed'),
      year: z.coerce.number().int().min(1990).max(2099).optional().describe('Which year'),
      on: day.optional().describe('Season and week as of that day; else today'),
      size: z.enum(['a4', 'letter']).default('a4'),
    }),
    answers: z.string(),
    meaning: 'A PDF in black only',
    type: 'application/pdf',
    refuses: [404],
  },
  async ({ params: { householdId, paper }, query, event, principal }) => {
    const which = (key: 'id' | 'year', message: string) => invalid([{ path: [key], message }])
    const written = async () => {
      if (paper === 'season') return seasonPaper(principal, householdId, query.on)
      if (paper === 'week') return weekPaper(principal, householdId, query.on)
      if (paper === 'year') {
        if (query.year === undefined) throw which('year', 'Say which year.')
        return yearPaper(principal, householdId, query.year)
      }
      if (query.id === undefined) throw which('id', `Say which ${paper}.`)
      return paper === 'batch'
        ? batchCard(principal, householdId, query.id)
        : feedCard(principal, householdId, query.id)
    }
    const pdf = await paperInThread({ do: 'document', of: [await written(), query.size] })
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'content-disposition': `inline; filename="${paper}.pdf"`,
      'cache-control': 'private, no-store',
    })
    return pdf
  },
)
