<script setup lang="ts">
definePageMeta({
  place: {
    title: 'Enough plants?',
    what: 'how often you reach your target',
    words: 'odds chance probability simulate',
    parent: '/plan',
    tab: 6,
  },
})
</script>

<template>
  <SeasonSubPage><SeasonChance /></SeasonSubPage>
</template>
