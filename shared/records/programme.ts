import * as z from 'zod'
import { cellVolume } from '#core/containers/container'
import { FEEDING_SCHOOLS, programmeProblems, type ProgrammeRequest } from '#core/feed/programme'
import { foodOf } from '#core/media/mix-food'
import type { Problem } from '#core/problem'
import type { Context } from '../context'
import { amount, day, id, name, reference, ruled } from '../rules'

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
    startOn: day.nullable().default(null).describe('The day they came up'),
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

type Reckoned = Pick<Context, 'containers' | 'materials' | 'feeds' | 'mixOf'>

export function programmeRecordProblems(record: ProgrammeRecord, known: Reckoned): Problem[] {
  const unknown = [
    ...(known.feeds.get(record.feedId) ? [] : [{ path: ['feedId'], message: 'This feed is not known.' }]),
    ...record.rungs.flatMap(({ containerId, recipeId }, i) => [
      ...(known.containers.get(containerId)
        ? []
        : [{ path: ['rungs', i, 'containerId'], message: 'This container is not known.' }]),
      ...(recipeId === null || known.mixOf(recipeId)
        ? []
        : [{ path: ['rungs', i, 'recipeId'], message: 'This recipe is not known.' }]),
    ]),
  ]
  return unknown.length ? unknown : programmeProblems(asProgrammeRequest(record, known))
}

/** The request core plans. @throws RangeError for an unknown feed or container */
export function asProgrammeRequest(record: ProgrammeRecord, known: Reckoned): ProgrammeRequest {
  const feed = known.feeds.get(record.feedId)
  if (!feed) throw new RangeError(`feedId: '${record.feedId}' is not known`)
  const nothing = { parts: [], extras: [] }
  const ofBatch = (record.batchId && known.mixOf(record.batchId)) || nothing
  return {
    feed,
    appetite: record.appetite,
    school: record.school,
    plants: record.plants,
    rungs: record.rungs.map(({ containerId, recipeId, ...rung }) => {
      const container = known.containers.get(containerId)
      if (!container) throw new RangeError(`containerId: '${containerId}' is not known`)
      const mix = recipeId === null ? ofBatch : (known.mixOf(recipeId) ?? nothing)
      return {
        ...rung,
        cellMl: cellVolume(container).value,
        ...foodOf(mix, known.materials),
      }
    }),
  }
}
