<script setup lang="ts">
const household = useHousehold()
const busy = ref(false)

onMounted(() => onceServerIsBack(again))
async function again() {
  busy.value = true
  await household.load()
  busy.value = false
}
</script>

<template>
  <section class="silent stack-l">
    <h1>Blastomix does not answer just now</h1>
    <p>
      The server or its database cannot be reached. What you had typed is kept in this browser, and this page
      goes on by itself as soon as it answers.
    </p>
    <Button class="main" :disabled="busy" @click="again">
      {{ busy ? 'Asking …' : 'Try again' }}
    </Button>
  </section>
</template>

<style scoped>
.silent {
  justify-items: start;
  max-width: 34rem;
  padding-top: 3rem;
}
</style>
