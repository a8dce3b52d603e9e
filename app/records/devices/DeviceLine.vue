<script setup lang="ts">
import { sayDeviceDoubt } from '#shared/messages/readings'
import { faultsOf, MEASURES, QUANTITIES } from '#core/readings/kinds'
import { daysSinceCalibrated, wantsSolution } from '#core/readings/dose-by-ec'
import { withOutside } from '#core/season/schedule/stays'
import type { Stored } from '#shared/records/collections'
import type { DeviceRecord } from '#shared/records/device'

/** One device: what it says now, whether it is believed, and what can be done with it. */
const props = defineProps<{ device: Stored<DeviceRecord>; sources: readonly Source[] }>()
defineEmits<{ edit: [] }>()

const household = useHousehold()
const context = useContext()
const { attempt } = useCommands()
const readings = useReadings()
const removal = useRemoval()
const trays = useTrays()
const { note } = useNotes()
const { printReading } = useReadingWords()
const { said } = useMeasures()

const body = computed(() => props.device.body)
const place = computed(
  () => withOutside(context.whole.frame?.places ?? []).find(({ id }) => id === body.value.placeId)?.name,
)
const onIt = computed(() => /scale|pen/.test(body.value.kind))
const trayLabel = computed(() => (body.value.kind === 'pen' ? 'In tray' : 'On the pan'))
/** A list shows nothing for null. */
const NOTHING = 'nothing'
const trayChoices = computed(() => [
  { value: NOTHING, name: body.value.kind === 'pen' ? 'the jug' : 'nothing' },
  ...trays.standing.map(({ id, number, body: { name } }) => ({
    value: id,
    name: `${body.value.kind === 'pen' ? 'what drains from ' : ''}tray ${number}, ${name}`,
  })),
])
const change = (more: Partial<DeviceRecord>) =>
  attempt(body.value.name, [
    saving('devices', props.device.id, props.device.version, { ...body.value, ...more }),
  ])
const calibratedDays = computed(() => daysSinceCalibrated(body.value.calibratedAt, readings.ownMs))
const isDue = computed(() => body.value.kind === 'pen' && wantsSolution(calibratedDays.value))
const key = ref<string>()
async function newKey() {
  try {
    const { told } = await sendCommand(household.id, { name: 'new device key', deviceId: props.device.id })
    key.value = (told as { key: string }).key
  } catch (error) {
    note(whyNot(error))
  }
}
const silent = computed(() => MEASURES[body.value.kind].length > 0 && props.sources.length === 0)
</script>

<template>
  <li class="device">
    <div class="who">
      <h2>{{ body.name }}</h2>
      <p class="soft">
        {{ body.kind }}<template v-if="place">, {{ place }}</template>
        <SimulatedMark v-if="body.simulated" class="mark" />
      </p>
      <div class="buttons">
        <Button
          v-if="body.kind === 'pen'"
          @click="change({ calibratedAt: new Date(readings.ownMs).toISOString() })"
          >It is set by its solution</Button
        >
        <Button v-if="!body.simulated" @click="newKey">A new key</Button>
        <Button @click="$emit('edit')"
          >Change<span class="unseen"> {{ body.name }}</span></Button
        >
        <Button text @click="removal('devices', device)"
          >Remove<span class="unseen"> {{ body.name }}</span></Button
        >
      </div>
    </div>
    <div class="values">
      <dl v-if="sources.length">
        <div v-for="one in sources" :key="`${one.quantity} ${one.name}`" :class="{ doubted: one.doubt }">
          <dt class="soft">{{ QUANTITIES[one.quantity].name }}</dt>
          <dd>{{ printReading(one.quantity, one.last.value) }}</dd>
        </div>
      </dl>
      <p v-if="silent" class="soft">Nothing heard yet.</p>
      <slot />
    </div>
    <div class="stack">
      <ChoiceField
        v-if="onIt && trays.standing.length"
        :model-value="body.trayId ?? NOTHING"
        :label="trayLabel"
        :choices="trayChoices"
        @update:model-value="(trayId) => change({ trayId: trayId === NOTHING ? null : trayId })"
      />
      <ChoiceField
        v-if="body.simulated && faultsOf(body.kind).length"
        :model-value="body.fault ?? NOTHING"
        label="Broken on purpose"
        :choices="[
          { value: NOTHING, name: 'no, it works' },
          ...faultsOf(body.kind).map((value) => ({ value, name: value })),
        ]"
        @update:model-value="
          (fault) => change({ fault: fault === NOTHING ? null : (fault as DeviceRecord['fault']) })
        "
      />
    </div>
    <template v-for="one in sources" :key="`${one.quantity} doubt`">
      <p v-if="one.doubt" class="doubt" role="status">{{ said(sayDeviceDoubt(one.doubt)) }}</p>
    </template>
    <p v-if="isDue" class="doubt">
      {{
        calibratedDays === null
          ? 'It was never put into its solution here'
          : `It was last put into its solution ${calibratedDays} days ago`
      }}: rinse it, put it in the calibration solution, calibrate it, and confirm here.
    </p>
    <p v-if="key" class="key">
      Its key, shown this once: <code>{{ key }}</code>
      <span class="soft small"
        >Send it as <code>Authorization: Bearer …</code>; docs/devices.md has a gateway in 40 lines.</span
      >
    </p>
  </li>
</template>

<style scoped>
.device {
  display: grid;
  grid-template-columns: minmax(11rem, 1fr) minmax(12rem, 1.3fr) minmax(14rem, 1.2fr);
  gap: 0.5rem 1.5rem;
  align-items: start;
  padding-block: 1rem;
  border-top: 1px solid var(--line);
}

.device > p {
  grid-column: 2 / -1;
}

.who {
  grid-row: span 4;
}

.buttons {
  margin-top: 0.5rem;
}

.mark {
  margin-left: 0.4em;
}

.values,
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.6rem;
  margin: 0;
}

.values dd {
  margin: 0;
  font-size: 1.5rem;
  font-weight: 650;
  font-variant-numeric: tabular-nums;
}

.doubted dd {
  text-decoration: line-through;
  color: var(--ink-soft);
}

.doubt {
  padding: 0.5rem 0.8rem;
  border-left: 4px solid var(--marigold);
  background: var(--paper-deep);
}

.key code {
  overflow-wrap: anywhere;
}

@media (max-width: 52rem) {
  .device {
    grid-template-columns: 1fr;
  }

  .device > p {
    grid-column: 1;
  }

  .who {
    grid-row: auto;
  }
}
</style>
