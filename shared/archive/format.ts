import * as z from 'zod'
import { bodyOf, COLLECTIONS } from '../records/collections'
import { COLLECTION_NAMES, type Collection } from '../records/collection-names'
import { QUANTITY_NAMES } from '#core/readings/kinds'
import { household } from '../records/household'
import { day, id } from '../records/rules'

/*
 * Everything a household keeps, as one file others can read: a zip of JSON Lines, one line a record, one file a kind, and
 * the photos as they are. Each line follows the JSON Schema of its kind, made from what checks it here.
 */

export const ARCHIVE_FORMAT = 'blastomix archive'
/** Raised when a line of an older version can no longer be read as it stands; `upgrade.ts` then says how it is read. */
export const ARCHIVE_VERSION = 2
export const ARCHIVE_TYPE = 'application/zip'

/** Bounds of what is read: what unfolds to more is none of ours. */
export const MAX_ARCHIVE_BYTES = 2 * 1024 ** 3
export const MAX_LINE_BYTES = 4 * 1024 ** 2
export const MAX_PHOTO_BYTES = 25 * 1024 ** 2

/** A version or a number, as far as the database counts with room above it. */
const counted = z
  .int()
  .min(1)
  .max(2 ** 31 - 2_000_000)
const moment = z.iso.datetime({ offset: true })
const times = { createdAt: moment, updatedAt: moment }

/** A record of a collection: removed ones too, so that they can still be brought back. */
const recordLine = <C extends Collection>(collection: C) =>
  z.object({
    id,
    version: counted,
    number: counted.optional().describe('Of batches and trays. Entries stand in the order they were written'),
    ...times,
    removedAt: moment.nullable().describe('When it was removed or taken back; null while it stands'),
    body: bodyOf(collection),
  })

const householdLine = z.object({ version: counted, ...times, body: household })

const photoFileLine = z.object({
  id,
  digest: z.string().min(1).max(100).describe('SHA-256 of the picture as it was first sent, base64'),
  takenOn: day.nullable(),
  width: z.int().min(1).max(100_000),
  height: z.int().min(1).max(100_000),
  createdAt: moment,
})

const revisionLine = z.object({
  collection: z.enum(COLLECTION_NAMES),
  id,
  version: counted,
  writtenAt: moment,
  body: z.record(z.string(), z.unknown()).describe('The record as it was before that change'),
})

const weatherLine = z.object({
  on: day,
  source: z.enum(['history', 'forecast']),
  lowC: z.number(),
  highC: z.number(),
  rainMm: z.number().nullable(),
  windMPerS: z.number().nullable(),
  sunHours: z.number().nullable(),
  madeOn: day,
  simulated: z.boolean(),
})

const readingLine = z.object({
  deviceId: id,
  quantity: z.enum(QUANTITY_NAMES),
  name: z.string().max(40),
  at: moment,
  value: z.number().min(-1e7).max(1e7),
  count: counted.describe('1 as it was read; more is the mean of so many in five minutes'),
})

/** Kinds of lines beside those of the collections. */
const OTHER_LINES = {
  household: householdLine,
  'photo-files': photoFileLine,
  revisions: revisionLine,
  weather: weatherLine,
  readings: readingLine,
} as const

export type ArchiveKind = keyof typeof OTHER_LINES | Collection
/** Files of an archive, in the order they are read: each after what it points at. */
export const ARCHIVE_KINDS: readonly ArchiveKind[] = [
  'household',
  'photo-files',
  ...COLLECTION_NAMES,
  'revisions',
  'weather',
  'readings',
]

export type RecordLine<C extends Collection = Collection> = z.output<ReturnType<typeof recordLine<C>>>
export type HouseholdLine = z.output<typeof householdLine>
export type PhotoFileLine = z.output<typeof photoFileLine>
export type RevisionLine = z.output<typeof revisionLine>
export type WeatherLine = z.output<typeof weatherLine>
export type ReadingLine = z.output<typeof readingLine>

const lines = new Map<ArchiveKind, z.ZodType>()
/** What a line of a kind has to be. */
export function lineOf(kind: ArchiveKind): z.ZodType {
  const known = lines.get(kind)
  if (known) return known
  const shape = kind in OTHER_LINES ? OTHER_LINES[kind as 'household'] : recordLine(kind as Collection)
  lines.set(kind, shape)
  return shape
}

/** What a kind is called, one of it. */
export const oneOf = (kind: ArchiveKind): string =>
  kind in COLLECTIONS
    ? COLLECTIONS[kind as Collection].one
    : {
        household: 'household',
        'photo-files': 'picture',
        revisions: 'earlier version',
        weather: 'day of weather',
        readings: 'reading',
      }[kind as 'household']

export const manifest = z.object({
  format: z.literal(ARCHIVE_FORMAT),
  version: counted,
  writtenAt: moment,
  household: z.object({ id, name: z.string() }),
  lines: z.partialRecord(z.enum(ARCHIVE_KINDS as [ArchiveKind, ...ArchiveKind[]]), z.int().min(0)),
  photos: z.int().min(0),
})
export type Manifest = z.output<typeof manifest>

export const fileOfKind = (kind: ArchiveKind) => `${kind}.jsonl`
export const photoName = (fileId: string) => `photos/${fileId}.webp`

/** The JSON Schema of a line, as others read it. */
export const schemaOf = (kind: ArchiveKind | 'manifest') => ({
  ...z.toJSONSchema(kind === 'manifest' ? manifest : lineOf(kind), {
    io: 'output',
    unrepresentable: 'any',
    target: 'draft-2020-12',
  }),
  title:
    kind === 'manifest' ? 'Blastomix archive: manifest' : `Blastomix archive: ${oneOf(kind)}, one a line`,
})
