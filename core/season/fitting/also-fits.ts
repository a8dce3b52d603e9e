import { first } from '../../numeric/at'
import type { Crop } from '../../sowing/crop'
import type { SeasonBook } from '../book'
import { daysBetween } from '../../calendar/day'
import type { SeasonRow } from '../demand/demand'
import { shareDaysOf, type SeasonFrame } from '../frame'
import { scheduleById } from '../schedule/schedules'
import { apart } from '../packing/packing'
import { shareOf } from '../packing/sharing'
import { planSowing } from '../schedule/sowing'
import { asked } from './sow-now'
import { scheduleFromWish } from '../schedule/schedule-from-wish'

/** A crop that can take the free cells of a tray. */
export interface AlsoFits {
  readonly crop: Crop
  readonly season: 'spring' | 'autumn'
}

/**
 * What else fits into the cells of a tray that are left: crops whose days of sowing hold that day, and which come up with
 * what is sown there, as warm, as light, in the same place. Those whose usual day is nearest stand first.
 */
export function alsoFits(
  row: SeasonRow & { readonly crop: Crop },
  crops: Iterable<Crop>,
  frame: SeasonFrame,
  book: SeasonBook,
): AlsoFits[] {
  const [foot] = row.planned.stages
  if (!foot || foot.recipeId === null) return []
  const { container, recipeId, from } = foot
  const tray = shareOf(row, foot)
  const found = [...crops].flatMap((crop) => {
    if (crop.id === row.crop.id) return []
    const usual = scheduleById(crop.scheduleId).stages
    const stages = scheduleFromWish(usual, { containerId: container.id, recipeId }, book.findContainer)
    return (crop.autumn ? (['spring', 'autumn'] as const) : (['spring'] as const)).flatMap((season) => {
      const { sowRange } = planSowing({ ...asked(crop, season), stages }, frame, book)
      if (from < sowRange[0] || from > sowRange[1]) return []
      const planned = planSowing({ ...asked(crop, season), stages, sowOn: from }, frame, book)
      const share = shareOf({ id: crop.id, name: crop.name, planned, crop }, first(planned.stages))
      if (!planned.emergence || apart(tray, share, shareDaysOf(frame)) !== null) return []
      const middle = (daysBetween(sowRange[0], from) + daysBetween(sowRange[1], from)) / 2
      return [{ crop, season, away: Math.abs(middle) }]
    })
  })
  return found.sort((a, b) => a.away - b.away || (a.crop.name < b.crop.name ? -1 : 1))
}
