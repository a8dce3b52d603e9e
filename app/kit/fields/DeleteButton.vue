<script setup lang="ts">
import { Trash2 } from '@lucide/vue'

/** Deletes a thing, by its name. */
defineProps<{ of: string }>()
</script>

<template>
  <IconButton :icon="Trash2" :aria-label="`Delete ${of}`" />
</template>
