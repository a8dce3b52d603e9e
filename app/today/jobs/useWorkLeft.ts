import { useContext } from '~/household/context'
import { useRunStore } from '~/today/jobs/guided-jobs'
import { openSteps } from '#core/jobs/run'
import type { Step } from '#core/jobs/step'
import { workLeft } from '#core/jobs/timetable'
import type { Stored } from '#shared/records/collections'
import type { RunRecord } from '#shared/records/run'

/** How long the open steps of a run still take, as quick as hands were at such runs before; null where none is open. */
export function useWorkLeft() {
  const context = useContext()
  const runs = useRunStore()
  return (run: Stored<RunRecord>, steps: readonly Step[]) => {
    const open = openSteps(steps, runs.stands(run))
    return open.length ? workLeft(open, context.whole.calibrations.of('minutes', run.body.kind)) : null
  }
}
