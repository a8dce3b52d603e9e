<script setup lang="ts">
import { present } from '#core/present'
import { wilson } from '#core/sowing/odds'
import { printShare } from '#core/units/format'
import type { PacketRecord } from '#shared/records/packet'
import type { Stored } from '#shared/records/collections'

/** A packet of seed; a germination test of it turns into a share and how sure that is. */
const props = defineProps<{ packet?: Stored<PacketRecord>; cropId?: string }>()
const emit = defineEmits<{ close: [] }>()
const season = useSeason()
const context = useContext()
const first: PacketRecord = {
  name: '',
  cropId: props.cropId ?? 'tomato',
  supplier: '',
  year: Number(season.today.slice(0, 4)),
  seeds: null,
  germination: null,
  upDays: null,
  depthMm: null,
  spacingMm: null,
}
const crops = computed(() => [...context.crops.values()].map(({ id, name }) => ({ value: id, name })))
const suggested = (draft: PacketRecord) => context.crops.get(draft.cropId)?.name ?? ''
const finish = (draft: PacketRecord): PacketRecord => ({
  ...draft,
  name: draft.name.trim() || suggested(draft),
})
const up = ref<number | null>(null)
const of = ref<number | null>(null)
const test = computed(() =>
  up.value !== null && of.value !== null && of.value > 0 && up.value >= 0 && up.value <= of.value
    ? { share: up.value / of.value, ...wilson(up.value, of.value) }
    : null,
)
/** A germination test says what share of the seed is to be counted on. */
const take = (draft: PacketRecord) => {
  if (test.value && test.value.share > 0) draft.germination = Number(test.value.share.toFixed(3))
}
/** Days of coming up; one alone stands for both. */
const days = (from: number | null, to: number | null) =>
  from === null && to === null ? null : { from: from ?? present(to), to: to ?? present(from) }
</script>

<template>
  <RecordForm
    v-slot="{ draft, problemAt }"
    collection="packets"
    :header="packet ? packet.body.name : 'A packet of seed'"
    :stored="packet"
    :first="first"
    :finish="finish"
    @close="emit('close')"
  >
    <RecordField at="cropId" :choices="crops" />
    <div class="pair">
      <RecordField at="name" :placeholder="suggested(draft)" />
      <RecordField at="supplier" />
      <RecordField at="year" />
      <RecordField at="seeds" />
    </div>
    <div class="three">
      <TypedField
        :model-value="draft.upDays?.from ?? null"
        optional
        label="Up after"
        unit="days"
        hint="if the packet says"
        :problem="problemAt('upDays.from')"
        @update:model-value="draft.upDays = days($event, draft.upDays?.to ?? null)"
      />
      <TypedField
        :model-value="draft.upDays?.to ?? null"
        optional
        label="to"
        unit="days"
        :problem="problemAt('upDays.to')"
        @update:model-value="draft.upDays = days(draft.upDays?.from ?? null, $event)"
      />
      <RecordField at="depthMm" :typical="0.5" />
      <RecordField at="spacingMm" :typical="300" />
    </div>
    <fieldset class="test">
      <legend>Tested on damp paper</legend>
      <div class="three">
        <TypedField v-model="up" optional label="Came up" @update:model-value="take(draft)" />
        <TypedField v-model="of" optional label="of" @update:model-value="take(draft)" />
        <RecordField at="germination" />
      </div>
      <p v-if="test" class="soft">
        {{ printShare(test.share) }}; with so few it may be anything from {{ printShare(test.low) }} to
        {{ printShare(test.high) }}.
      </p>
    </fieldset>
  </RecordForm>
</template>
