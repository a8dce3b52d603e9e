<script setup lang="ts">
import { Droplets, Undo2 } from '@lucide/vue'

const saying = useSaying()

const { volume } = useMeasures()

/** Feeds that were given, newest first; each can be taken back. */
const props = defineProps<{ feedingId?: string }>()
const household = useHousehold()
const removal = useRemoval()
const { printDay } = useDates()
const given = computed(() =>
  household.entries
    .filter(
      ({ body }) =>
        body.kind === 'feed given' &&
        (!props.feedingId || body.subjects.some(({ id }) => id === props.feedingId)),
    )
    .slice()
    .reverse()
    .slice(0, 8),
)
const fact = (facts: { what: string; amount: number }[], what: string) =>
  facts.find((one) => one.what === what)?.amount ?? 0
</script>

<template>
  <section v-if="given.length" class="given stack-s" aria-labelledby="given-title">
    <h3 id="given-title">Given</h3>
    <ul>
      <li v-for="use in given" :key="use.id">
        <Droplets aria-hidden="true" />
        <span>
          {{ printDay(use.body.on) }}, <strong>{{ use.body.name }}</strong>:
          {{ saying.strength(fact(use.body.facts, 'Nitrogen')) }},
          {{ volume(fact(use.body.facts, 'Solution'))
          }}<template v-if="use.body.to">, to {{ use.body.to }}</template
          ><template v-if="use.body.by">, by {{ use.body.by }}</template>
        </span>
        <IconButton
          :icon="Undo2"
          class="no-print"
          :aria-label="`Undo ${use.body.name}`"
          @click="removal('entries', use)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: 0.5rem;
  align-items: center;
}

li > svg {
  width: 1.15em;
  height: 1.15em;
  color: var(--water);
}
</style>
