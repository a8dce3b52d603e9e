<script setup lang="ts">
/** A table of figures: what stands in its columns, and a row a thing. */
defineProps<{ columns: readonly string[]; caption?: string }>()
</script>

<template>
  <table class="figures">
    <caption v-if="caption" class="unseen">
      {{
        caption
      }}
    </caption>
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
