import { setResponseHeaders, type H3Event } from 'h3'
import { describedRoute, type Contract, type Described } from '../http/route'
import { HttpProblem } from '../http/problem-json'
import { readJsonBytes } from '../http/read-json'
import { COMPUTATIONS, type Computation, type ComputationName } from './computations'
import { inThread } from './pool'

/** A route that computes: its body goes to a thread as it came, and the answer comes back as it is sent. */
export const computeRoute = (
  name: ComputationName,
  contract: Omit<Contract<undefined, undefined, unknown>, 'body' | 'params' | 'query'>,
): Described =>
  describedRoute(
    { ...contract, body: (COMPUTATIONS[name] as Computation).body, refuses: [503] },
    async ({ event }) => computedInThread(event, name, await readJsonBytes(event)),
  )

/** A body computed in a thread, and its answer as it is sent. @throws HttpProblem 400, 422 */
export async function computedInThread(
  event: H3Event,
  name: ComputationName,
  body: Uint8Array,
): Promise<Buffer> {
  const { made, tookMs } = await inThread({ do: 'compute', name, body })
  if (!('bytes' in made)) {
    const { status, problems } = made
    throw new HttpProblem(status, problems[0]?.message ?? '', status === 422 ? problems : [])
  }
  setResponseHeaders(event, {
    'content-type': 'application/json',
    'server-timing': `thread;desc="${made.threadId}";dur=${tookMs.toFixed(1)}`,
  })
  return Buffer.from(made.bytes.buffer)
}
