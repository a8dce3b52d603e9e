import { nightIn, type Place } from '#core/places/place'
import type { Bench } from './bench'
import { nightAhead } from './season'

/** What a cold night means for what stands where the frost gets in. */
export interface Tonight {
  /** By the forecast, outside, °C. */
  readonly nightC: number
  /** What is too tender for where it stands. */
  readonly bringIn: readonly string[]
  /** What stands the night where it is, and where that is. */
  readonly safe: readonly { readonly name: string; readonly place: Place }[]
}

/** From this night on there is nothing to tell, °C [common practice: tender crops suffer below 10 °C]. */
const MILD_C = 10

/**
 * Tonight, where it matters: something stands in a frame, a greenhouse or outside, and the night is cold.
 *
 * @returns null where no forecast is known, or nothing stands in the cold
 */
export function tonightOf(bench: Bench): Tonight | null {
  const { season, today, rows, done, jobs } = bench
  const nightC = season && nightAhead(season.frame, today)
  if (nightC === null || nightC >= MILD_C) return null
  const bringIn = [
    ...new Set(
      jobs
        .filter(({ state, danger }) => state !== 'done' && danger?.kind === 'nights too cold')
        // What is only to go out is inside still.
        .filter(({ kind }) => kind === 'shelter' || kind === 'harden')
        .flatMap(({ names }) => names),
    ),
  ]
  const safe = rows.flatMap((row) => {
    const marks = done.get(row.id)
    if (!marks || marks['out'] !== undefined) return []
    const stage = row.planned.stages.findLast(({ index }) => marks[`stage-${index}`] !== undefined)
    const place = stage?.where.place
    const night = place && nightIn(place, nightC)
    return place &&
      night !== null &&
      night !== undefined &&
      night >= row.crop.lowestNightC &&
      !bringIn.includes(row.name)
      ? [{ name: row.name, place }]
      : []
  })
  return bringIn.length + safe.length ? { nightC, bringIn, safe } : null
}
