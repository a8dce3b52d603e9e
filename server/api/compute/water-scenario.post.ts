import * as z from 'zod'
import { computeRoute } from '../../threads/compute-route'

export default computeRoute('water-scenario', {
  summary: 'A tray through weeks of a habit of watering: water, air, salts and food',
  answers: z.object({
    days: z.array(
      z.object({
        waterL: z.number(),
        gone: z.number().describe('Of the easily available water, 0 and more'),
        air: z.number().describe('A fraction of the mix'),
        ecMsPerCm: z.number(),
        nitrogenMg: z.number(),
        givenL: z.number(),
        backL: z.number(),
        lostL: z.number(),
        fed: z.boolean(),
      }),
    ),
    givenL: z.number(),
    drunkL: z.number(),
    lostL: z.number(),
    timesWatered: z.int(),
    wiltDays: z.int(),
    wetDays: z.int(),
    hungryFrom: z.int().nullable(),
    highestEc: z.number(),
  }),
  meaning: 'Day by day as each ended, and their sums; one plant a cell, up after a week',
})
