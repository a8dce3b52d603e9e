<script setup lang="ts">
const { volume } = useMeasures()
/** A vessel of unknown size: weighed empty and full of water, its litres are known. */
const emit = defineEmits<{ volume: [litres: number] }>()
const emptyG = ref<number | null>(null)
const fullG = ref<number | null>(null)
const litres = computed(() =>
  emptyG.value !== null && fullG.value !== null ? (fullG.value - emptyG.value) / 1000 : null,
)
const problem = computed(() =>
  litres.value !== null && litres.value <= 0 ? 'Full weighs more than empty.' : undefined,
)
</script>

<template>
  <FoldAway title="Not sure what it holds? Weigh it">
    <div class="pair">
      <TypedField v-model="emptyG" optional dimension="mass" label="Empty" />
      <TypedField v-model="fullG" optional dimension="mass" label="Full of water" :problem="problem" />
    </div>
    <Button v-if="litres !== null && litres > 0" @click="emit('volume', Number(litres.toFixed(3)))">
      It holds {{ volume(litres) }}: take that
    </Button>
  </FoldAway>
</template>
