<script setup lang="ts" generic="Body extends object">
const ConflictView = defineAsyncComponent(() => import('~/kit/record-forms/ConflictView.vue'))
/** What became of a save that did not go through: both versions where somebody else was faster, or why it was refused. */
defineProps<{ saving: Saving<Body> }>()
const emit = defineEmits<{ settled: []; later: [] }>()
</script>

<template>
  <ConflictView
    v-if="saving.state === 'stale'"
    :message="saving.message"
    :mine="saving.mine"
    :theirs="saving.theirs"
    :settle="saving.settle"
    @settled="emit('settled')"
    @later="emit('later')"
  />
  <Message v-else-if="'message' in saving" severity="error">{{ saving.message }}</Message>
</template>
