<script setup lang="ts">
import { sayAgainst, sayTrial } from '#shared/messages/trials'
import { first } from '#core/numeric/at'
import { withOutside } from '#core/season/schedule/stays'
import {
  compared,
  COMPARED_BY,
  groupOf,
  groupFacts,
  type ComparedBy,
  type GroupFacts,
} from '#shared/derived/group-facts'

/** Without a trial: what the records suggest, and what speaks against taking it for more. */
const context = useContext()
const season = useSeason()
const { printDay } = useDates()
const { year, years, choose, records, problem } = useYear()

const by = ref<ComparedBy>('mix')
const cropId = ref<string | null>(null)
const facts = computed(() =>
  records.value ? groupFacts(records.value.trays, records.value.entries, context.whole) : [],
)
const crops = computed(() => [
  { value: null as string | null, name: 'all crops together' },
  ...[...new Set(facts.value.map((one) => one.cropId))].map((id) => ({
    value: id as string | null,
    name: context.crops.get(id)?.name ?? id,
  })),
])
const places = computed(
  () => new Map(withOutside(season.frame?.places ?? []).map(({ id, name }) => [id, name] as const)),
)
const batches = computed(() => new Map((records.value?.batches ?? []).map(({ id, body }) => [id, body])))
const groups = computed(() => {
  const found = new Map<string, GroupFacts[]>()
  for (const one of facts.value) {
    if (!one.up || (cropId.value && one.cropId !== cropId.value)) continue
    const name = groupOf(one, by.value, context.whole, batches.value, places.value)
    if (name) found.set(name, [...(found.get(name) ?? []), one])
  }
  return [...found].map(([name, of]) => ({ name, of })).sort((a, b) => b.of.length - a.of.length)
})
const one = ref<string | null>(null)
const other = ref<string | null>(null)
watch(
  groups,
  (now) => {
    const names = now.map(({ name }) => name)
    if (!one.value || !names.includes(one.value)) one.value = names[0] ?? null
    if (!other.value || !names.includes(other.value) || other.value === one.value)
      other.value = names.find((name) => name !== one.value) ?? null
  },
  { immediate: true },
)
const answer = computed(() => {
  const pair = [one.value, other.value].map((name) => groups.value.find((group) => group.name === name))
  return pair[0] && pair[1] && pair[0] !== pair[1]
    ? compared([pair[0], pair[1]], by.value, context.whole, places.value)
    : null
})
const choices = computed(() =>
  groups.value.map(({ name, of }) => ({ value: name as string | null, name: `${name} (${of.length})` })),
)
</script>

<template>
  <section class="compare stack" aria-labelledby="compare-title">
    <h2 id="compare-title">What the records suggest</h2>
    <p class="soft">No lots were drawn here: this suggests, and a trial tells.</p>
    <div class="pick no-print">
      <ChoiceField
        v-model="by"
        label="Compare by"
        :choices="COMPARED_BY.map((value) => ({ value, name: value }))"
      />
      <ChoiceField v-model="cropId" label="Crop" placeholder="all crops" :choices="crops" />
      <ChoiceField
        :model-value="String(year)"
        label="Year"
        :choices="(years.length ? years : [year]).map((one) => ({ value: String(one), name: String(one) }))"
        @update:model-value="choose(Number($event))"
      />
      <ChoiceField v-model="one" label="This" :choices="choices" />
      <ChoiceField v-model="other" label="Against this" :choices="choices" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-else-if="answer">
      <SidesDrawing :sides="answer.sides" />
      <p class="says">{{ sayTrial(answer.verdict, false) }}</p>
      <p v-if="answer.days">{{ sayTrial(answer.days, false) }}</p>
      <h3>What speaks against it</h3>
      <ul class="against">
        <li v-for="reason in answer.against" :key="reason.kind">{{ sayAgainst(reason, printDay) }}</li>
      </ul>
    </template>
    <p v-else class="slip">
      {{
        groups.length === 1
          ? `Only ${first(groups).name} was counted: there is nothing to set beside it.`
          : 'Nothing was counted yet that could be set side by side.'
      }}
    </p>
  </section>
</template>

<style scoped>
.compare {
  padding-top: 1.2rem;
  border-top: 1px solid var(--line);
}

.pick {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.6rem;
}

.says {
  font-size: 1.125rem;
  font-weight: 600;
}

.against li {
  padding-left: 0.8rem;
  border-left: 3px solid var(--marigold);
  margin-bottom: 0.3rem;
}
</style>
