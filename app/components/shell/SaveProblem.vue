<script setup lang="ts" generic="C extends Collection">
import type { Bodies, Collection } from '#shared/collections'
import type { Saving } from '~/composables/useSaving'

/** What became of a save that did not go through: what to do when somebody else was faster, or why it was refused. */
defineProps<{
  saving: Saving<C>
  /** The stored record in a few words, to choose by. */
  say: (body: Bodies[C]) => string
}>()
defineEmits<{ mine: []; theirs: []; later: [] }>()
</script>

<template>
  <div v-if="saving.state === 'stale'" class="stale" role="alert">
    <p>
      <strong>{{ saving.message }}</strong>
      <template v-if="saving.current"> Saved there: {{ say(saving.current.body) }}.</template>
      <template v-else> It was removed there.</template>
    </p>
    <div class="buttons">
      <button type="button" class="button main" @click="$emit('mine')">Keep mine</button>
      <button v-if="saving.current" type="button" class="button" @click="$emit('theirs')">Take theirs</button>
      <button type="button" class="button" @click="$emit('later')">Decide later</button>
    </div>
  </div>
  <p v-else-if="'message' in saving" class="problem" role="alert">{{ saving.message }}</p>
</template>

<style scoped>
.stale {
  display: grid;
  gap: 0.6rem;
  padding: 0.9rem 1rem;
  border-left: 4px solid var(--beet);
  background: var(--beet-wash);
}
</style>
