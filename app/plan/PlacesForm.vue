<script setup lang="ts">
import { present } from '#core/present'
import { Plus } from '@lucide/vue'
import { FLAT_MM } from '#core/containers/flat'
import { PLACE_KINDS, type PlaceKindId } from '#core/places/place-kinds'
import { placeOf, type Place } from '#core/places/place'

/** Where trays stand: a list of places, each of a kind, changed to what it is really like. */
const places = defineModel<Place[]>({ required: true })
const { length } = useMeasures()
const props = defineProps<{ hours: number; problemAt: (field: string) => string | undefined }>()

function add(kindId: PlaceKindId) {
  const usual = present(PLACE_KINDS.find(({ id }) => id === kindId)).name
  const alike = places.value.filter(({ name }) => name.startsWith(usual)).length
  places.value = [...places.value, placeOf(kindId, newId(), alike ? `${usual} ${alike + 1}` : usual)]
}
const problem = (index: number) => (field: string) => props.problemAt(`places[${index}].${field}`)
</script>

<template>
  <section class="places stack" aria-labelledby="places-title">
    <h2 id="places-title">Where trays stand</h2>
    <p class="soft">
      Room is counted in <WordMark word="flat">flats</WordMark>: the standard tray of
      {{ length(FLAT_MM.short) }} × {{ length(FLAT_MM.long) }}; pots are counted by the room they take. A tray
      starts on the heat mat if its seed needs warmth, then goes to the first suitable place. A schedule can
      say otherwise for every stage.
    </p>
    <ul>
      <PlaceFields
        v-for="(place, i) in places"
        :key="place.id"
        :model-value="place"
        :hours="hours"
        :problem-at="problem(i)"
        :removable="places.length > 1"
        @update:model-value="places = places.map((one, at) => (at === i ? $event : one))"
        @remove="places = places.filter((_, at) => at !== i)"
      />
    </ul>
    <p v-if="places.length === 0" class="soft">Press what there is; more of a kind by pressing again.</p>
    <div class="buttons">
      <Button v-for="kind in PLACE_KINDS" :key="kind.id" :title="kind.what" @click="add(kind.id)">
        <Plus aria-hidden="true" /> {{ kind.name }}
      </Button>
    </div>
    <p class="caution small">
      <strong>Mats, lamps and heaters near water:</strong> rated fittings, a thermostat, residual-current
      protection, a drip loop in every cable. Local codes and an electrician’s word come first.
    </p>
  </section>
</template>
