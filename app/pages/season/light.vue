<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/components/season/SeasonSubPage.vue'
import LampHeight from '~/components/season/LampHeight.vue'

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
