<script setup lang="ts">
import type { RecipeSaid } from '#core/language/recipe'
import type { Bodies } from '#shared/records/collections'

/** A recipe as somebody told it, read word by word; what is not understood is asked, nothing is guessed. */
const emit = defineEmits<{ read: [recipe: Bodies['recipes']] }>()
const text = ref('')
const { field, say, pick } = useSayAnew(text)
const { shown, meaning } = useReader<RecipeSaid>('recipe', text)
function use() {
  const recipe = meaning.value?.[0]
  if (!recipe) return
  emit('read', {
    name: 'A recipe that was read',
    reasoning: '',
    parts: [...recipe.parts],
    extras: [...recipe.extras],
    preparations: [],
    worksIn: [],
    homeTests: [],
  })
}
</script>

<template>
  <div class="words stack">
    <label class="strong" for="recipe-words">A recipe in words</label>
    <textarea
      id="recipe-words"
      ref="field"
      v-model="text"
      rows="4"
      maxlength="2000"
      placeholder="4 parts coir, 1 part pumice, 1 tbsp kelp meal per gallon"
    />
    <SaidBack v-if="shown" :read="shown" @say="say" @pick="pick" />
    <Button v-if="shown" :disabled="!meaning?.[0]?.parts.length" @click="use">See it beside mine</Button>
  </div>
</template>

<style scoped>
.words {
  justify-items: start;
}

textarea {
  width: min(100%, 44rem);
}
</style>
