<script setup lang="ts">
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import LampHeight from '~/plan/LampHeight.vue'

definePageMeta({
  place: {
    title: 'Light',
    what: 'how high to hang a lamp',
    words: 'lamps grow light led tube height',
    parent: '/plan',
    tab: 5,
  },
})
</script>

<template>
  <SeasonSubPage><LampHeight /></SeasonSubPage>
</template>
