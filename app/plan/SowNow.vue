<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import ChoiceField from '~/kit/fields/ChoiceField.vue'
import FoldAway from '~/kit/fields/FoldAway.vue'
import { useDates } from '~/kit/useDates'
import { useSeason } from '~/plan/season'
import { sowableNow } from '#core/season/fitting/sow-now'

/** What may be sown this week, with these frosts and this warmth: pressed, it stands in the sentence. */
const emit = defineEmits<{ choose: [text: string] }>()
const season = useSeason()
const { printDay } = useDates()

const open = ref(false)
const placeId = ref<string | null>(null)
const places = computed(() => [
  { value: null as string | null, name: 'wherever it suits them' },
  ...present(season.frame).places.map(({ id, name }) => ({ value: id as string | null, name })),
])
const inPlace = computed(() => present(season.frame).places.find(({ id }) => id === placeId.value)?.name)
const all = computed(() =>
  open.value && season.known
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
</script>

<template>
  <FoldAway v-model:open="open" class="no-print" title="What may I sow now?">
    <ChoiceField
      v-if="places.length > 2"
      v-model="placeId"
      class="where"
      label="In"
      placeholder="wherever it suits"
      :choices="places"
    />
    <p v-if="!all.length" class="soft">
      Nothing’s usual days are now, with your frosts. A crop can still be sown: say it above with a day.
    </p>
    <ul v-else class="now">
      <li v-for="one in all" :key="`${one.crop.id} ${one.season}`">
        <Button
          @click="
            emit(
              'choose',
              `12 ${nameOf(one.crop.name)}, sow today${one.season === 'autumn' ? ', for autumn' : ''}${inPlace ? `, in ${inPlace}` : ''}`,
            )
          "
          >{{ nameOf(one.crop.name) }}</Button
        >
        <span class="soft"
          >{{ one.season === 'autumn' ? 'for autumn, ' : '' }}out {{ printDay(one.outOn) }}; in time until
          {{ printDay(one.until) }}</span
        >
      </li>
    </ul>
  </FoldAway>
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

.now li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}
</style>
