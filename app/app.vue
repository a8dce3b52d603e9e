<script setup lang="ts">
const household = useHousehold()
await callOnce('household', () => household.load())
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
