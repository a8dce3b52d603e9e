import { CONTAINERS } from '../../containers/catalogue'
import { FEEDS } from '../../feed/feeds'
import { BUILT_IN } from '../../media/materials'
import { STARTING_RECIPES } from '../../media/recipes'
import { CROPS } from '../../sowing/crops'
import { seasonBook } from '../book'
import { dayFrom } from '../../calendar/day'
import type { SeasonRow } from '../demand/demand'
import { feedSowing } from '../demand/feeding'
import type { SeasonFrame } from '../frame'
import { placeOf, type Place } from '../../places/place'
import { planSowing } from '../schedule/sowing'
import type { SowingRequest } from '../schedule/sowing-request'

/* A bench whose last frost is 8 May 2027, for the tests of the season. */

export const crop = (id: string) => CROPS.find((one) => one.id === id)!
export const find = (id: string) => CONTAINERS.find((one) => one.id === id)
export const mixOf = (id: string) => STARTING_RECIPES.find((one) => one.id === id)
export const book = seasonBook(find, mixOf, BUILT_IN)
/** A shelf of eight flats that can be warmed to 24 °C. */
export const SHELF: Place = { ...placeOf('shelf', 'shelf'), flats: 8, heatC: 24 }
/** The same year in a place of another warmth, or of another room. */
export const framed = (shelf: Partial<Place>): SeasonFrame => ({ ...frame, places: [{ ...SHELF, ...shelf }] })
export const lastFrost = dayFrom('2027-05-08')
export const firstFrost = dayFrom('2027-10-12')
export const frame: SeasonFrame = {
  lastFrost,
  firstFrost,
  places: [SHELF],
  lightMethod: 'sixteen',
  feedingMethod: 'weak and often',
  feedId: FEEDS[0]!.id,
  tubL: 40,
  canL: 9,
}
export const ask = (cropId: string, more: Partial<SowingRequest> = {}): SowingRequest => ({
  crop: crop(cropId),
  plants: 48,
  season: 'spring',
  outOn: null,
  sowOn: null,
  germination: null,
  seedYears: 0,
  seedsThere: null,
  certainty: 0.95,
  seedsPerCell: null,
  scheduleId: null,
  stages: null,
  done: {},
  notBefore: null,
  ...more,
})
export const plan = (cropId: string, more: Partial<SowingRequest> = {}) =>
  planSowing(ask(cropId, more), frame, book)
export const row = (
  id: string,
  cropId: string,
  more: Partial<SowingRequest> = {},
): SeasonRow & { crop: SowingRequest['crop'] } => {
  const planned = plan(cropId, more)
  return {
    id,
    name: crop(cropId).name,
    crop: crop(cropId),
    planned,
    feeding: feedSowing(planned, crop(cropId), FEEDS[0]!, frame.feedingMethod, book),
  }
}
