<script setup lang="ts">
import { sayDeviceDoubt } from '#shared/messages/readings'
import type { Feed } from '#core/feed/feed'
import { daysSinceCalibrated, ecPerMgN, saidOfDose } from '#core/readings/dose-by-ec'

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
const said = computed(() =>
  pen.value
    ? saidOfDose(
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
  <p v-else-if="pen && said" class="dose" role="status">
    <strong>{{ pen.device.body.name }}</strong>
    <SimulatedMark v-if="pen.device.body.simulated" />
    in the jug: {{ said }}
  </p>
</template>
