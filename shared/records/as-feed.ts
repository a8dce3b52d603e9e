import { sourcesOf } from '#core/catalogue'
import { FEED_FIGURES, type Feed } from '#core/feed/feed'
import { BUILT_IN_FEEDS } from '#core/feed/feeds'
import { yours } from '#core/working/source'
import type { FeedRecord } from './feed'

const LABEL = yours('the label, or your own weighing')

/** The household's own or corrected feed as core knows it. What is as the generic one keeps its source. */
export function asFeed(id: string, { basedOn: corrects, ...label }: FeedRecord): Feed {
  const original = corrects === null ? undefined : BUILT_IN_FEEDS.get(corrects)
  return {
    id: original?.id ?? id,
    ...label,
    ...(original?.release ? { release: original.release } : {}),
    sources: sourcesOf(FEED_FIGURES, label, original && asWhole(original), LABEL),
  }
}

const asWhole = ({ release: _release, ...label }: Feed) => ({
  ...label,
  caPercent: label.caPercent ?? 0,
  mgPercent: label.mgPercent ?? 0,
  sPercent: label.sPercent ?? 0,
  fePercent: label.fePercent ?? 0,
  clPercent: label.clPercent ?? 0,
  nForms: label.nForms ?? null,
  ecSlopeMsPerCm: label.ecSlopeMsPerCm ?? null,
  use: label.use ?? 'dissolved',
  strengthGuessed: label.strengthGuessed ?? false,
})

/** A feed as a household keeps it: what a catalogue's entry says, with nothing left open. */
export function feedRecordOf(feed: Feed): FeedRecord {
  const { id, sources: _sources, ...label } = asWhole(feed)
  return { ...label, basedOn: BUILT_IN_FEEDS.has(id) ? id : null }
}
