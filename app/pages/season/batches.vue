<script setup lang="ts">
import { definePageMeta } from '#imports'
import SeasonSubPage from '~/plan/SeasonSubPage.vue'
import SeasonBatches from '~/plan/SeasonBatches.vue'

definePageMeta({
  place: { title: 'Batches and feeds', what: 'what the season asks to be mixed, by date', parent: '/season' },
})
</script>

<template>
  <SeasonSubPage><SeasonBatches /></SeasonSubPage>
</template>
