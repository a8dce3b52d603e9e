import { JOB_KINDS, type Mark } from '#core/season/today/job'
import type { EntryKind, EntryRecord } from './entry'

const isJob = (kind: EntryKind): kind is Mark['what'] => (JOB_KINDS as readonly string[]).includes(kind)

/** The entry as a mark on the season; none where it is not about the season. */
export function asMark({ kind, subjects, on, snoozedUntil, count, part }: EntryRecord): Mark[] {
  // A batch that was made for sowings is their mix.
  const what = kind === 'batch made' ? 'make mix' : kind
  if (!isJob(what)) return []
  const of = subjects.flatMap((one) =>
    one.what === 'sowings' && one.stage !== null ? [{ sowingId: one.id, stage: one.stage }] : [],
  )
  return of.length ? [{ what, of, on, snoozedUntil, count, part }] : []
}
