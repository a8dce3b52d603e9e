<script setup lang="ts">
import { Plus } from '@lucide/vue'
import type { Stored } from '#shared/records/collections'
import type { DeviceRecord } from '#shared/records/device'

definePageMeta({
  place: {
    title: 'Devices',
    what: 'scales, sensors and the forecast',
    words: 'sensor scale thermometer probe pen ec ph lux weather gateway senml simulated',
    parent: '/settings',
    tab: 2,
  },
})

const household = useHousehold()
const readings = useReadings()
const today = useToday()
const { printDay, printMoment } = useDates()
const { temperature } = useMeasures()
const { note } = useNotes()
const form = ref<Stored<DeviceRecord> | 'new' | null>(null)

interface Printed {
  simulated: boolean
  taken: { at: string; name: string }[]
}
const printed = ref<Printed>({ simulated: false, taken: [] })
const readPrinter = async () =>
  (printed.value = await $fetch<Printed>('/api/label-printer').catch(() => printed.value))
onMounted(() => Promise.all([readings.listen(), readPrinter()]))

const ahead = computed(() =>
  (household.everything?.weather ?? [])
    .filter(({ source, on }) => source === 'forecast' && on >= today.value)
    .slice(0, 7),
)
const asking = ref(false)
async function askForecast() {
  asking.value = true
  try {
    await sendCommand(household.id, { name: 'ask forecast' })
    await household.load()
  } catch (error) {
    note(whyNot(error))
  }
  asking.value = false
}
const anySimulated = computed(() => household.devices.some(({ body }) => body.simulated))
</script>

<template>
  <div class="devices stack-l">
    <PageTop title="Devices">
      <Button @click="form = 'new'"><Plus aria-hidden="true" /> A device</Button>
    </PageTop>
    <p v-if="anySimulated" class="subjects">
      Those marked <SimulatedMark /> come with Blastomix: they read one made-up bench, which dries, warms and
      feeds as yours is planned. Put a tray on the scale, or break a probe, and see what becomes of it.
    </p>
    <p v-if="household.devices.length === 0" class="empty">
      No device yet. Anything that can send JSON over HTTP is one: give it a name, and it gets a key of its
      own.
    </p>
    <ul v-else class="list">
      <DeviceLine
        v-for="device in household.devices"
        :key="device.id"
        :device="device"
        :sources="readings.sources.filter((one) => one.device.id === device.id)"
        @edit="form = device"
      >
        <template v-if="device.body.kind === 'forecast'">
          <dl v-if="ahead.length" class="days">
            <div v-for="one in ahead" :key="one.on">
              <dt class="soft">{{ printDay(one.on) }}</dt>
              <dd class="day strong">{{ temperature(one.lowC) }} … {{ temperature(one.highC) }}</dd>
            </div>
          </dl>
          <p v-if="ahead.length === 0" class="soft">Nothing is foretold yet.</p>
          <Button :disabled="asking" @click="askForecast">Ask it now</Button>
        </template>
        <template v-if="device.body.kind === 'label printer'">
          <p v-if="printed.taken.length === 0" class="soft">
            It has taken no label yet. Trays, Labels and key sends some.
          </p>
          <ul v-else class="printed">
            <li v-for="(one, i) in printed.taken" :key="one.at">
              <a :href="`/api/label-printer/${i + 1}`" target="_blank">{{ one.name }}</a>
              <span class="soft">{{ printMoment(one.at) }}</span>
            </li>
          </ul>
        </template>
      </DeviceLine>
    </ul>
    <DeviceForm v-if="form" :device="form === 'new' ? undefined : form" @close="form = null" />
  </div>
</template>

<style scoped>
.subjects {
  max-width: 60rem;
}

.days {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.6rem;
}
</style>
