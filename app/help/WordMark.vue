<script setup lang="ts">
import { wordById, type WordId } from '#core/glossary'

/** A word of the trade, explained when it is pressed. */
const props = defineProps<{ word: WordId }>()
const popover = useTemplateRef('popover')
const one = computed(() => wordById(props.word))
</script>

<template>
  <span class="mark">
    <button type="button" :aria-label="`What is: ${one.name}`" @click="popover?.toggle($event)">
      <slot>{{ one.name }}</slot></button
    ><Popover ref="popover" :pt="{ root: { 'aria-label': one.name } }">
      <p class="means">
        <b>{{ one.name }}</b><br />{{ one.means }}
      </p>
    </Popover>
  </span>
</template>

<style scoped>
button {
  display: inline;
  border-bottom: 2px dotted var(--enamel);
  cursor: help;
}

.means {
  max-width: 20rem;
  padding: 0.7rem 0.9rem;
}
</style>
