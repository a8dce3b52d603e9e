<script setup lang="ts">
/** Said where this browser keeps nothing for the page, or has no room left. */
const seen = ref<string | null>(null)
const shown = computed(() => (storageTrouble.value === seen.value ? null : storageTrouble.value))
</script>

<template>
  <div v-if="shown" class="storage no-print" role="status">
    <p v-if="shown === 'denied'">
      <strong>This browser may not keep anything for this page.</strong> What you save is on the server;
      drafts, unsaved counts and your choice of household are lost on reload. Allow site data for this address
      to change that.
    </p>
    <p v-else>
      <strong>This browser’s storage is full.</strong> What you save is on the server; drafts and unsaved
      counts are lost on reload until you free some space.
    </p>
    <Button text @click="seen = shown">Got it</Button>
  </div>
</template>

<style scoped>
.storage {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: center;
  justify-content: space-between;
  max-width: 88rem;
  margin: 0 auto;
  border-bottom: 1px dashed var(--line);
  padding: 0.6rem clamp(0.9rem, 2vw, 2rem);
}

.storage p {
  max-width: 60rem;
}
</style>
