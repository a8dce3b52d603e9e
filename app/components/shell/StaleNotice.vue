<script setup lang="ts">
/** What to do when somebody else saved the same thing in between. */
defineProps<{ message: string; theirs: string | null }>()
defineEmits<{ mine: []; theirs: []; later: [] }>()
</script>

<template>
  <div class="stale" role="alert">
    <p>
      <strong>{{ message }}</strong>
      <template v-if="theirs"> Saved there: {{ theirs }}.</template>
      <template v-else> It was removed there.</template>
    </p>
    <div class="choices">
      <button type="button" class="button main" @click="$emit('mine')">Keep mine</button>
      <button v-if="theirs" type="button" class="button" @click="$emit('theirs')">Take theirs</button>
      <button type="button" class="button" @click="$emit('later')">Decide later</button>
    </div>
  </div>
</template>

<style scoped>
.stale {
  display: grid;
  gap: 0.6rem;
  padding: 0.9rem 1rem;
  border-left: 4px solid var(--beet);
  background: var(--beet-wash);
}

.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}
</style>
