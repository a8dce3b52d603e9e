<script setup lang="ts">
import { at } from '#core/numeric/at'
import { saidInParts } from '#core/media/recipe'

/** The mix that lies below the other one, in containers filled in layers. */
const context = useContext()
const mix = useMixDraft()

const layered = computed(() => mix.draft.fills.some(({ topMm }) => topMm != null))
const choices = computed(() => mix.recipes.map(({ id, name }) => ({ value: id, name })))
</script>

<template>
  <section v-if="layered" class="lower stack" aria-labelledby="lower-title">
    <h3 id="lower-title">The mix below</h3>
    <ChoiceField
      :model-value="mix.draft.lowerRecipeId ?? undefined"
      label="Recipe of the lower mix"
      hide-label
      :choices="choices"
      placeholder="Choose a recipe"
      :problem="mix.problemAt('lowerParts')"
      @update:model-value="mix.chooseLower"
    />
    <div v-if="mix.draft.lowerParts.length" class="bar">
      <RecipeBar :parts="mix.draft.lowerParts" :height="24" />
      <span class="soft">{{ saidInParts(mix.draft.lowerParts) }}</span>
    </div>
    <div class="three">
      <TypedField
        v-for="(part, index) in mix.draft.lowerParts"
        :key="part.materialId"
        :model-value="part.parts"
        :label="context.materials.get(part.materialId)?.name ?? 'No longer here'"
        unit="parts"
        :problem="mix.problemAt(`lowerParts[${index}].parts`)"
        @update:model-value="
          (value) => mix.change(`lower-${index}`, (draft) => (at(draft.lowerParts, index).parts = value ?? 0))
        "
      />
    </div>
  </section>
</template>

<style scoped>
.lower {
  padding: 0.8rem 0;
  border-bottom: 1px solid var(--line);
}

.bar {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.8rem;
  align-items: center;
}
</style>
