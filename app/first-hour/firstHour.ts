import type { Frosts } from '#core/calendar/frost'
import { OUTSIDE, type Place } from '#core/places/place'
import { newFrame } from '#shared/records/season-frame'

interface Said {
  places: Place[]
}

/**
 * What a new household says of itself, one answer at a time. Frosts make a season; rooms said before them wait on this
 * device until there is one.
 */
export const useFirstHour = defineStore('firstHour', () => {
  const household = useHousehold()
  const { saving, save, dismiss } = useHouseholdPart('season', 'frosts and places')
  const all = useKept<Record<string, Said>>('first-hour', {}, { initOnMounted: true })
  const said = computed(() => all.value[household.id] ?? { places: [] })
  const keep = (more: Partial<Said>) =>
    (all.value = { ...all.value, [household.id]: { ...said.value, ...more } })

  const places = computed((): Place[] =>
    household.season ? household.season.places.filter(({ id }) => id !== OUTSIDE.id) : said.value.places,
  )
  /** Where nobody said a room there is the open air, which is always there. */
  const orOutside = (rooms: readonly Place[]) => (rooms.length ? [...rooms] : [OUTSIDE])

  return {
    places,
    saving,
    dismiss,
    setFrosts: (frosts: Frosts) =>
      save({
        ...(household.season ?? { ...newFrame(household.units), places: orOutside(said.value.places) }),
        ...frosts,
      }),
    async setPlaces(rooms: Place[]) {
      if (household.season) await save({ ...household.season, places: orOutside(rooms) })
      else keep({ places: rooms })
    },
  }
})
