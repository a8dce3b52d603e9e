<script setup lang="ts">
import type { NuxtError } from '#app'

const props = defineProps<{ error: NuxtError }>()
const preferences = usePreferences()
useHead({ htmlAttrs: { 'data-theme': () => preferences.theme } })
const missing = computed(() => props.error.statusCode === 404)
</script>

<template>
  <main class="error stack-l">
    <h1>{{ missing ? 'Page not found' : 'Something went wrong' }}</h1>
    <p>
      {{
        missing
          ? 'It may have been removed, or the address is not quite right.'
          : 'What you saved is safe. Try again, or look in the server’s log.'
      }}
    </p>
    <!-- A plain link: it must work even where the page never came alive. -->
    <a href="/" class="button main">Go to Today</a>
  </main>
</template>

<style scoped>
.error {
  justify-items: start;
  max-width: 34rem;
  margin: 0 auto;
  padding: 5rem 1.2rem;
}
</style>
