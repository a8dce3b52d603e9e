import { joinedMarks } from '#core/jobs/guided-job'
import { find } from '../derived/bench'
import { guidedJob, type GuidedJobRecord } from '../records/guided-job'
import { id } from '../records/rules'
import { command, plainCommand, refuse } from './command'
import { guidedJobOutcomes } from './guided-job-outcome'

const fields = guidedJob.shape

/** A job at the bench is begun. */
export const beginJob = plainCommand('begin job', { id, body: guidedJob }, ({ id: jobId, body }) => [
  { do: 'put', collection: 'guidedJobs', id: jobId, version: 0, body },
])

/** What hands did in a job, or said of it: added to what is there, whoever was faster. */
export const markJob = plainCommand('mark job', { id, marks: fields.marks.unwrap().min(1) }, (intent) => [
  {
    do: 'update',
    collection: 'guidedJobs',
    id: intent.id,
    make: ({ body }) => ({ ...body, marks: joinedMarks(body.marks, intent.marks) }),
  },
])

/** Paused, taken up again, handed to another: said of the whole job. */
export const changeJob = plainCommand(
  'change job',
  {
    id,
    status: fields.status.unwrap().optional(),
    by: fields.by.unwrap().optional(),
    hands: fields.hands.unwrap().optional(),
  },
  ({ id: jobId, status, by, hands }) => [
    {
      do: 'update',
      collection: 'guidedJobs',
      id: jobId,
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
export const endJob = command('end job', { id, by: fields.by.unwrap() }, (bench, intent, acting) => {
  const stood = find(bench, 'guidedJobs', intent.id)
  if (!stood) return refuse(['id'], { kind: 'gone', values: { what: 'job' } })
  if (stood.body.status === 'ended') return refuse(['id'], { kind: 'jobFinished' }, stood)
  const body: GuidedJobRecord = { ...stood.body, by: intent.by }
  return [
    ...guidedJobOutcomes(bench, { body }).flatMap(({ changes }) => changes(acting)),
    {
      do: 'put',
      collection: 'guidedJobs',
      id: intent.id,
      version: stood.version,
      body: { ...body, status: 'ended' },
    },
  ]
})
