<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import LampHeight from '~/plan/LampHeight.vue'

definePageMeta({
  place: {
    title: 'Light',
    what: 'how high the lamp hangs',
    words: 'lamps grow light led tube',
    parent: '/season',
  },
})
</script>

<template>
  <SeasonSubPage><LampHeight /></SeasonSubPage>
</template>
