import * as z from 'zod'
import { addressOf } from '../http/address'
import { route } from '../http/route'
import { makeExample } from '../services/examples'

export default route(
  {
    summary:
      'An example household, made up, on a day of its own: to look at beside one’s own, and to throw away',
    answers: z.object({ id: z.uuid() }),
    meaning: 'The id of the household that was made',
    refuses: [429],
  },
  ({ principal, act, event }) =>
    makeExample(principal, act?.id ?? crypto.randomUUID(), act, addressOf(event)),
)
