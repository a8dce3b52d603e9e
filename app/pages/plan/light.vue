<script setup lang="ts">
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
