import { countsSeedlings } from '#core/sowing/crop'
import { CONTAINERS } from '#core/containers/catalogue'
import { FEEDS } from '#core/feed/feeds'
import { BUILT_IN } from '#core/media/materials'
import { STARTING_RECIPES } from '#core/media/recipes'
import { seasonBook } from '#core/season/book'
import { addDays, dayFrom } from '#core/calendar/day'
import { feedDemands, loadOf, mixDemands, type SeasonRow } from '#core/season/demand/demand'
import { feedSowing } from '#core/season/demand/feeding'
import type { SeasonFrame } from '#core/season/frame'
import { SCHEDULES } from '#core/season/schedule/schedules'
import { smallestShifts, type Standing } from '#core/season/fitting/repair'
import { simulateSeasons } from '#core/season/uncertainty/simulate'
import { planSowing } from '#core/season/schedule/sowing'
import type { SowingRequest } from '#core/season/schedule/sowing-request'
import { CROPS } from '#core/sowing/crops'
import { median, report } from './report'

/** A season is recomputed after one drag: only the dragged sowing is planned anew, against planning all of them. */
const LAST_FROST = dayFrom('2027-05-08')
const frame: SeasonFrame = {
  lastFrost: LAST_FROST,
  firstFrost: dayFrom('2027-10-12'),
  places: [
    {
      id: 'shelf',
      name: 'Shelf',
      kind: 'shelf',
      flats: 40,
      dayC: 20,
      nightC: 18,
      heatC: 24,
      light: null,
      cover: 'none',
    },
  ],
  lightMethod: 'sixteen',
  feedingMethod: 'weak and often',
  feedId: FEEDS[0]!.id,
  tubL: 40,
  canL: 9,
}
const book = seasonBook(
  (id) => CONTAINERS.find((one) => one.id === id),
  (id) => STARTING_RECIPES.find((one) => one.id === id),
  BUILT_IN,
)
const requests = Array.from({ length: 200 }, (_, i): SowingRequest => ({
  crop: CROPS[i % CROPS.length]!,
  plants: 20 + ((i * 37) % 180),
  season: 'spring',
  outOn: addDays(LAST_FROST, ((i * 13) % 60) - 20),
  sowOn: null,
  germination: null,
  seedYears: i % 4,
  seedsThere: null,
  certainty: 0.9,
  seedsPerCell: null,
  scheduleId: SCHEDULES[i % SCHEDULES.length]!.id,
  stages: null,
  done: {},
  notBefore: null,
}))
const rowOf = (request: SowingRequest, id: number): SeasonRow => {
  const planned = planSowing(request, frame, book)
  return {
    id: String(id),
    name: request.crop.name,
    planned,
    feeding: feedSowing(planned, request.crop, FEEDS[0]!, frame.feedingMethod, book),
  }
}
const demand = (rows: readonly SeasonRow[]) => [
  loadOf(rows, dayFrom('2027-01-01'), 300),
  mixDemands(rows, frame),
  feedDemands(rows, frame),
]
const rows = requests.map(rowOf)
let turn = 0
const drag = () => {
  turn++
  const moved = rows.slice()
  moved[turn % 200] = rowOf({ ...requests[turn % 200]!, outOn: addDays(LAST_FROST, turn % 30) }, turn % 200)
  return demand(moved)
}
const oneDragMs = median(40, drag)
const allMs = median(10, () => demand(requests.map(rowOf)))
report('A season of 200 sowings after one drag', oneDragMs, 'all of them planned anew', allMs)

const forty = requests.slice(0, 40).map((request, i) => ({
  id: String(i),
  plants: request.plants,
  clump: countsSeedlings(request.crop),
  seedlings: request.crop.seedlings,
  planned: rows[i]!.planned,
}))
const simulateMs = median(4, () => simulateSeasons(forty, 2000))
console.log(`2 000 simulated seasons of 40 sowings: ${simulateMs.toFixed(0)} ms`)

const standings = Array.from({ length: 40 }, (_, i): Standing => ({
  id: String(i),
  start: (i * 7) % 80,
  flats: [...new Array<number>(30).fill(1), ...new Array<number>(25).fill(3)],
  earliest: -14,
  latest: 21,
}))
const loads = new Map<number, number>()
for (const { start, flats } of standings)
  flats.forEach((n, i) => loads.set(start + i, (loads.get(start + i) ?? 0) + n))
const most = Math.max(...loads.values())
for (const spare of [1, 2, 3]) {
  const startedAt = performance.now()
  const { shifts, whole } = smallestShifts(standings, most - spare)
  console.log(
    `Repair, ${spare} flats over: ${shifts?.length ?? 'no'} shifts${whole ? '' : ' (search cut short)'} in ${(performance.now() - startedAt).toFixed(0)} ms`,
  )
}
