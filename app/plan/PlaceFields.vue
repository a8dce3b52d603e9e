<script setup lang="ts">
import { X } from '@lucide/vue'
import { FLAT_MM } from '#core/containers/flat'
import { COVERS, placeKindById } from '#core/places/place-kinds'
import { DAYLIGHT_KINDS, LAMP_KINDS, MEASURED_LIGHT } from '#core/places/light-kinds'
import {
  isLamp,
  lampHeight,
  lightOfDay,
  lightVerdict,
  placeLightProblems,
  type PlaceLight,
} from '#core/places/place-light'
import type { Place } from '#core/places/place'

/** One place: its room, warmth, light and cover. No lamp is judged before one was named. */
const place = defineModel<Place>({ required: true })
const { length } = useMeasures()
const props = defineProps<{
  hours: number
  problemAt: (field: string) => string | undefined
  removable: boolean
}>()
defineEmits<{ remove: [] }>()

const change = (more: Partial<Place>) => (place.value = { ...place.value, ...more })
const kind = computed(() => placeKindById(place.value.kind))
const light = computed(() => place.value.light)
const choices = [
  { value: null as string | null, name: 'not said' },
  ...LAMP_KINDS.map(({ id, name }) => ({ value: id as string | null, name })),
  { value: MEASURED_LIGHT as string | null, name: 'a lamp with a sheet or a meter' },
  ...DAYLIGHT_KINDS.map(({ id, name }) => ({ value: id as string | null, name })),
]
const lightFrom = (kindId: string | null): PlaceLight | null =>
  kindId === null
    ? null
    : {
        kindId,
        count: light.value?.count ?? 1,
        heightCm: null,
        measured: kindId === MEASURED_LIGHT ? { ppfd: 200, atCm: 30, radiusCm: 30 } : null,
      }
const setLight = (more: Partial<PlaceLight>) => light.value && change({ light: { ...light.value, ...more } })
const setLamp = (more: Partial<NonNullable<PlaceLight['measured']>>) =>
  light.value?.measured && setLight({ measured: { ...light.value.measured, ...more } })
const day = computed(() =>
  light.value && !placeLightProblems(light.value).length ? lightOfDay(light.value, props.hours) : null,
)
const covers = { none: 'nothing', dome: 'a dome', film: 'film or glass' }
</script>

<template>
  <li class="place stack-s">
    <div class="fields">
      <TextField
        :model-value="place.name"
        label="Place"
        :hint="kind.what"
        :problem="problemAt('name')"
        @update:model-value="change({ name: $event })"
      />
      <TypedField
        :model-value="place.flats"
        optional
        label="Room for"
        unit="flats"
        :hint="
          place.flats === null ? 'no end of room' : `of ${length(FLAT_MM.short)} × ${length(FLAT_MM.long)}`
        "
        :problem="problemAt('flats')"
        @update:model-value="change({ flats: $event })"
      />
      <TypedField
        :model-value="place.dayC"
        dimension="temperature"
        label="Day temperature"
        :problem="problemAt('dayC')"
        @update:model-value="change({ dayC: $event ?? 0 })"
      />
      <TypedField
        :model-value="place.nightC"
        dimension="temperature"
        label="Night temperature"
        :problem="problemAt('nightC')"
        @update:model-value="change({ nightC: $event ?? 0 })"
      />
      <TypedField
        :model-value="place.heatC"
        optional
        dimension="temperature"
        label="Mat heats mix to"
        hint="empty: not heated"
        :problem="problemAt('heatC')"
        @update:model-value="change({ heatC: $event })"
      />
      <ChoiceField
        :model-value="place.cover"
        label="Over the seed"
        :choices="COVERS.map((value) => ({ value, name: covers[value] }))"
        @update:model-value="change({ cover: $event })"
      />
      <TypedField
        :model-value="place.humidity ?? null"
        optional
        percent
        label="Humidity"
        hint="empty: usual"
        :problem="problemAt('humidity')"
        @update:model-value="change({ humidity: $event })"
      />
      <TypedField
        :model-value="place.reservoirL ?? null"
        optional
        dimension="volume"
        label="Mat or reservoir"
        hint="empty: watered by hand"
        :problem="problemAt('reservoirL')"
        @update:model-value="change({ reservoirL: $event })"
      />
      <ChoiceField
        class="light"
        :model-value="light?.kindId ?? null"
        label="Light"
        placeholder="not said"
        :choices="choices"
        :problem="problemAt('light.kindId')"
        @update:model-value="change({ light: lightFrom($event) })"
      />
      <template v-if="light && isLamp(light)">
        <TypedField
          v-if="light.kindId !== MEASURED_LIGHT"
          :model-value="light.count"
          label="Number of lights"
          :problem="problemAt('light.count')"
          @update:model-value="setLight({ count: $event ?? 0 })"
        />
        <template v-else-if="light.measured">
          <TypedField
            :model-value="light.measured.ppfd"
            label="Light output"
            unit="µmol"
            hint="µmol per m² and second"
            :problem="problemAt('light.measured.ppfd')"
            @update:model-value="setLamp({ ppfd: $event ?? 0 })"
          />
          <TypedField
            :model-value="light.measured.atCm"
            label="Measured at height"
            dimension="length"
            :unit-in-base="10"
            :problem="problemAt('light.measured.atCm')"
            @update:model-value="setLamp({ atCm: $event ?? 0 })"
          />
          <TypedField
            :model-value="light.measured.radiusCm"
            label="Half width"
            dimension="length"
            :unit-in-base="10"
            hint="0 for a bulb"
            :problem="problemAt('light.measured.radiusCm')"
            @update:model-value="setLamp({ radiusCm: $event ?? 0 })"
          />
        </template>
        <TypedField
          :model-value="lampHeight(light)"
          label="Height above leaves"
          dimension="length"
          :unit-in-base="10"
          :problem="problemAt('light.heightCm')"
          @update:model-value="setLight({ heightCm: $event })"
        />
      </template>
      <Button v-if="removable" text :aria-label="`Delete ${place.name}`" @click="$emit('remove')">
        <X aria-hidden="true" />
      </Button>
    </div>
    <p v-if="day" class="soft">
      <FigureValue :figure="day" /> a day<template v-if="light && isLamp(light)"
        >, burning {{ hours }} h</template
      >: <strong>{{ lightVerdict(day.value, 'seedling') }}</strong> for seedlings,
      <strong>{{ lightVerdict(day.value, 'transplant') }}</strong> for plants before they go out.
    </p>
  </li>
</template>

<style scoped>
.place {
  padding: 0.7rem 0;
  border-top: 1px solid var(--line);
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(8.2rem, 1fr));
  gap: 0.5rem 0.8rem;
  align-items: start;
}

.light {
  grid-column: span 2;
}

.fields > .p-button {
  margin-top: 1.5rem;
  justify-self: start;
}
</style>
