import { addDays, type Day } from '#core/calendar/day'
import type { Place } from '#core/places/place'
import { dayOf } from '#core/water/watering-events'
import { reservoirOf } from '#core/water/reservoir'
import type { Stored } from '../records/collections'
import type { TrayRecord } from '../records/tray'
import { hotAhead } from './season'
import type { TrayWater } from './water'
import { standingTrays, traysOfSowing, type Bench } from './bench'

/** A tray with its water. */
export interface Watered {
  readonly tray: Stored<TrayRecord>
  readonly water: TrayWater
}

/** Every tray that stands and can be worked out, with its water. */
const wateredNow = (bench: Bench): Watered[] =>
  standingTrays(bench).flatMap((tray) => {
    const water = bench.water(tray)
    return water ? [{ tray, water }] : []
  })

/** A place whose trays drink from a reservoir. */
export interface Reservoir {
  readonly place: Place
  readonly reservoir: ReturnType<typeof reservoirOf>
  readonly refillOn: Day | null
  readonly trays: readonly Stored<TrayRecord>[]
}

/** Which trays to water, and what else the round with the can looks at. */
export interface WaterRound {
  /** To water today; what is fed today is watered with it. */
  readonly today: readonly Watered[]
  readonly fed: readonly Watered[]
  readonly tomorrow: readonly Watered[]
  readonly toLook: readonly Watered[]
  readonly toDry: readonly Watered[]
  readonly reservoirs: readonly Reservoir[]
  /** Trays by the day they are next to be watered; today what is due, and what has not been looked at for days. */
  readonly days: ReadonlyMap<Day, readonly Watered[]>
  /** The hottest day ahead, °C; null where no forecast holds. */
  readonly hotC: number | null
}

export function waterRound(bench: Bench, all: readonly Watered[] = wateredNow(bench)): WaterRound {
  const { frame } = bench.context
  const places = frame?.places ?? []
  const isKeptWet = ({ tray }: Watered) =>
    places.some(({ id, reservoirL }) => id === tray.body.placeId && reservoirL != null)
  const wants = (verdict: TrayWater['outlook']['verdict']) =>
    all.filter(({ water }) => water.outlook.verdict === verdict)
  const isDue = ({ water }: Watered) => water.outlook.verdict === 'water'
  const fedToday = new Set(
    bench.jobs
      .filter(({ kind, state }) => kind === 'feed' && state !== 'coming' && state !== 'done')
      .flatMap(({ of }) => of.flatMap(({ sowingId }) => traysOfSowing(bench, sowingId).map(({ id }) => id))),
  )
  // What stands on a reservoir is not watered beside it.
  const due = all.filter((one) => isDue(one) && !isKeptWet(one))
  return {
    today: due.filter(({ tray }) => !fedToday.has(tray.id)),
    fed: due.filter(({ tray }) => fedToday.has(tray.id)),
    tomorrow: wants('tomorrow'),
    toLook: wants('look'),
    toDry: wants('let dry'),
    reservoirs: places.flatMap((place) => {
      const { reservoirL } = place
      const here = all.filter(({ tray }) => tray.body.placeId === place.id)
      return reservoirL == null || here.length === 0 ? [] : [filledAgain({ ...place, reservoirL }, here)]
    }),
    days: byDay(
      all.filter((one) => !isKeptWet(one) && !(isDue(one) && fedToday.has(one.tray.id))),
      bench.today,
    ),
    hotC: frame ? hotAhead(frame, bench.today) : null,
  }
}

/** What is due, or has not been looked at for days, is for today. */
function byDay(watered: readonly Watered[], today: Day): ReadonlyMap<Day, readonly Watered[]> {
  const days = new Map<Day, Watered[]>()
  for (const one of watered) {
    const { verdict, dueAt } = one.water.outlook
    const day = verdict === 'water' || verdict === 'look' ? today : dueAt === null ? null : dayOf(dueAt)
    if (day !== null) days.set(day, [...(days.get(day) ?? []), one])
  }
  return days
}

function filledAgain(place: Place & { reservoirL: number }, here: readonly Watered[]): Reservoir {
  const loss = here.reduce((sum, { water }) => sum + water.outlook.lossPerDayL.value, 0)
  const matM2 = here.reduce((sum, { water }) => sum + water.store.floorM2, 0)
  const reservoir = reservoirOf(place.reservoirL, matM2, loss)
  const filled = here.flatMap(({ water }) =>
    water.wateringEvents.flatMap((one) => (one.kind === 'watered' ? [one.at] : [])),
  )
  const refillOn = filled.length
    ? addDays(dayOf(Math.max(...filled)), Math.floor(reservoir.lastsDays.value))
    : null
  return { place, reservoir, refillOn, trays: here.map(({ tray }) => tray) }
}
