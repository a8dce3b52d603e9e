<script setup lang="ts">
import ConfirmDialog from 'primevue/confirmdialog'
</script>

<template>
  <ConfirmDialog @vue:mounted="dialogArrived" />
</template>
