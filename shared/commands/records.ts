import * as z from 'zod'
import { bodyOf, HOUSEHOLD, type Bodies } from '../records/collections'
import { COLLECTION_NAMES, type Collection } from '../records/collection-names'
import { tool } from '../records/tool'
import { id, problemsFrom, reference } from '../records/rules'
import { under } from '#core/problem'
import { addDays } from '#core/calendar/day'
import { plainCommand, refuse, type Change } from './command'

const MAX_VERSIONS = 2 ** 31 - 2
const version = z.int('A version is a whole number.').max(MAX_VERSIONS, 'There is no such version.')
const record = { collection: z.enum(COLLECTION_NAMES), id }

/** Of an entry only a day is asked, and clocks of households and browsers may be set: a year ahead is a slip of the pen. */
const AHEAD_DAYS = 366

/** A record as somebody wrote it; version 0 makes it. */
export const saveRecord = plainCommand(
  'save record',
  {
    ...record,
    version: version.min(0, 'A version is 0 or more.'),
    body: z.looseObject({}).describe('As at /api/schemas'),
    onlyNew: z.boolean().default(false).describe('Refuse an entry where one that stands says the same'),
  },
  ({ collection, id: recordId, version: from, body, onlyNew }, { latest }) => {
    const read = bodyOf(collection).safeParse(body)
    if (!read.success) return { refused: under('body', problemsFrom(read.error)) }
    if (collection === 'entries') {
      if ((read.data as Bodies['entries']).on > addDays(latest, AHEAD_DAYS))
        return refuse(['body', 'on'], { kind: 'dayInFuture' })
    }
    return [put(collection, recordId, from, read.data, onlyNew)]
  },
)
const put = <C extends Collection>(
  collection: C,
  recordId: string,
  from: number,
  body: Bodies[C],
  onlyNew: boolean,
) => ({ do: 'put', collection, id: recordId, version: from, body, onlyNew }) as unknown as Change

/** Out of sight; it can be brought back. */
export const removeRecord = plainCommand(
  'remove record',
  {
    ...record,
    version: version.min(1),
    anyway: z.boolean().default(false).describe('Also where the log, a guided job or a photo is about it'),
  },
  ({ collection, id: recordId, version: from, anyway }) => [
    { do: 'remove', collection, id: recordId, version: from, anyway },
  ],
)

export const restoreRecord = plainCommand(
  'restore record',
  { ...record, version: version.min(1) },
  (intent) => [{ do: 'restore', collection: intent.collection, id: intent.id, version: intent.version }],
)

/** Another takes its place wherever it is used, and it is removed. */
export const replaceRecord = plainCommand(
  'replace record',
  { ...record, version: version.min(1), with: reference },
  ({ collection, id: recordId, version: from, with: other }) => [
    { do: 'replace', collection, id: recordId, version: from, with: other },
  ],
)

/** The household’s own record; version 0 makes the household. */
export const saveHousehold = plainCommand(
  'save household',
  { version: version.min(0), body: HOUSEHOLD },
  ({ version: from, body }) => [{ do: 'household', version: from, body }],
)

/** A household with what is in every drawer from the first day. */
export const beginHousehold = plainCommand(
  'begin household',
  { body: HOUSEHOLD, tools: z.array(tool).max(40) },
  ({ body, tools }, acting) => [
    { do: 'household', version: 0, body },
    ...tools.map(
      (one) => ({ do: 'put', collection: 'tools', id: acting.newId(), version: 0, body: one }) as const,
    ),
  ],
)
