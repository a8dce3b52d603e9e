<script setup lang="ts">
import { present } from '#core/present'
import { computed, ref } from 'vue'
import Button from 'primevue/button'
import TypedField from '~/kit/fields/TypedField.vue'
import { useContext } from '~/household/context'
import { readRecipe } from '#core/media/recipe-text'
import type { Bodies } from '#shared/records/collections'

/** A recipe as somebody posted it, read word by word; what is not understood is asked, nothing is guessed. */
const emit = defineEmits<{ read: [recipe: Bodies['recipes']] }>()
const context = useContext()
const text = ref('')
const partL = ref<number | null>(null)
const meant = ref(new Map<string, string>())
const found = computed(() =>
  text.value.trim()
    ? readRecipe(text.value.slice(0, 4000), {
        materials: context.whole.materials,
        units: context.whole.units,
        partL: partL.value,
        meant: meant.value,
      })
    : null,
)
const open = computed(() => (found.value?.lines ?? []).filter(({ asked }) => asked !== null))
const nameOf = (id: string) => context.whole.materials.get(id)?.name ?? id
const choose = (words: readonly { text: string; as: string }[], id: string) => {
  const name = words
    .filter(({ as }) => as === 'material' || as === 'unread')
    .map(({ text: word }) => word.replace(/[()“”"':.!]/g, ''))
    .join(' ')
  meant.value = new Map(meant.value).set(name, id)
}
const use = () =>
  emit('read', {
    name: 'A recipe that was read',
    reasoning: '',
    parts: [...present(found.value).parts],
    extras: [...present(found.value).extras],
    preparations: [],
    worksIn: [],
    homeTests: [],
  })
</script>

<template>
  <div class="words">
    <label for="recipe-words">A recipe in words</label>
    <textarea
      id="recipe-words"
      v-model="text"
      rows="4"
      maxlength="4000"
      placeholder="4 parts coir, 1 part pumice, 1 tbsp kelp meal per gallon"
    />
    <TypedField
      v-if="found?.asksPart || partL !== null"
      v-model="partL"
      label="One part is"
      dimension="volume"
      :typical="1"
      optional
      hint="a cup or a spoon stands beside parts"
    />
    <ul v-if="found" aria-label="What each word was taken for">
      <li v-for="(line, i) in found.lines" :key="i">
        <p>
          <template v-for="(word, k) in line.words" :key="k"
            >{{ k ? ' ' : '' }}<span :class="word.as" :title="word.as">{{ word.text }}</span></template
          >
        </p>
        <p v-if="line.part" class="soft">{{ line.part.parts }} of {{ nameOf(line.part.materialId) }}</p>
        <p v-else-if="line.extra" class="soft">
          {{ line.extra.gPerL }} g of {{ nameOf(line.extra.materialId) }} in each litre
        </p>
        <p v-if="line.asked" class="problem">{{ line.asked }}</p>
        <p v-if="line.candidates.length" class="buttons">
          <Button v-for="id in line.candidates" :key="id" @click="choose(line.words, id)">{{
            nameOf(id)
          }}</Button>
        </p>
      </li>
    </ul>
    <Button v-if="found" :disabled="open.length > 0 || found.parts.length === 0" @click="use">
      See it beside mine
    </Button>
    <p v-if="open.length" class="soft" role="status">
      {{ open.length === 1 ? 'One line is' : `${open.length} lines are` }} still to be answered.
    </p>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
}

label {
  font-weight: 650;
}

textarea {
  width: min(100%, 44rem);
}

.amount,
.measure {
  font-weight: 700;
}

.material {
  text-decoration: underline;
  text-underline-offset: 0.2em;
}

.unread {
  text-decoration: underline wavy var(--beet);
}

.filler,
.per {
  color: var(--ink-soft);
}
</style>
