import { joinedMarks } from '#core/jobs/run'
import { find } from '../reckoning/bench'
import { run, type RunRecord } from '../records/run'
import { id } from '../records/rules'
import { command, plainCommand, refuse } from './command'
import { runOutcomes } from './run-outcome'

const fields = run.shape

/** A job at the bench is begun. */
export const beginRun = plainCommand('begin job', { id, body: run }, ({ id: runId, body }) => [
  { do: 'put', collection: 'runs', id: runId, version: 0, body },
])

/** What hands did in a job, or said of it: added to what is there, whoever was faster. */
export const markRun = plainCommand('mark job', { id, marks: fields.marks.unwrap().min(1) }, (intent) => [
  {
    do: 'update',
    collection: 'runs',
    id: intent.id,
    make: ({ body }) => ({ ...body, marks: joinedMarks(body.marks, intent.marks) }),
  },
])

/** Paused, taken up again, handed to another: said of the whole job. */
export const changeRun = plainCommand(
  'change job',
  {
    id,
    status: fields.status.unwrap().optional(),
    by: fields.by.unwrap().optional(),
    hands: fields.hands.unwrap().optional(),
  },
  ({ id: runId, status, by, hands }) => [
    {
      do: 'update',
      collection: 'runs',
      id: runId,
      make: ({ body }) => ({
        ...body,
        ...(status === undefined ? {} : { status }),
        ...(by === undefined ? {} : { by }),
        ...(hands === undefined ? {} : { hands }),
      }),
    },
  ],
)

/** A job is ended: what it did, so far as it was ticked, is written down with it. */
export const endRun = command('end job', { id, by: fields.by.unwrap() }, (bench, intent, acting) => {
  const stood = find(bench, 'runs', intent.id)
  if (!stood) return refuse(['id'], 'This job is not here any more.')
  if (stood.body.status === 'ended')
    return refuse(['id'], 'This job was ended already: what it did is written down.', stood)
  const body: RunRecord = { ...stood.body, by: intent.by }
  return [
    ...runOutcomes(bench, { body }).flatMap(({ changes }) => changes(acting)),
    {
      do: 'put',
      collection: 'runs',
      id: intent.id,
      version: stood.version,
      body: { ...body, status: 'ended' },
    },
  ]
})
