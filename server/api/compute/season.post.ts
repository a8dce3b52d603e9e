import * as z from 'zod'
import { computedSeason, seasonToCompute } from '#shared/computations/season'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A season to its dates, shared trays, mix, feed and shelf',
    body: seasonToCompute,
    answers: z.object({
      sowings: z.array(
        z.looseObject({
          id: z.string(),
          sowOn: z.string(),
          stages: z.array(z.looseObject({ trays: z.number().nullable(), sharesWith: z.array(z.string()) })),
        }),
      ),
      mixes: z.array(z.looseObject({ recipeId: z.string(), on: z.string(), looseL: z.number() })),
      feeds: z.array(z.looseObject({ on: z.string(), nMgPerL: z.number(), solutionL: z.number() })),
      flats: z.object({
        from: z.string(),
        byDay: z.record(z.string(), z.array(z.number())).describe('By the place’s id'),
      }),
      overflows: z.array(z.looseObject({ placeId: z.string(), most: z.number() })),
    }),
    meaning:
      'Everything is worked out from the sowings; of a shared tray a sowing has its part of the cells in use',
  },
  ({ body }) => {
    const { rows, mixes, feeds, load, overflows } = computedSeason(body)
    return {
      sowings: rows.map(({ id, name, planned, feeding }) => ({
        id,
        name,
        sowOn: planned.sowOn,
        emergeOn: planned.emergeOn,
        outOn: planned.outOn,
        cells: planned.cells,
        seeds: planned.seeds,
        hungryOn: feeding.hungryOn,
        stages: planned.stages.map(
          ({ kind, from, until, container, recipeId, cells, looseL, flats, placed }) => ({
            ...{ kind, from, until, containerId: container.id, recipeId, cells, looseL, flats },
            trays: placed?.trays ?? null,
            sharesWith: [...(placed?.sharesWith ?? [])],
            apart: placed?.apart ?? null,
          }),
        ),
      })),
      mixes: mixes.map(({ recipeId, on, soakOn, looseL, tubs, of }) => ({
        ...{ recipeId, on, soakOn, looseL, tubs },
        of: [...of],
      })),
      feeds: feeds.map(({ on, nMgPerL, solutionL, cans }) => ({ on, nMgPerL, solutionL, cans })),
      flats: {
        from: load.from,
        byDay: Object.fromEntries([...load.places].map(([id, flats]) => [id, [...flats]])),
      },
      overflows: overflows.map(({ place, from, until, most }) => ({ placeId: place.id, from, until, most })),
    }
  },
)
