<script setup lang="ts">
import { X } from '@lucide/vue'
import { FLAT_MM } from '#core/containers/flat'
import { placeKindById } from '#core/places/place-kinds'
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
import { place as schema } from '#shared/records/place'

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
provideRecordDraft({
  draft: place as Ref<object>,
  schema,
  words: 'places',
  problemAt: (path) => props.problemAt(path),
})
const lampFields = computed(() =>
  light.value?.kindId === MEASURED_LIGHT
    ? ['measured.ppfd', 'measured.atCm', 'measured.radiusCm']
    : ['count'],
)
const day = computed(() =>
  light.value && !placeLightProblems(light.value).length ? lightOfDay(light.value, props.hours) : null,
)
</script>

<template>
  <li class="place stack-s">
    <div class="fields">
      <RecordField at="name" :hint="kind.what" />
      <RecordField
        at="flats"
        :hint="place.flats === null ? undefined : `of ${length(FLAT_MM.short)} × ${length(FLAT_MM.long)}`"
      />
      <RecordField
        v-for="key in ['dayC', 'nightC', 'heatC', 'cover', 'humidity', 'reservoirL']"
        :key="key"
        :at="key"
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
        <RecordField v-for="key in lampFields" :key="key" :at="`light.${key}`" />
        <RecordField at="light.heightCm" :usual="lampHeight(light) ?? undefined" />
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
