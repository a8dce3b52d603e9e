<script setup lang="ts">
import { useHead } from '#imports'
import { computed } from 'vue'
import { usePreferences } from '~/household/preferences'
import type { NuxtError } from '#app'

const props = defineProps<{ error: NuxtError }>()
const preferences = usePreferences()
useHead({ htmlAttrs: { class: () => (preferences.theme === 'dark' ? 'dark' : '') } })
const missing = computed(() => props.error.statusCode === 404)
</script>

<template>
  <main class="error">
    <h1>{{ missing ? 'There is nothing here' : 'Something fell off the bench' }}</h1>
    <p>
      {{
        missing
          ? 'It may have been removed, or the address is not quite right.'
          : 'What you had saved is safe. The log on the server says more.'
      }}
    </p>
    <!-- A plain link: it must work even where the page never came alive. -->
    <a href="/" class="button main">To the bench</a>
  </main>
</template>

<style scoped>
.error {
  display: grid;
  gap: 1rem;
  justify-items: start;
  max-width: 34rem;
  margin: 0 auto;
  padding: 5rem 1.2rem;
}
</style>
