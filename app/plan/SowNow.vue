<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { sowableNow } from '#core/season/fitting/sow-now'

/** What may be sown this week, with these frosts and this warmth: pressed, it stands in the sentence. */
const emit = defineEmits<{ choose: [text: string] }>()
const season = useSeason()
const { printDay } = useDates()

const placeId = ref<string | null>(null)
const places = computed(() => [
  { value: null as string | null, name: 'anywhere suitable' },
  ...present(season.frame).places.map(({ id, name }) => ({ value: id as string | null, name })),
])
const inPlace = computed(() => present(season.frame).places.find(({ id }) => id === placeId.value)?.name)
const all = computed(() =>
  season.known
    ? sowableNow(
        season.known.crops.values(),
        present(season.frame),
        season.known.book,
        season.today,
        placeId.value,
      )
    : [],
)
const nameOf = (name: string) => first(name.split(','))
const { said } = useMeasures()
</script>

<template>
  <section class="no-print" aria-label="What can I sow now?">
    <ChoiceField
      v-if="places.length > 2"
      v-model="placeId"
      class="where"
      label="Where"
      placeholder="anywhere suitable"
      :choices="places"
    />
    <p v-if="!all.length" class="soft">
      Nothing is usually sown now with your frost dates. To sow anyway, type it below with a day.
    </p>
    <ul v-else class="now">
      <li v-for="one in all" :key="`${one.crop.id} ${one.season}`" class="row">
        <Button
          @click="
            emit(
              'choose',
              `12 ${nameOf(one.crop.name)}, sow today${one.season === 'autumn' ? said(', for autumn') : ''}${inPlace ? `, in ${inPlace}` : ''}`,
            )
          "
          >{{ nameOf(one.crop.name) }}</Button
        >
        <span class="soft"
          >{{ one.season === 'autumn' ? said('for autumn, ') : '' }}plant out {{ printDay(one.outOn) }}; sow
          by {{ printDay(one.until) }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.where {
  max-width: 16rem;
  padding-bottom: 0.6rem;
}

.now {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
  gap: 0.4rem 1.2rem;
}
</style>
