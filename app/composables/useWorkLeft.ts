import { useContext } from '~/state/context'
import { useRunStore } from '~/state/runs'
import { openSteps } from '#core/bench/run'
import type { Step } from '#core/bench/step'
import { workLeft } from '#core/bench/timetable'
import type { Stored } from '#shared/collections'
import type { RunRecord } from '#shared/records/run'

/** How long the open steps of a run still take, as quick as hands were at such runs before; null where none is open. */
export function useWorkLeft() {
  const context = useContext()
  const runs = useRunStore()
  return (run: Stored<RunRecord>, steps: readonly Step[]) => {
    const open = openSteps(steps, runs.stands(run))
    return open.length ? workLeft(open, context.whole.habits.of('minutes', run.body.kind)) : null
  }
}
