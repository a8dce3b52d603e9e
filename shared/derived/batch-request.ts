import { batchProblems, type BatchRequest } from '#core/media/batch-request'
import { cellVolume } from '#core/containers/container'
import { wrongAt, type Problem } from '#core/problem'
import type { Context } from './context'
import { learnedAllowances, learnedVessel } from './calibrated-catalogues'
import type { BatchFields } from '../records/batch'

type Known = Pick<Context, 'containers' | 'materials' | 'homeTests'> & Partial<Pick<Context, 'calibrations'>>

/** What is wrong with a batch, given what the household knows. */
export function batchRecordProblems(fields: BatchFields, known: Known): Problem[] {
  const unknown = fields.fills.flatMap(({ containerId, ballContainerId }, index) =>
    Object.entries({ containerId, ballContainerId })
      .filter(([, id]) => id && !known.containers.has(id))
      .map(([key]) => wrongAt(['fills', index, key], 'unknown', { what: 'container' })),
  )
  return unknown.length ? unknown : batchProblems(asBatchRequest(fields, known))
}

/** The request core plans. @throws RangeError for an unknown container. */
export function asBatchRequest(fields: BatchFields, known: Known): BatchRequest {
  return {
    ...fields,
    allowances: known.calibrations
      ? learnedAllowances(fields.allowances, known.calibrations)
      : fields.allowances,
    scoop: known.calibrations ? learnedVessel(fields.scoop, known.calibrations) : fields.scoop,
    materials: known.materials,
    homeTests: known.homeTests,
    fills: fields.fills.map(({ containerId, ballContainerId, ...fill }, index) => {
      const found = known.containers.get(containerId)
      if (!found) throw new RangeError(`fills[${index}].containerId: '${containerId}' is not known`)
      const from = ballContainerId ? known.containers.get(ballContainerId) : undefined
      return { ...fill, container: found, ...(from && { ballMl: cellVolume(from).value, ballContainerId }) }
    }),
  }
}
