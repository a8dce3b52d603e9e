<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import SeasonChance from '~/plan/SeasonChance.vue'

definePageMeta({
  place: { title: 'Odds', what: 'what two thousand seasons like this come to', parent: '/season' },
})
</script>

<template>
  <SeasonSubPage><SeasonChance /></SeasonSubPage>
</template>
