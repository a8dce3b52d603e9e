import * as z from 'zod'
import { FEEDING_SCHOOLS,type ProgrammeRequest } from '#core/feed/programme'
import { amount,day,id,name,reference,ruled } from './rules'


const SCHOOL_IDS = FEEDING_SCHOOLS.map((school) => school.id) as [
  ProgrammeRequest['school'],
  ...ProgrammeRequest['school'][],
]

export const programme = ruled(
  z.object({
    name,
    feedId: reference,
    appetite: z.enum(['light', 'medium', 'heavy']),
    school: z.enum(SCHOOL_IDS),
    plants: z.int('Count whole plants.').describe('Plants that are fed'),
    batchId: id.nullable().default(null).describe('The batch they were sown in'),
    startOn: day.nullable().default(null).describe('The day they came up'),
    rungs: z
      .array(
        z.object({
          stageId: reference,
          days: amount.describe('How long it stays there'),
          containerId: reference,
          recipeId: reference.nullable().describe('The mix in it; null for that of the batch'),
          nMgPerL: amount.describe('Strength of a feed, mg/L of nitrogen; 0 for plain water'),
          everyDays: amount.describe('Days between feeds; 0 for one at potting up only'),
        }),
      )
      .max(12, 'A ladder has at most 12 rungs.'),
  }),
  (value) =>
    value.rungs.length ? [] : [{ path: ['rungs'], message: 'A programme needs at least one rung.' }],
)
export type ProgrammeRecord = z.output<typeof programme>
