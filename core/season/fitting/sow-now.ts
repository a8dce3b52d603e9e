import type { Crop } from '../../sowing/crop'
import type { SeasonBook } from '../book'
import type { Day } from '../../calendar/day'
import type { SeasonFrame } from '../frame'
import { planSowing } from '../schedule/sowing'
import type { SowingRequest } from '../schedule/sowing-request'

/** A crop whose days of sowing are now. */
export interface SowableNow {
  readonly crop: Crop
  readonly season: SowingRequest['season']
  /** Ready to go out then, when it is sown today. */
  readonly outOn: Day
  /** The last day on which it is still in time. */
  readonly until: Day
}

/** Plants the days are computed for; they are the same for any number. */
const SOME = 12

/**
 * What may be sown on a day: crops whose range of sowing days holds it, for spring or for autumn, those that end soonest
 * first. What is too cold or too hot to come up there is left out.
 *
 * @param placeId where it is to stand; null for where such plants stand by habit
 */
export function sowableNow(
  crops: Iterable<Crop>,
  frame: SeasonFrame,
  book: SeasonBook,
  today: Day,
  placeId: string | null = null,
): SowableNow[] {
  return [...crops]
    .flatMap((crop): SowableNow[] =>
      (crop.autumn ? (['spring', 'autumn'] as const) : (['spring'] as const)).flatMap((season) => {
        const planned = planSowing({ ...asked(crop, season), placeId }, frame, book)
        const [from, until] = planned.sowRange
        if (!planned.emergence || today < from || today > until) return []
        const sown = planSowing({ ...asked(crop, season), placeId, sowOn: today }, frame, book)
        return [{ crop, season, outOn: sown.outOn, until }]
      }),
    )
    .sort((a, b) => (a.until < b.until ? -1 : a.until > b.until ? 1 : a.crop.name < b.crop.name ? -1 : 1))
}

/** A few plants of a crop, as they are usually raised. */
export const asked = (crop: Crop, season: SowingRequest['season']): SowingRequest => ({
  crop,
  plants: SOME,
  season,
  outOn: null,
  sowOn: null,
  germination: null,
  seedYears: 0,
  seedsThere: null,
  certainty: 0.9,
  seedsPerCell: null,
  scheduleId: null,
  stages: null,
  done: {},
  notBefore: null,
})
