import { present } from '#core/present'
import { countsSeedlings } from '#core/sowing/crop'
import * as z from 'zod'
import { simulateSeasons } from '#core/season/uncertainty/simulate'
import { computedSeason, simulationToCompute } from '#shared/computations/season'
import { route } from '../../http/route'

export default route(
  {
    summary: 'Many seasons to how often the plants are there',
    body: simulationToCompute,
    answers: z.looseObject({
      seasons: z.int(),
      chance: z.record(z.string(), z.number()),
      chanceOfAll: z.number(),
    }),
    meaning: 'By the id of each sowing; the same seed gives the same seasons',
  },
  ({ body }) => {
    const wanted = new Map(body.sowings.map(({ id, sowing }) => [id, sowing.plants]))
    const { rows } = computedSeason(body)
    return {
      ...simulateSeasons(
        rows.map(({ id, planned, crop }) => ({
          ...{
            id,
            planned,
            plants: present(wanted.get(id)),
            clump: countsSeedlings(crop),
            seedlings: crop.seedlings,
          },
        })),
        body.seasons,
        body.seed,
      ),
    }
  },
)
