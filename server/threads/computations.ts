import type * as z from 'zod'
import { present } from '#core/present'
import { planDose } from '#core/feed/dose'
import { blendFeeds } from '#core/feed/blend'
import { granularFor } from '#core/feed/granular'
import { planProgramme } from '#core/feed/programme'
import { planStock } from '#core/feed/stock'
import { blendWithRain } from '#core/feed/water'
import { planBatch } from '#core/media/batch'
import { blendOf } from '#core/media/blend'
import { mostContainers } from '#core/media/capacity'
import { chemistryOf, dosed } from '#core/media/chemistry'
import { findMixes } from '#core/media/finder'
import { insideOf } from '#core/media/inside'
import { packTrays } from '#core/season/packing/packing'
import { planSowing } from '#core/season/schedule/sowing'
import { simulateSeasons } from '#core/season/uncertainty/simulate'
import { countsSeedlings } from '#core/sowing/crop'
import { anyOf, cellsFor, plantsLikely, wilson } from '#core/sowing/odds'
import { cheapestPacks } from '#core/supplies/shopping'
import { batchToCompute, withOwn } from '#shared/computations/batch'
import { doseToCompute } from '#shared/computations/dose'
import {
  asFinderRequest,
  blendToCompute,
  capacityToCompute,
  findToCompute,
  granularToCompute,
  knownInBooks,
  mixToCompute,
  programmeToCompute,
  shoppingToCompute,
  stockToCompute,
  waterToCompute,
} from '#shared/computations/mix-and-feed'
import {
  computedScenario,
  computedSeason,
  oddsToCompute,
  packingToCompute,
  scenarioToCompute,
  seasonKnown,
  seasonToCompute,
  simulationToCompute,
  sowingToCompute,
  wishToCompute,
} from '#shared/computations/season'
import { asBatchRequest } from '#shared/derived/batch-request'
import { contextOf } from '#shared/derived/context'
import { asDoseRequest } from '#shared/derived/dose-request'
import { asProgrammeRequest } from '#shared/derived/programme-request'
import { asSowingRequest } from '#shared/derived/sowing-request'
import { computedRead, orderOf, readToCompute } from '#shared/computations/read'
import { knownFrom } from '#core/language/reading'
import { wordsOf } from '#shared/derived/known'
import { heardWish } from '#shared/derived/heard-wish'
import { asFeed } from '#shared/records/as-feed'
import { sayCautions } from '#shared/messages/cautions'
import { sayNoWay } from '#shared/messages/feed'
import { sayVerdict } from '#shared/messages/mix'
import { tabled } from '../http/figures'

/*
 * What a script can have computed, from its body to its answer. Each is done in a thread of its own (thread.ts), the reading and
 * checking of the body too, so that no computation holds up the requests of others.
 */

/** One computation: what it takes, and what it makes of it. */
export interface Computation<Body = unknown> {
  readonly body: z.ZodType<Body>
  readonly compute: (body: Body) => object
}
const computation = <Body>(body: z.ZodType<Body>, compute: (body: Body) => object) => ({ body, compute })

export const COMPUTATIONS = {
  batch: computation(batchToCompute, (body) => {
    const plan = planBatch(asBatchRequest(body, withOwn(body)))
    return tabled({ ...plan, cautions: sayCautions(plan.cautions) })
  }),
  blend: computation(blendToCompute, (body) => {
    const feeds = body.feeds.map((feed, i) => asFeed(String(i), feed))
    const { lines, gives, misses, concentrates } = blendFeeds(feeds, body.wanted, body.kinds, body.water)
    const names = (list: readonly { name: string }[]) => list.map(({ name }) => name)
    return {
      lines: lines.map(({ feed, gPerL }) => ({ feed: feed.name, gPerL })),
      gives,
      misses,
      concentrates: {
        a: names(concentrates.a),
        b: names(concentrates.b),
        alone: names(concentrates.alone),
      },
    }
  }),
  capacity: computation(capacityToCompute, ({ batch, fillIndex, availableL }) =>
    mostContainers(asBatchRequest(batch, withOwn(batch)), fillIndex, availableL),
  ),
  dose: computation(doseToCompute, (body) => {
    const plan = planDose(asDoseRequest(body))
    return tabled({
      ...plan,
      noWay: plan.noWay && sayNoWay(plan.noWay),
      cautions: sayCautions(plan.cautions),
    })
  }),
  find: computation(findToCompute, (body) => {
    const { looked, fitting, best, excludedBy } = findMixes(asFinderRequest(body))
    return { looked, fitting, best, excludedBy }
  }),
  granular: computation(granularToCompute, (body) =>
    tabled(
      granularFor(
        asFeed('feed', body.feed),
        body.gPerL,
        present(withOwn({ ...body, materials: [] }).containers.get(body.containerId)),
      ),
    ),
  ),
  mix: computation(mixToCompute, (body) => {
    const { containers, materials } = withOwn(body)
    const container = present(containers.get(body.containerId))
    const blend = blendOf(body.parts, materials, body.homeTests)
    const chemistry = chemistryOf(blend.ingredients, blend.mixingLoss, dosed(body.extras, materials))
    const { plants, blockCompression: press } = body
    const inside = insideOf(container, blend, chemistry, { plants, press })
    const verdicts = inside.verdicts.map((one) => ({ ...one, ...sayVerdict(one, { said: String }) }))
    return tabled({ ...inside, verdicts, chemistry, mixingLoss: blend.mixingLoss })
  }),
  odds: computation(oddsToCompute, ({ plants, germination, perCell, certainty, up, of }) => {
    const chance = anyOf(germination, perCell)
    const cells = cellsFor(plants, chance, certainty)
    return {
      chance,
      cells,
      plants: plantsLikely(cells, chance, certainty),
      interval: up === null || of === null ? null : wilson(up, of),
    }
  }),
  packing: computation(packingToCompute, ({ shares, withinDays }) => {
    const { containers } = contextOf({})
    const placed = packTrays(
      shares.map(({ containerId, ...share }) => ({
        ...share,
        container: present(containers.get(containerId)),
      })),
      withinDays,
    )
    return {
      placed: [...placed].map(([key, one]) => ({
        key,
        ...one,
        sharesWith: [...one.sharesWith],
        in: [...one.in],
      })),
    }
  }),
  programme: computation(programmeToCompute, (body) =>
    tabled(planProgramme(asProgrammeRequest(body, knownInBooks))),
  ),
  season: computation(seasonToCompute, (body) => {
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
  }),
  shopping: computation(shoppingToCompute, ({ need, offers }) => ({ purchase: cheapestPacks(offers, need) })),
  simulation: computation(simulationToCompute, (body) => {
    const wanted = new Map(body.sowings.map(({ id, sowing }) => [id, sowing.plants]))
    const { rows } = computedSeason(body)
    const sown = rows.map(({ id, planned, crop }) => ({
      ...{ id, planned, plants: present(wanted.get(id)) },
      ...{ clump: countsSeedlings(crop), seedlings: crop.seedlings },
    }))
    return { ...simulateSeasons(sown, body.seasons, body.seed) }
  }),
  sowing: computation(sowingToCompute, (body) => {
    const known = seasonKnown(body)
    const request = present(asSowingRequest(body.sowing, known, { notBefore: body.today }))
    return tabled({ ...planSowing(request, known.frame, known.book) })
  }),
  stock: computation(stockToCompute, (body) => {
    const request = asDoseRequest(body)
    const { massG, volumeMl } = planDose(request)
    return tabled({ stock: planStock(request.feed, { massG, volumeMl }, request.tools) })
  }),
  water: computation(waterToCompute, ({ rainShare, ...water }) => tabled(blendWithRain(water, rainShare))),
  'water-scenario': computation(scenarioToCompute, (body) => computedScenario(body)),
  wish: computation(wishToCompute, (body) => {
    const known = seasonKnown(body)
    const { meaning, heard, questions, sowings } = heardWish(
      body.text,
      knownFrom(wordsOf(known, body.today, orderOf(body.units), body.units)),
      known,
    )
    return { wishes: meaning, heard, questions, sowings: sowings.flat() }
  }),
  read: computation(readToCompute, computedRead),
} as const
export type ComputationName = keyof typeof COMPUTATIONS
