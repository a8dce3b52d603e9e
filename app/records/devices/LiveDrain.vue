<script setup lang="ts">
import { sayDeviceDoubt, sayDrain } from '#shared/messages/readings'
import { drainFound, drainLimit } from '#core/readings/dose-by-ec'

/** What drains off a tray, by the pen that stands in it. */
const props = defineProps<{ trayId: string; capacityL: number; daysUp: number; potted: boolean }>()
const readings = useReadings()
const { aboutVolume } = useMeasures()
onMounted(() => readings.listen())
const pen = computed(() =>
  readings.sources.find(
    ({ quantity, device }) => quantity === 'conductivity' && device.body.trayId === props.trayId,
  ),
)
</script>

<template>
  <p v-if="pen" role="status">
    <strong>{{ pen.device.body.name }}</strong> <SimulatedMark v-if="pen.device.body.simulated" />:
    {{
      pen.doubt
        ? sayDeviceDoubt(pen.doubt)
        : sayDrain(drainFound(pen.last.value, drainLimit(daysUp, potted), capacityL), aboutVolume)
    }}
  </p>
</template>
