<script setup lang="ts">
import { sayDeviceDoubt } from '#shared/messages/readings'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { Scale } from '@lucide/vue'

/** What stands on the scale, once the pan is still: one press takes it over. Typing it stays possible beside it. */
const emit = defineEmits<{ take: [grams: number] }>()
const readings = useReadings()
const { mass } = useMeasures()
onMounted(() => readings.listen())

const scales = computed(() => readings.sources.filter(({ device }) => device.body.kind === 'kitchen scale'))
const doubted = computed(() => scales.value.find(({ doubt }) => doubt !== null))
</script>

<template>
  <div v-if="scales.length" class="live row-l" role="group" aria-label="The scale">
    <Scale aria-hidden="true" />
    <template v-if="readings.weight">
      <p>
        <strong>{{ mass(readings.weight.grams) }}</strong> is steady on
        {{ readings.weight.source.device.body.name }}
        <SimulatedMark v-if="readings.weight.source.device.body.simulated" />
      </p>
      <Button @click="emit('take', Math.round(readings.weight.grams))">Take this weight</Button>
    </template>
    <p v-else-if="doubted" class="soft">
      {{ doubted.device.body.name }}: {{ sayDeviceDoubt(present(doubted.doubt)) }}
    </p>
    <p v-else class="soft">
      Nothing is steady on {{ first(scales).device.body.name }}
      <SimulatedMark v-if="first(scales).device.body.simulated" />: put it on, or type what you read.
    </p>
  </div>
</template>

<style scoped>
.live {
  padding: 0.6rem 0.8rem;
  background: var(--paper-deep);
  border-radius: 0.5rem;
}

.live p {
  flex: 1 1 14rem;
}
</style>
