<script setup lang="ts">
import { present } from '#core/present'
import { LIGHT_METHODS } from '#core/places/light'
import { PLACE_KINDS, type PlaceKindId } from '#core/places/place-kinds'
import { LAMP_KINDS } from '#core/places/light-kinds'
import { placeOf, type Place } from '#core/places/place'
import { isLamp, lightOfDay, lightVerdict } from '#core/places/place-light'
import { printNumber } from '#core/units/format'
import { counted } from '#core/text/plurals'

/** Where trays can stand: ticked; a lamp only where one is named. */
const first = useFirstHour()
const household = useHousehold()
const { temperature } = useMeasures()
const kinds = PLACE_KINDS.filter(({ id }) => id !== 'outside')
const NO_LAMP = 'none'
const lamps = [{ value: NO_LAMP, name: 'none' }, ...LAMP_KINDS.map(({ id, name }) => ({ value: id, name }))]
const of = (kind: PlaceKindId) => first.places.find((place) => place.kind === kind)
function tick(kind: PlaceKindId, yes: boolean) {
  void first.setPlaces(
    yes ? [...first.places, placeOf(kind, newId())] : first.places.filter((place) => place.kind !== kind),
  )
}
const change = (place: Place, more: Partial<Place>) =>
  void first.setPlaces(first.places.map((one) => (one.id === place.id ? { ...one, ...more } : one)))
const setLamp = (place: Place, kindId: string) =>
  change(place, {
    light:
      kindId === NO_LAMP ? null : { kindId, count: place.light?.count ?? 1, heightCm: null, measured: null },
  })
const hours = computed(
  () => present(LIGHT_METHODS.find(({ id }) => id === (household.season?.lightMethod ?? 'sixteen'))).hours,
)
const flats = computed(() => first.places.reduce((sum, place) => sum + (place.flats ?? 0), 0))
const warmest = computed(() => Math.max(...first.places.map(({ heatC, dayC }) => heatC ?? dayC)))
const VERDICTS = {
  'too little': 'too little light for seedlings',
  right: 'enough light for seedlings',
  'more than they need': 'more light than seedlings need',
} as const
const verdict = (place: Place) => {
  if (!place.light) return null
  const mol = lightOfDay(place.light, hours.value).value
  return `${place.name}: ${VERDICTS[lightVerdict(mol, 'seedling')]} (${printNumber(Math.round(mol))} mol/m² a day)`
}
</script>

<template>
  <div class="stack">
    <ul class="stack-s">
      <li v-for="kind in kinds" :key="kind.id">
        <CheckField :model-value="!!of(kind.id)" @update:model-value="tick(kind.id, $event)">
          <b>{{ kind.name }}</b> <span class="soft">{{ kind.what }}</span>
        </CheckField>
        <div v-if="of(kind.id)" class="more">
          <TypedField
            :model-value="present(of(kind.id)).flats"
            optional
            :label="`Trays on the ${kind.name.toLowerCase()}`"
            unit="flats"
            hint="standard 1020 flats; change if yours differ"
            @update:model-value="change(present(of(kind.id)), { flats: $event })"
          />
          <template v-if="kind.id === 'shelf'">
            <ChoiceField
              :model-value="present(of(kind.id)).light?.kindId ?? NO_LAMP"
              label="Grow lights"
              :choices="lamps"
              @update:model-value="setLamp(present(of(kind.id)), $event)"
            />
            <TypedField
              v-if="present(of(kind.id)).light && isLamp(present(present(of(kind.id)).light))"
              :model-value="present(present(of(kind.id)).light).count"
              label="Number of lights"
              @update:model-value="
                change(present(of(kind.id)), {
                  light: { ...present(present(of(kind.id)).light), count: $event ?? 1 },
                })
              "
            />
          </template>
        </div>
      </li>
    </ul>
    <p class="caution small">
      <strong>Mats, lamps and heaters near water:</strong> rated fittings, a thermostat, residual-current
      protection, a drip loop in every cable. Local codes and an electrician’s word come first.
    </p>
    <template v-if="first.places.length">
      <p role="status">
        Room for {{ counted(flats, 'tray') }}; potting mix reaches about {{ temperature(warmest) }} there.
        <template v-if="!household.season">Saved with your frost date.</template>
      </p>
      <p v-for="place in first.places.filter(verdict)" :key="place.id">{{ verdict(place) }}.</p>
    </template>
  </div>
</template>

<style scoped>
.more {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(12rem, 1fr));
  gap: 0.6rem 0.9rem;
  padding: 0.3rem 0 0.6rem 2rem;
  max-width: 46rem;
}
</style>
