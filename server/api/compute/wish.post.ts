import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('wish', {
  summary: 'Wishes in one sentence to the sowings they come to',
  answers: z.object({
    wishes: z.array(z.looseObject({ cropId: z.string().nullable() })),
    heard: z.array(z.looseObject({ text: z.string(), means: z.string() })),
    questions: z.array(z.looseObject({ question: z.string() })),
    sowings: z.array(z.looseObject({ cropId: z.string(), plants: z.number() })),
  }),
  meaning: 'What every word was taken for, and what is to be asked; no sowings while anything is open',
})
