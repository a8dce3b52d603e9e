import { feedDemands, mixDemands } from '#core/season/demand/demand'
import { visitsOf } from '#core/season/schedule/final-care'
import { needsOfFeed, needsOfMix, needsOfVisit, type DatedNeeds } from '#core/season/demand/shopping'
import { needsOfBatch } from '#core/supplies/needs'
import type { Bench } from './bench'
import { plannedBatch } from './planned-cards'
import { shelvesOf } from './shelves'
import { needsOfProgrammes, shortagesOf, unmadeBatches } from './shortage'

/**
 * All that is still to be mixed and fed, by day, each once: batches that are planned and not made, the mixes and feeds of the
 * season no batch is planned for, care in the last container, and the feeding schedules of feeds the season does not use.
 */
export function neededByDay(bench: Bench): DatedNeeds[] {
  const { context, season, today, done } = bench
  const batches = unmadeBatches(bench).flatMap(({ body }): DatedNeeds[] => {
    const planned = plannedBatch(body, context)
    return planned ? [{ on: body.onDate ?? today, needs: needsOfBatch(planned.plan) }] : []
  })
  const programmes = needsOfProgrammes(bench)
  if (!season) return [...batches, ...(programmes.length ? [{ on: today, needs: programmes }] : [])]

  const isDone = (sowingId: string, stage: number) => done.get(sowingId)?.[`stage-${stage}`] !== undefined
  const inBatch = new Set(
    bench.kept.batches.flatMap(({ body }) => body.sowings.map(({ id, stage }) => `${id} ${stage}`)),
  )
  const mixes = mixDemands(bench.rows, season.frame)
    .filter(({ of }) => of.some(({ sowingId, stage }) => !isDone(sowingId, stage)))
    .filter(({ of }) => !of.every(({ sowingId, stage }) => inBatch.has(`${sowingId} ${stage}`)))
    .flatMap((demand): DatedNeeds[] => {
      const recipe = context.recipes.get(demand.recipeId)
      return recipe ? [needsOfMix(demand, recipe, context.materials)] : []
    })
  const feed = context.feeds.get(season.frame.feedId)
  const feeds = feed
    ? feedDemands(bench.rows, season.frame)
        .filter(({ on }) => on >= today)
        .map((demand) => needsOfFeed(demand, feed))
    : []
  const care = bench.rows.flatMap((row) =>
    visitsOf(row, row.planned.outOn)
      .filter(({ on }) => on >= today)
      .map((visit) => needsOfVisit(visit, context.materials)),
  )
  const others = programmes.filter(({ id }) => feeds.length === 0 || id !== feed?.id)
  return [...batches, ...mixes, ...feeds, ...care, ...(others.length ? [{ on: today, needs: others }] : [])]
}

/** What runs short, with what is written down in the supplies; what nobody keeps a record of is not counted. */
export const whatRunsShort = (bench: Bench) =>
  shortagesOf(
    neededByDay(bench).flatMap(({ needs }) => needs),
    bench.context,
  ).filter(({ goods, short }) => short > 0 && shelvesOf(bench.context.stocks, goods).length > 0)
