<script setup lang="ts" generic="Choice extends { readonly name: string }">
/** A question about what was said, with its answers to press. */
defineProps<{ question: string; choices: readonly Choice[] }>()
defineEmits<{ choose: [choice: Choice] }>()
</script>

<template>
  <fieldset class="ask row">
    <legend>{{ question }}</legend>
    <Button v-for="choice in choices" :key="choice.name" @click="$emit('choose', choice)">{{
      choice.name
    }}</Button>
  </fieldset>
</template>

<style scoped>
.ask {
  margin: 0.3rem 0 0;
  padding: 0.6rem 0.8rem 0.8rem;
  border: 0;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
}

legend {
  float: left;
  width: 100%;
  padding: 0 0 0.4rem;
}
</style>
