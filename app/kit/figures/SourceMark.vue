<script setup lang="ts">
import { sourceTagName, type SourceTag } from '#core/working/source'

/** How far a figure is to be trusted; it opens the list of all sources of that kind. */
defineProps<{ tag: SourceTag }>()
</script>

<template>
  <NuxtLink
    class="tag"
    :data-tag="tag"
    :to="`/help#sources-${tag}`"
    :title="`All sources: ${sourceTagName(tag)}`"
    >{{ sourceTagName(tag) }}</NuxtLink
  >
</template>

<style scoped>
.tag {
  padding: 0 0.4em;
  border: 1px solid var(--line-strong);
  border-radius: 0.3em;
  color: var(--ink);
  text-decoration: none;
}

.tag:hover {
  text-decoration: underline;
}

.tag[data-tag='yours'] {
  border-color: var(--enamel);
  color: var(--enamel);
}

.tag[data-tag='default'] {
  border-style: dashed;
}
</style>
