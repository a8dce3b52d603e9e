<script setup lang="ts">
import { computed } from 'vue'
import Button from 'primevue/button'
import { useKept } from '~/kit/browserStorage'
import WordMark from '~/help/WordMark.vue'
import { usePageHelp } from '~/help/usePageHelp'
import { GLOSSARY, wordById, type WordId } from '#core/glossary'

/** Words of a page that were not met before on this device: each explained when it is pressed, and gone once they are known. */
const met = useKept<string[]>('words-met', [])
const help = usePageHelp()
const words = computed(() => (help.value?.words ?? []).filter((word) => !met.value.includes(word)))
const know = (ids: readonly string[]) => (met.value = [...new Set([...met.value, ...ids])])
</script>

<template>
  <aside v-if="words.length" class="new-words no-print" aria-label="Words that are new here">
    <p>
      <span class="soft">New words here:</span>
      <WordMark v-for="word in words" :key="word" :word="word as WordId">{{ wordById(word).name }}</WordMark>
    </p>
    <span class="buttons">
      <Button text @click="know(words)">Got it</Button>
      <Button text @click="know(GLOSSARY.map(({ id }) => id))">I know them all</Button>
    </span>
  </aside>
</template>

<style scoped>
.new-words {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: center;
  justify-content: space-between;
  padding: 0.2rem 0 0.6rem;
  font-size: 0.9375rem;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.9rem;
}
</style>
