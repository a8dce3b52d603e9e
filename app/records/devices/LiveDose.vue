<script setup lang="ts">
import { sayDeviceDoubt, sayDose } from '#shared/messages/readings'
import type { Feed } from '#core/feed/feed'
import { daysSinceCalibrated, doseFound, ecPerMgN } from '#core/readings/dose-by-ec'

/** What the pen in the jug says of a dose. */
const props = defineProps<{
  /** mg/L of nitrogen that was wanted. */
  wantedMgPerL: number
  feed: Feed
}>()
const readings = useReadings()
const household = useHousehold()
onMounted(() => readings.listen())

const pen = computed(() =>
  readings.sources.find(({ quantity, device }) => quantity === 'conductivity' && device.body.trayId === null),
)
const saying = useSaying()
const found = computed(() =>
  pen.value
    ? doseFound(
        pen.value.last.value,
        household.record?.water?.ecMsPerCm ?? null,
        ecPerMgN(props.feed),
        props.wantedMgPerL,
        daysSinceCalibrated(pen.value.device.body.calibratedAt, readings.ownMs),
      )
    : null,
)
</script>

<template>
  <p v-if="pen?.doubt" class="soft">{{ pen.device.body.name }}: {{ sayDeviceDoubt(pen.doubt) }}</p>
  <p v-else-if="pen && found" class="dose" role="status">
    <strong>{{ pen.device.body.name }}</strong>
    <SimulatedMark v-if="pen.device.body.simulated" />
    in the jug: {{ sayDose(found, saying.strength) }}
  </p>
</template>
