<script setup lang="ts">
/** Several of a list, ticked. */
const ticked = defineModel<string[]>({ required: true })
defineProps<{ legend: string; choices: readonly { value: string; name: string }[] }>()
</script>

<template>
  <fieldset>
    <legend>{{ legend }}</legend>
    <slot />
    <div class="list stack-s">
      <CheckField
        v-for="one in choices"
        :key="one.value"
        v-model="ticked"
        :value="one.value"
        :label="one.name"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.list {
  max-height: 14rem;
  overflow-y: auto;
}
</style>
