<script setup lang="ts">
/** A table of figures under the headings of its columns; its rows are the slot. */
defineProps<{ columns: readonly string[] }>()
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <th v-for="column in columns" :key="column" scope="col">{{ column }}</th>
      </tr>
    </thead>
    <tbody>
      <slot />
    </tbody>
  </table>
</template>
