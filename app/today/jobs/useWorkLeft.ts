import { openSteps } from '#core/jobs/guided-job'
import type { Step } from '#core/jobs/step'
import { workLeft } from '#core/jobs/timetable'
import type { Stored } from '#shared/records/collections'
import type { GuidedJobRecord } from '#shared/records/guided-job'

/** How long the open steps of a job still take, as quick as hands were at such jobs before; null where none is open. */
export function useWorkLeft() {
  const context = useContext()
  const guidedJobs = useGuidedJobs()
  return (guidedJob: Stored<GuidedJobRecord>, steps: readonly Step[]) => {
    const open = openSteps(steps, guidedJobs.stands(guidedJob))
    return open.length ? workLeft(open, context.whole.calibrations.of('minutes', guidedJob.body.kind)) : null
  }
}
