import type { RefusalKind } from '#shared/messages/refusals'
import { present } from '#core/present'
import * as z from 'zod'
import type { Day } from '#core/calendar/day'
import { feedDemands, loadOf, extentOf, mixDemands, overflows } from '#core/season/demand/demand'
import { doneBySowing } from '#core/season/today/marks'
import { anyOf, cellsFor, MAX_CELLS } from '#core/sowing/odds'
import { under, within, type Problem, wrongAt } from '#core/problem'
import { contextOf } from '../derived/context'
import { seasonFrame } from '../records/season-frame'
import { sowing } from '../records/sowing'
import { sowingRecordProblems } from '../derived/sowing-request'
import { packet } from '../records/packet'
import { hasSeason, openRows, seasonPlanner, type SeasonContext } from '../derived/season'
import { scenarioFor } from '../derived/water-scenario'
import { amount, day, id, idsOf, ruled } from '../records/rules'
import { placeOf } from '#core/places/place'
import { PLACE_KINDS } from '#core/places/place-kinds'
import { EC_PER_MG_N } from '#core/water/balance'
import { waterScenario, WATERING_HABITS, type WaterScenario } from '#core/water/water-scenario'

/*
 * What a script can ask of a season: the same questions as the pages put. The crops, containers and mixes are those of
 * the book; the frosts, the packets and what is sown come in the body.
 */

const UNIT_SYSTEMS = ['metric', 'us', 'imperial'] as const
const frame = {
  season: seasonFrame.describe('Frosts, shelf, lamps and methods'),
  packets: z.array(z.object({ id, packet })).max(200).default([]),
  today: day.describe('The day it is asked'),
}
type Framed = {
  season: z.output<typeof seasonFrame>
  packets: { id: string; packet: z.output<typeof packet> }[]
}
/** The book with what a request brings. */
export const seasonKnown = ({ season, packets }: Framed): SeasonContext => {
  const context = contextOf({
    household: { body: { units: 'metric', season } },
    packets: packets.map(({ id: packetId, packet: body }) => ({ id: packetId, body })),
  })
  if (!hasSeason(context)) throw new RangeError('season: the frosts are missing')
  return context
}

/** A wish in one sentence. */
export const wishToCompute = z.object({
  text: z.string().max(400, 'Say it in at most 400 letters.'),
  units: z.enum(UNIT_SYSTEMS).default('metric').describe('A US kitchen writes the month before the day'),
  ...frame,
})

export const sowingToCompute = ruled(z.object({ sowing, ...frame }), (value) =>
  under('sowing', sowingRecordProblems(value.sowing, seasonKnown(value))),
)

/** So many are planned within the time a request has. */
const MAX_SOWINGS = 200
const sowings = z
  .array(z.object({ id, sowing }))
  .max(MAX_SOWINGS, `A request plans at most ${MAX_SOWINGS} sowings.`)
const eachSowing = (
  value: Framed & { sowings: { sowing: z.output<typeof sowing> }[] },
): Problem<RefusalKind>[] => {
  const known = seasonKnown(value)
  return value.sowings.flatMap((one, i) =>
    under('sowings', under(i, under('sowing', sowingRecordProblems(one.sowing, known)))),
  )
}
export const seasonToCompute = ruled(z.object({ sowings, ...frame }), eachSowing)

const MAX_SEASONS = 500
export const simulationToCompute = ruled(
  z.object({
    sowings,
    seasons: z.int().min(1).max(MAX_SEASONS, `At most ${MAX_SEASONS} seasons.`).default(200),
    seed: amount.min(0).max(1, 'A seed lies between 0 and 1.').default(0.42),
    ...frame,
  }),
  eachSowing,
)

function raisedFrom(
  plants: number,
  germination: number,
  perCell: number,
  certainty: number,
): Problem<RefusalKind>[] {
  try {
    cellsFor(plants, anyOf(germination, perCell), certainty)
    return []
  } catch {
    // What is out of range is told at its own field.
    const isIn = germination >= 0.01 && germination <= 1 && certainty >= 0.5 && certainty <= 0.999
    return isIn ? [wrongAt(['plants'], 'tooManyToRaise', { most: MAX_CELLS })] : []
  }
}
export const oddsToCompute = ruled(
  z.object({
    plants: z.int().min(1, 'Ask for at least one plant.').max(20_000, 'Ask for at most 20 000 plants.'),
    germination: amount.describe('A fraction, 0–1'),
    perCell: z.int().min(1).max(50).default(1).describe('Seeds in a cell'),
    certainty: amount.default(0.9).describe('A fraction, 0.5–0.999'),
    up: z.int().min(0).nullable().default(null).describe('What came up, for its interval'),
    of: z.int().min(1).max(MAX_CELLS).nullable().default(null).describe('of so many'),
  }),
  ({ plants, germination, perCell, certainty, up, of }) => [
    ...raisedFrom(plants, germination, perCell, certainty),
    ...within(['germination'], germination, 0.01, 1, 'share'),
    ...within(['certainty'], certainty, 0.5, 0.999, 'share'),
    ...((up === null) !== (of === null) || (up ?? 0) > (of ?? 0) ? [wrongAt(['up'], 'upOfHowMany')] : []),
  ],
)

export const packingToCompute = ruled(
  z.object({
    shares: z
      .array(
        z.object({
          key: z.string().min(1).max(64),
          name: z.string().max(120),
          containerId: z.string().max(64).describe('A tray of the catalogue'),
          recipeId: z.string().max(64),
          sown: z.boolean().default(true).describe('Seed, or plants that are set in'),
          on: day,
          cells: z.int().min(1).max(MAX_CELLS),
          placeIds: z.string().max(200).default('').describe('Where it stands'),
          mixC: amount.min(0).max(45).default(20).describe('Warmth of the mix, °C'),
          light: z.enum(['wants light', 'wants dark', 'either']).default('either'),
          upDays: amount.min(0).max(200).nullable().default(null).describe('Days until it comes up'),
        }),
      )
      .max(500, 'A request packs at most 500 parts.'),
    withinDays: z.int().min(0).max(14).default(2).describe('Sowings so many days apart share a tray'),
  }),
  ({ shares }) => {
    const { containers } = contextOf({})
    return shares.flatMap(({ containerId, key }, i) => [
      ...(containers.has(containerId)
        ? []
        : [wrongAt(['shares', i, 'containerId'], 'unknown', { what: 'container' })]),
      ...(shares.findIndex((other) => other.key === key) < i
        ? [wrongAt(['shares', i, 'key'], 'keyTwice')]
        : []),
    ])
  },
)

/** A tray through weeks of a habit of watering. */
export const scenarioToCompute = ruled(
  z.object({
    recipeId: z.string().max(64).describe('A mix of the book'),
    containerId: z.string().max(64),
    place: z.object({
      kind: z.enum(idsOf(PLACE_KINDS)),
      dayC: amount.min(-10).max(45).nullish(),
      nightC: amount.min(-20).max(40).nullish(),
      humidity: amount.min(0.05).max(1).nullish(),
    }),
    habit: z.enum(WATERING_HABITS),
    how: z.enum(['above', 'below']).default('below'),
    days: z.int().min(1).max(365).default(42),
    waterEcMsPerCm: amount.min(0).max(10).default(0.4),
    feed: z
      .object({
        nMgPerL: amount.min(0).max(1000),
        everyDays: z.int().min(1).max(60),
        fromDaysUp: z.int().min(0).max(60).default(10),
      })
      .nullable()
      .default(null),
  }),
  ({ recipeId, containerId }) => {
    const { containers, mixOf } = contextOf({})
    return [
      ...(mixOf(recipeId) ? [] : [wrongAt(['recipeId'], 'unknown', { what: 'recipe' })]),
      ...(containers.has(containerId) ? [] : [wrongAt(['containerId'], 'unknown', { what: 'container' })]),
    ]
  },
)
export function computedScenario(value: z.output<typeof scenarioToCompute>): WaterScenario {
  const { dayC, nightC, humidity, kind } = value.place
  const usual = placeOf(kind, 'place')
  const place = {
    ...usual,
    dayC: dayC ?? usual.dayC,
    nightC: nightC ?? usual.nightC,
    humidity: humidity ?? null,
  }
  const feed = value.feed && { ...value.feed, ecMsPerCm: value.feed.nMgPerL * EC_PER_MG_N }
  const { recipeId, containerId, habit, how, days, waterEcMsPerCm: waterEc } = value
  const tried = { recipeId, containerId, habit, how, days, waterEc, feed, place, lampHours: 16 }
  return waterScenario(present(scenarioFor(contextOf({}), tried)))
}

/** A season planned as it stands on a day, with its trays shared, and all that it asks for. */
export function computedSeason(
  value: Framed & { sowings: { id: string; sowing: z.output<typeof sowing> }[]; today: Day },
) {
  const known = seasonKnown(value)
  const kept = value.sowings.map((one) => ({ id: one.id, body: one.sowing }))
  const { rows } = openRows(seasonPlanner(known, value.today), kept, { done: doneBySowing([]) }, value.today)
  const extent = extentOf(rows, known.frame, value.today)
  const load = loadOf(rows, extent.from, extent.days)
  return {
    rows,
    mixes: mixDemands(rows, known.frame),
    feeds: feedDemands(rows, known.frame),
    load,
    overflows: overflows(load, known.frame.places),
  }
}
