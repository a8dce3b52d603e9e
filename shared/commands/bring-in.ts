import { first } from '#core/numeric/at'
import { joinedMarks } from '#core/jobs/guided-job'
import { dequal } from 'dequal'
import { bodyOf, type Bodies, type Stored } from '../records/collections'
import type { Collection } from '../records/collection-names'
import type { RecordLine } from '../archive/format'
import type { Names } from '../tables/names'
import { recordFrom, type LineProblem, type meantAmong, type ReadRecord } from '../tables/read'
import type { Table } from '../tables/table'

/*
 * What a table or an archive brings in, record by record: what it comes to beside what stands.
 */

/** A record over the one that is meant by it; two lines that mean the same one are a doubt. */
export function fromTable(
  record: ReadRecord,
  table: Table,
  meantBy: ReturnType<typeof meantAmong>,
  names: Names,
  meant: Set<string>,
) {
  const none = {
    body: null,
    stood: null,
    name: String(first(record.said).name ?? first(record.said).what ?? ''),
  }
  if (record.problems.length) return { ...none, problems: [...record.problems] }
  const stood = meantBy(record)
  const read = recordFrom(record, table, stood?.body ?? null, names)
  if ('problems' in read) return { ...none, problems: read.problems }
  const { name } = read.body as { name: string }
  if (stood && meant.has(stood.id)) {
    const twice = { line: first(record.lines), column: '', message: `“${name}” is there twice.` }
    return { ...none, name, problems: [twice] }
  }
  if (stood) meant.add(stood.id)
  return { body: read.body, stood, name, problems: [] as LineProblem[] }
}

/** Whether a line of an archive says what stands already; a level is compared through the entries that moved it. */
export function isSameInArchive<C extends Collection>(
  collection: C,
  stood: Stored<Bodies[C]>,
  isRemoved: boolean,
  line: RecordLine<C>,
): boolean {
  const body = bodyOf(collection).safeParse(stood.body)
  const own = (one: unknown) => JSON.stringify(withoutLevel(collection, one as object))
  return isRemoved === (line.removedAt !== null) && body.success && own(body.data) === own(line.body)
}

/**
 * What a line of an archive makes of a record that differs: marks of a job are those of both, of what happened only who, when and the note are corrected, and a
 * level is what the entries say.
 *
 * @returns a contradiction, where it did something else there than here
 */
export function fromArchive<C extends Collection>(
  collection: C,
  stood: Bodies[C],
  body: Bodies[C],
): { body: object; contradiction: string | null } {
  // A job's marks are only added to, and a device is simulated or real from its beginning.
  if (collection === 'guidedJobs') {
    const marks = joinedMarks((stood as Bodies['guidedJobs']).marks, (body as Bodies['guidedJobs']).marks)
    return { body: { ...body, marks }, contradiction: null }
  }
  if (collection === 'devices')
    return { body: { ...body, simulated: (stood as Bodies['devices']).simulated }, contradiction: null }
  if (collection !== 'entries') return { body: withoutLevel(collection, body as object), contradiction: null }
  const { name, by, to, note, on, at, remindOn } = body as Bodies['entries']
  const right = { name, by, to, note, on, at, remindOn }
  const rest = { ...(stood as Bodies['entries']), ...right }
  const plain = (one: object): unknown => JSON.parse(JSON.stringify(one))
  return {
    body: right,
    contradiction: dequal(plain(rest), plain(body as object))
      ? null
      : `“${(stood as Bodies['entries']).name}” did something else in the archive than here. What it did here stays; its day, who and the note are the archive’s.`,
  }
}

/** Levels are moved by entries and compared through them. */
export function withoutLevel(collection: Collection, body: object): object {
  if (collection === 'stocks') return { ...body, packs: undefined }
  if (collection === 'packets' && (body as Bodies['packets']).seeds !== null)
    return { ...body, seeds: undefined }
  return body
}
