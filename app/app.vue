<script setup lang="ts">
import { callOnce } from '#imports'
import { NuxtLayout, NuxtPage } from '#components'
import { useHousehold } from '~/state/household'
const household = useHousehold()
await callOnce('household', () => household.load())
</script>

<template>
  <NuxtLayout>
    <NuxtPage />
  </NuxtLayout>
</template>
