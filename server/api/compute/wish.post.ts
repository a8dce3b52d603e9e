import * as z from 'zod'
import { heardWish, listeningOf } from '#shared/reckoning/wish'
import { seasonKnown, wishToCompute } from '#shared/computations/season'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A wish in one sentence to the sowings it comes to',
    body: wishToCompute,
    answers: z.object({
      wish: z.looseObject({
        heard: z.array(z.looseObject({ text: z.string() })),
        unread: z.array(z.string()),
      }),
      sowings: z.array(z.looseObject({ cropId: z.string(), plants: z.number() })),
    }),
    meaning:
      'What every word was taken for, what was not understood, what is to be asked; no sowings while anything is open',
  },
  ({ body }) => {
    const known = seasonKnown(body)
    const order = body.units === 'us' ? 'month first' : 'day first'
    const { wish, sowings } = heardWish(body.text, listeningOf(known, body.today, order), known)
    return { wish, sowings: [...sowings] }
  },
)
