import * as z from 'zod'
import { blendFeeds } from '#core/feed/blend'
import { blendToCompute } from '#shared/computations/mix-and-feed'
import { asFeed } from '#shared/records/feed'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Feeds and wanted nutrients to the nearest blend, and which bottles must not meet',
    body: blendToCompute,
    answers: z.looseObject({ lines: z.array(z.object({ feed: z.string(), gPerL: z.number() })) }),
    meaning: 'g of each feed in a litre, what it comes to in mg/L, and the bottles of concentrate by name',
  },
  ({ body }) => {
    const feeds = body.feeds.map((feed, i) => asFeed(String(i), feed))
    const { lines, gives, misses, concentrates } = blendFeeds(feeds, body.wanted, body.kinds, body.water)
    const names = (list: readonly { name: string }[]) => list.map(({ name }) => name)
    return {
      lines: lines.map(({ feed, gPerL }) => ({ feed: feed.name, gPerL })),
      gives,
      misses,
      concentrates: {
        a: names(concentrates.a),
        b: names(concentrates.b),
        alone: names(concentrates.alone),
      },
    }
  },
)
