<script setup lang="ts">
import type { Component } from 'vue'

/** A button that is a picture; what it does is its `aria-label`. */
defineProps<{ icon: Component }>()
</script>

<template>
  <Button text><component :is="icon" aria-hidden="true" /></Button>
</template>
