<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { withArticle } from '#core/text/plurals'
import type { Container } from '#core/containers/container'
import { STRETCHED, stretch } from '#core/media/reuse'
import { saidInParts, type Part } from '#core/media/recipe'
import { printShare } from '#core/units/format'
import { printTrait } from '#shared/drawings/traits'

const { volume } = useMeasures()

/** Old mix used again: what to add so that there is air and food in it, and how far it goes. */
const props = defineProps<{ container: Container; additions: readonly string[] }>()
const emit = defineEmits<{ use: [parts: Part[]] }>()
const context = useContext()

const baseId = ref<string>(STRETCHED[0])
const haveL = ref<number | null>(null)
const choices = STRETCHED.map((id) => ({
  value: id as string,
  name: present(context.materials.get(id)).name,
}))
/** Computed only when it is looked at. */
const open = ref(false)
const answers = computed(() =>
  open.value ? stretch(baseId.value, props.additions, props.container, context.materials) : [],
)
/** Litres of each addition for what there is of the old mix. */
function litres(parts: readonly Part[]) {
  const base = first(parts)
  return parts.slice(1).map(({ materialId, parts: amount }) => ({
    name: first(present(context.materials.get(materialId)).name.split(',')).toLowerCase(),
    amountL: haveL.value === null ? null : (haveL.value * amount) / base.parts,
    parts: amount,
  }))
}
</script>

<template>
  <FoldAway v-model:open="open" title="Stretch an old mix">
    <div class="pair">
      <ChoiceField v-model="baseId" label="What you have" :choices="choices" />
      <TypedField v-model="haveL" optional dimension="volume" label="How much of it" />
    </div>
    <template v-if="answers.length">
      <p class="soft small">
        On its own, {{ printTrait('air', first(answers).before.air) }} air in
        {{ withArticle(container.name) }} and {{ printTrait('food', first(answers).before.food) }}. Added from
        what is ticked, so that it gives air and food again:
      </p>
      <ol>
        <li v-for="answer in answers" :key="saidInParts(answer.parts) + answer.parts[1]?.materialId">
          <RecipeBar :parts="answer.parts" :height="22" />
          <p>
            <strong>{{ saidInParts(answer.parts) }}</strong>
            <template v-if="answer.parts.length === 1">: it does as it is</template>
            <template v-for="one in litres(answer.parts)" :key="one.name"
              >, {{ one.amountL === null ? 'with' : volume(one.amountL) }} {{ one.name }}</template
            >
          </p>
          <p class="soft small">
            {{ printShare(answer.share) }} of it old; {{ printTrait('air', answer.after.air) }} air,
            {{ printTrait('food', answer.after.food) }}, {{ printTrait('salts', answer.after.salts) }}
          </p>
          <Button @click="emit('use', [...answer.parts])">Use it</Button>
        </li>
      </ol>
    </template>
    <p v-else class="soft" role="status">
      Nothing ticked brings back both: tick perlite, hulls, pumice or bark for air, and compost, castings or
      manure for food.
    </p>
  </FoldAway>
</template>

<style scoped>
li {
  display: grid;
  gap: 0.5rem;
}

li {
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.2rem 0.6rem;
  padding: 0.5rem 0;
  border-top: 1px solid var(--line);
}

li > :not(.button) {
  grid-column: 1;
}

li .button {
  grid-row: 1 / 4;
  grid-column: 2;
  align-self: center;
}
</style>
