<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog'
import { dialogArrived } from '~/kit/useAsk'
</script>

<template>
  <ConfirmDialog @vue:mounted="dialogArrived" />
</template>
