<script setup lang="ts">
import { sayDeviceDoubt } from '#shared/messages/readings'
import { LUX_PER_PPFD } from '#core/readings/air-of-day'
import { heightFor, LIGHT_WANTED, type Lamp } from '#core/places/light'
import { printNumber } from '#core/units/format'

/** What a light meter under a lamp says, and where the lamp should hang by it. */
const props = defineProps<{ placeId: string; lamp: Lamp; heightCm: number; hours: number }>()
const emit = defineEmits<{ take: [lamp: Lamp] }>()
const readings = useReadings()
const { length } = useMeasures()
onMounted(() => readings.listen())

const meter = computed(() =>
  readings.sources.find(
    ({ quantity, device }) => quantity === 'illuminance' && device.body.placeId === props.placeId,
  ),
)
const ppfd = computed(() => (meter.value ? meter.value.last.value / LUX_PER_PPFD : 0))
const measured = computed((): Lamp => ({ ...props.lamp, ppfd: ppfd.value, atCm: props.heightCm }))
const wanted = (LIGHT_WANTED.seedling.low + LIGHT_WANTED.seedling.high) / 2
const at = computed(() => (ppfd.value >= 5 ? heightFor(measured.value, props.hours, wanted) : null))
</script>

<template>
  <p v-if="meter?.doubt" class="soft">{{ meter.device.body.name }}: {{ sayDeviceDoubt(meter.doubt) }}</p>
  <div v-else-if="meter" class="live stack-s" role="status">
    <p>
      <strong>{{ meter.device.body.name }}</strong> <SimulatedMark v-if="meter.device.body.simulated" />:
      {{ printNumber(Math.round(meter.last.value)) }} lx, about {{ printNumber(Math.round(ppfd)) }} µmol/m²/s
      <span class="soft">(white light, ÷ {{ LUX_PER_PPFD }})</span>.
      <template v-if="ppfd < 5">The lamp is off, or the meter lies face down.</template>
      <template v-else-if="at"
        >By it the lamp hangs right for seedlings at {{ length(Math.round(at.value) * 10) }}.</template
      >
      <template v-else>By it this lamp is too weak at any height.</template>
    </p>
    <Button v-if="ppfd >= 5" @click="emit('take', measured)">Use this reading</Button>
  </div>
</template>

<style scoped>
.live {
  justify-items: start;
}
</style>
