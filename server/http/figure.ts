import * as z from 'zod'

/** A figure as it crosses the wire. */
export const figure = z.looseObject({
  name: z.string(),
  value: z.number(),
  unit: z.string(),
  working: z.looseObject({ kind: z.enum(['given', 'derived']) }),
})
