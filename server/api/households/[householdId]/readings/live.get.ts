import { createEventStream } from 'h3'
import * as z from 'zod'
import { householdParams } from '../../../../http/params'
import { route } from '../../../../http/route'
import { listenLive } from '../../../../services/live'
import { inHousehold } from '../../../../db/door'
import { findHousehold } from '../../../../services/read-records'

/** A silent line is cut by what stands between; a word now and then keeps it. */
const WORD_MS = 20_000

export default route(
  {
    summary: 'Readings as they come, as server-sent events',
    params: householdParams,
    answers: z.string(),
    meaning: 'Each event: { deviceId, readings: [{ quantity, name, atMs, value }] }',
    type: 'text/event-stream',
    refuses: [404],
  },
  async ({ params, event, principal }) => {
    await inHousehold(principal, params.householdId, (tx) => findHousehold(params.householdId, tx))
    const stream = createEventStream(event)
    const end = await listenLive(params.householdId, ({ deviceId, readings }) => {
      void stream.push(JSON.stringify({ deviceId, readings }))
    })
    const word = setInterval(() => void stream.push({ event: 'still-here', data: '' }), WORD_MS)
    stream.onClosed(async () => {
      clearInterval(word)
      end()
      await stream.close()
    })
    void stream.push({ event: 'still-here', data: '' })
    return stream.send()
  },
)
