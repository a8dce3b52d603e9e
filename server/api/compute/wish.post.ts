import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('wish', {
  summary: 'A wish in one sentence to the sowings it comes to',
  answers: z.object({
    wish: z.looseObject({
      heard: z.array(z.looseObject({ text: z.string() })),
      unread: z.array(z.string()),
    }),
    sowings: z.array(z.looseObject({ cropId: z.string(), plants: z.number() })),
  }),
  meaning:
    'What every word was taken for, what was not understood, what is to be asked; no sowings while anything is open',
})
