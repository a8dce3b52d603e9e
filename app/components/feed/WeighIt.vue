<script setup lang="ts">
import { computed, ref } from 'vue'
import QuantityField from '~/components/fields/QuantityField.vue'
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
  <details>
    <summary>Not sure what it holds? Weigh it</summary>
    <div class="pair">
      <QuantityField v-model="emptyG" optional dimension="mass" assume="g" label="Empty" />
      <QuantityField
        v-model="fullG"
        optional
        dimension="mass"
        assume="g"
        label="Full of water"
        :problem="problem"
      />
    </div>
    <button
      v-if="litres !== null && litres > 0"
      type="button"
      class="button"
      @click="emit('volume', Number(litres.toFixed(3)))"
    >
      It holds {{ litres.toFixed(2) }} L: take that
    </button>
  </details>
</template>
