<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'

/** Long work that is under way: how far it is, and a way out of it. */
defineProps<{
  /** What is being done, for who cannot see the bar. */
  label: string
  /** Of all of it, 0 to 1. */
  done: number
}>()
defineEmits<{ stop: [] }>()
</script>

<template>
  <div class="row-l nowrap">
    <ProgressBar class="bar" :value="Math.round(done * 100)" :show-value="false" :aria-label="label" />
    <Button @click="$emit('stop')">Stop</Button>
  </div>
</template>

<style scoped>
.bar {
  width: min(16rem, 50vw);
}
</style>
