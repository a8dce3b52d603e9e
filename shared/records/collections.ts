import * as z from 'zod'
import type { WeatherDay } from '#core/calendar/weather'
import type { Measurement } from '#core/learning/calibrations'
import type { Collection } from './collection-names'
import { batch } from './batch'
import { container } from './container'
import { crop } from './crop'
import { device } from './device'
import { entry } from './entry'
import { feed } from './feed'
import { feeding } from './feeding'
import { household, type HouseholdRecord } from './household'
import { material } from './material'
import { packet } from './packet'
import { photo } from './photo'
import { programme } from './programme'
import { recipe } from './recipe'
import { guidedJob } from './guided-job'
import { sowing } from './sowing'
import { stock } from './stock'
import { tool } from './tool'
import { tray } from './tray'
import { trial } from './trial'
import { id } from './rules'

/**
 * What a household keeps, each kind stated once: what one is called, its shape, and which of its fields point at what
 * (`*` for every row of a list), so that what is pointed at is not removed; and what it names. Every collection is read and written through the same calls; its columns are checked
 * against the shape by the compiler, the API document is made from it.
 */
export const COLLECTIONS = {
  recipes: {
    one: 'recipe',
    body: recipe,
    refers: {
      'parts.*.materialId': ['materials'],
      'extras.*.materialId': ['materials'],
      'worksIn.*.containerId': ['containers'],
    },
  },
  materials: { one: 'material', body: material, refers: {} },
  containers: { one: 'container', body: container, refers: {} },
  feeds: { one: 'feed', body: feed, refers: {} },
  tools: { one: 'tool', body: tool, refers: {} },
  batches: {
    one: 'batch',
    body: batch,
    refers: {
      'parts.*.materialId': ['materials'],
      'lowerParts.*.materialId': ['materials'],
      'extras.*.materialId': ['materials'],
      'fills.*.containerId': ['containers'],
      'fills.*.ballContainerId': ['containers'],
      'fills.*.coverMaterialId': ['materials'],
    },
    names: { 'sowings.*.id': ['sowings'] },
  },
  feedings: {
    one: 'feed plan',
    body: feeding,
    refers: { feedId: ['feeds'], batchId: ['batches'], toolId: ['tools'] },
  },
  programmes: {
    one: 'feeding schedule',
    body: programme,
    refers: {
      feedId: ['feeds'],
      batchId: ['batches'],
      'stages.*.containerId': ['containers'],
      'stages.*.recipeId': ['recipes', 'batches'],
    },
  },
  stocks: { one: 'pack', body: stock, refers: { goodsId: ['materials', 'feeds'] } },
  crops: { one: 'crop', body: crop, refers: {} },
  packets: { one: 'packet', body: packet, refers: { cropId: ['crops'] } },
  sowings: {
    one: 'sowing',
    body: sowing,
    refers: {
      cropId: ['crops'],
      packetId: ['packets'],
      'stages.*.containerId': ['containers'],
      'stages.*.recipeId': ['recipes'],
    },
  },
  trays: {
    one: 'tray',
    body: tray,
    refers: {
      containerId: ['containers'],
      batchId: ['batches'],
      recipeId: ['recipes'],
      'groups.*.cropId': ['crops'],
      'groups.*.sowingId': ['sowings'],
      'groups.*.packetId': ['packets'],
    },
  },
  guidedJobs: { one: 'guided job', body: guidedJob, refers: {}, names: { 'subjects.*.id': 'what' } },
  trials: {
    one: 'trial',
    body: trial,
    refers: {
      'arms.*.recipeId': ['recipes'],
      'arms.*.packetId': ['packets'],
      'arms.*.groups.*.trayId': ['trays'],
    },
  },
  photos: {
    one: 'photo',
    body: photo,
    refers: {},
    names: { fileId: ['photo-files'], 'subjects.*.id': 'what' },
  },
  devices: { one: 'device', body: device, refers: { trayId: ['trays'] } },
  // The trays of its cells and its water are among its subjects.
  entries: { one: 'entry', body: entry, refers: {}, names: { 'subjects.*.id': 'what' } },
} as const satisfies Record<Collection, Kind>

interface Kind {
  readonly one: string
  readonly body: z.ZodType
  readonly refers: Readonly<Record<string, readonly string[]>>
  /** What has to be there when it is written and may go later; `what`: the collection is said beside the id. */
  readonly names?: Readonly<Record<string, readonly string[] | 'what'>>
}

export type Bodies = { [C in Collection]: z.output<(typeof COLLECTIONS)[C]['body']> }

/** The schema of a collection's records. */
export const bodyOf = <C extends Collection>(collection: C) =>
  COLLECTIONS[collection].body as unknown as z.ZodType<Bodies[C]>

/** Fields of a collection that may point at records of another. */
export const pathsTo = (from: Collection, to: Collection): string[] =>
  Object.entries(COLLECTIONS[from].refers as Kind['refers'])
    .filter(([, targets]) => targets.includes(to))
    .map(([path]) => path)

/** Fields of a collection that may name records of another and outlive them. */
export const namesTo = (from: Collection, to: Collection): string[] =>
  Object.entries((COLLECTIONS[from] as Kind).names ?? {})
    .filter(([, targets]) => targets === 'what' || targets.includes(to))
    .map(([path]) => path)

/** A copy of a body in which every field at a path that holds `from` holds `to`. */
export function repointed<Body>(body: Body, path: string, from: string, to: string): Body {
  const [key, ...rest] = path.split('.')
  if (key === undefined) return (body === from ? to : body) as Body
  if (key === '*')
    return (Array.isArray(body) ? body.map((one) => repointed(one, rest.join('.'), from, to)) : body) as Body
  if (!body || typeof body !== 'object') return body
  const inside = (body as Record<string, unknown>)[key]
  const next = rest.length ? repointed(inside, rest.join('.'), from, to) : inside === from ? to : inside
  return { ...body, [key]: next }
}

/** A record as it is kept: the body, an id the writer chose, and a version that each write raises by one. */
export interface Stored<Body> {
  id: string
  version: number
  /** Counts a household's batches and its trays from 1, and entries in the order they were written; else 0. */
  number: number
  updatedAt: string
  body: Body
}

export type Everything = { [C in Collection]: Stored<Bodies[C]>[] } & {
  /** What was measured in all years, by the ledger; the newest last. */
  measurements: Measurement[]
  /** Weather of the weeks around its day. */
  weather: WeatherDay[]
  household: Stored<HouseholdRecord>
}

/** What a record was before a change. */
export interface Revision<Body> {
  version: number
  writtenAt: string
  body: Body
}

/** A record that was removed lately and can be brought back. */
export interface Removed {
  collection: Collection
  id: string
  version: number
  name: string
  removedAt: string
}

/** Days for which a household that was removed can be brought back. */
export const COME_BACK_DAYS = 30

/** Days for which what was removed is offered to be brought back. */
export const REMOVED_LATELY_DAYS = 90

/** A write: the body, and the version it was made from (0 for a new record). */
export const write = <Body extends z.ZodType>(body: Body) =>
  z.object({
    version: z
      .int('A version is a whole number.')
      .min(0, 'A version is 0 or more.')
      .max(2 ** 31 - 2, 'There is no such version.'),
    body,
  })

export const stored = <Body extends z.ZodType>(body: Body) =>
  z.object({ id, version: z.int(), number: z.int(), updatedAt: z.iso.datetime(), body })

export const HOUSEHOLD = household
