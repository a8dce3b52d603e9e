import { cellVolume } from '#core/containers/container'
import { programmeProblems, type ProgrammeRequest } from '#core/feed/programme'
import { foodOf } from '#core/media/mix-food'
import { wrongAt, type Problem } from '#core/problem'
import type { Context } from './context'
import type { ProgrammeRecord } from '../records/programme'

type Known = Pick<Context, 'containers' | 'materials' | 'feeds' | 'mixOf'>

export function programmeRecordProblems(record: ProgrammeRecord, known: Known): Problem[] {
  const unknown = [
    ...(known.feeds.get(record.feedId) ? [] : [wrongAt(['feedId'], 'unknown', { what: 'feed' })]),
    ...record.stages.flatMap(({ containerId, recipeId }, i) => [
      ...(known.containers.get(containerId)
        ? []
        : [wrongAt(['stages', i, 'containerId'], 'unknown', { what: 'container' })]),
      ...(recipeId === null || known.mixOf(recipeId)
        ? []
        : [wrongAt(['stages', i, 'recipeId'], 'unknown', { what: 'recipe' })]),
    ]),
  ]
  return unknown.length ? unknown : programmeProblems(asProgrammeRequest(record, known))
}

/** The request core plans. @throws RangeError for an unknown feed or container */
export function asProgrammeRequest(record: ProgrammeRecord, known: Known): ProgrammeRequest {
  const feed = known.feeds.get(record.feedId)
  if (!feed) throw new RangeError(`feedId: '${record.feedId}' is not known`)
  const nothing = { parts: [], extras: [] }
  const ofBatch = (record.batchId && known.mixOf(record.batchId)) || nothing
  return {
    feed,
    appetite: record.appetite,
    method: record.method,
    plants: record.plants,
    stages: record.stages.map(({ containerId, recipeId, ...stage }) => {
      const container = known.containers.get(containerId)
      if (!container) throw new RangeError(`containerId: '${containerId}' is not known`)
      const mix = recipeId === null ? ofBatch : (known.mixOf(recipeId) ?? nothing)
      return {
        ...stage,
        cellMl: cellVolume(container).value,
        ...foodOf(mix, known.materials),
      }
    }),
  }
}
