<script setup lang="ts">
import Button from 'primevue/button'
import { ref } from 'vue'
import { useHousehold } from '~/household/household'
const household = useHousehold()
const busy = ref(false)

async function again() {
  busy.value = true
  await household.load()
  busy.value = false
}
</script>

<template>
  <section class="silent">
    <h1>The store room does not answer</h1>
    <p>The database behind Blastomix cannot be reached. What you had typed is kept in this browser.</p>
    <Button class="main" :disabled="busy" @click="again">
      {{ busy ? 'Asking …' : 'Try again' }}
    </Button>
  </section>
</template>

<style scoped>
.silent {
  display: grid;
  gap: 0.8rem;
  justify-items: start;
  max-width: 34rem;
  padding-top: 3rem;
}
</style>
