import * as z from 'zod'
import { cellVolume } from '#core/containers/container'
import { FEEDING_SCHOOLS, programmeProblems, type ProgrammeRequest } from '#core/feed/programme'
import type { Feed } from '#core/feed/feed'
import type { Part } from '#core/media/recipe'
import { releasedBy } from '#core/media/released'
import { STARTING_RECIPES } from '#core/media/recipes'
import type { Problem } from '#core/problem'
import { amount, id, name, reference, ruled } from '../rules'
import { findContainer, type Shed } from './batch'
import { findFeed } from './feeding'

const SCHOOL_IDS = FEEDING_SCHOOLS.map((school) => school.id) as [
  ProgrammeRequest['school'],
  ...ProgrammeRequest['school'][],
]

export const programme = ruled(
  z.object({
    name,
    feedId: reference,
    appetite: z.enum(['light', 'medium', 'heavy']),
    school: z.enum(SCHOOL_IDS),
    plants: z.int('Count whole plants.').describe('Plants that are fed'),
    batchId: id.nullable().default(null).describe('The batch they were sown in'),
    startOn: z.iso.date('This is not a date.').nullable().default(null).describe('The day they came up'),
    rungs: z
      .array(
        z.object({
          stageId: reference,
          days: amount.describe('How long it stays there'),
          containerId: reference,
          recipeId: reference.nullable().describe('The mix in it; null for that of the batch'),
          nMgPerL: amount.describe('Strength of a feed, mg/L of nitrogen; 0 for plain water'),
          everyDays: amount.describe('Days between feeds; 0 for one at potting up only'),
        }),
      )
      .max(12, 'A ladder has at most 12 rungs.'),
  }),
  (value) =>
    value.rungs.length ? [] : [{ path: ['rungs'], message: 'A programme needs at least one rung.' }],
)
export type ProgrammeRecord = z.output<typeof programme>

/** What a programme is reckoned with. */
export interface Greenhouse extends Shed {
  readonly feeds: readonly Feed[]
  /** Parts of the household's own recipes and of its batches, by id. */
  readonly parts: ReadonlyMap<string, readonly Part[]>
}

/** Of one of the household’s own recipes or batches, else of a starting recipe. */
export const partsOf = (recipeId: string, own: Greenhouse['parts']) =>
  own.get(recipeId) ?? STARTING_RECIPES.find((recipe) => recipe.id === recipeId)?.parts

export function programmeRecordProblems(record: ProgrammeRecord, known: Greenhouse): Problem[] {
  const unknown = [
    ...(findFeed(record.feedId, known.feeds)
      ? []
      : [{ path: ['feedId'], message: 'This feed is not known.' }]),
    ...record.rungs.flatMap(({ containerId, recipeId }, i) => [
      ...(findContainer(containerId, known.containers)
        ? []
        : [{ path: ['rungs', i, 'containerId'], message: 'This container is not known.' }]),
      ...(recipeId === null || partsOf(recipeId, known.parts)
        ? []
        : [{ path: ['rungs', i, 'recipeId'], message: 'This recipe is not known.' }]),
    ]),
  ]
  return unknown.length ? unknown : programmeProblems(asProgrammeRequest(record, known))
}

/** The request core plans. @throws RangeError for an unknown feed or container */
export function asProgrammeRequest(record: ProgrammeRecord, known: Greenhouse): ProgrammeRequest {
  const feed = findFeed(record.feedId, known.feeds)
  if (!feed) throw new RangeError(`feedId: '${record.feedId}' is not known`)
  const ofBatch = (record.batchId && known.parts.get(record.batchId)) || []
  return {
    feed,
    appetite: record.appetite,
    school: record.school,
    plants: record.plants,
    rungs: record.rungs.map(({ containerId, recipeId, ...rung }) => {
      const container = findContainer(containerId, known.containers)
      if (!container) throw new RangeError(`containerId: '${containerId}' is not known`)
      const parts = recipeId === null ? ofBatch : (partsOf(recipeId, known.parts) ?? [])
      return {
        ...rung,
        cellMl: cellVolume(container).value,
        releasedMgPerL: releasedBy(parts, known.materials),
      }
    }),
  }
}
