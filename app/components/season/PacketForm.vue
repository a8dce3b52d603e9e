<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import ChoiceField from '~/components/fields/ChoiceField.vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { copyOf } from '~/composables/copyOf'
import { useProblemAt } from '~/composables/useProblemAt'
import { useSaving } from '~/composables/useSaving'
import { useSeason } from '~/state/season'
import { wilson } from '#core/sowing/odds'
import { printShare } from '#core/units/format'
import type { PacketRecord } from '#shared/records/packet'
import type { Stored } from '#shared/collections'

/** A packet of seed; a germination test of it turns into a share and how sure that is. */
const props = defineProps<{ packet?: Stored<PacketRecord>; cropId?: string }>()
const emit = defineEmits<{ close: [] }>()
const season = useSeason()
const { saving, save } = useSaving('packets')
const problemAt = useProblemAt(() => [], saving)
const nameId = useId()
const supplierId = useId()

const draft = ref<PacketRecord>(
  props.packet
    ? copyOf(props.packet.body)
    : {
        name: '',
        cropId: props.cropId ?? 'tomato',
        supplier: '',
        year: Number(season.today.slice(0, 4)),
        seeds: null,
        germination: null,
      },
)
const crops = computed(() => (season.known?.crops ?? []).map(({ id, name }) => ({ value: id, name })))
const suggested = computed(() => crops.value.find(({ value }) => value === draft.value.cropId)?.name ?? '')
const up = ref<number | null>(null)
const of = ref<number | null>(null)
const test = computed(() =>
  up.value !== null && of.value !== null && of.value > 0 && up.value >= 0 && up.value <= of.value
    ? { share: up.value / of.value, ...wilson(up.value, of.value) }
    : null,
)
watch(test, (found) => {
  if (found && found.share > 0) draft.value.germination = Number(found.share.toFixed(3))
})
async function keep() {
  const body = { ...draft.value, name: draft.value.name.trim() || suggested.value }
  if (await save(props.packet?.id ?? crypto.randomUUID(), props.packet?.version ?? 0, body)) emit('close')
}
</script>

<template>
  <DialogForm
    :header="packet ? packet.body.name : 'A packet of seed'"
    :wrong="false"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <ChoiceField v-model="draft.cropId" label="Crop" :choices="crops" :problem="problemAt('cropId')" />
    <div class="pair">
      <FieldFrame :id="nameId" label="Variety" :problem="problemAt('name')">
        <input :id="nameId" v-model="draft.name" class="input" autocomplete="off" :placeholder="suggested" />
      </FieldFrame>
      <FieldFrame :id="supplierId" label="From" hint="as you write it" :problem="problemAt('supplier')">
        <input :id="supplierId" v-model="draft.supplier" class="input" autocomplete="off" />
      </FieldFrame>
      <NumberField
        :model-value="draft.year"
        label="Year"
        :problem="problemAt('year')"
        @update:model-value="draft.year = $event ?? 0"
      />
      <NumberField
        v-model="draft.seeds"
        optional
        label="Seeds left"
        hint="if you counted"
        :problem="problemAt('seeds')"
      />
    </div>
    <fieldset class="test">
      <legend>Tested on damp paper</legend>
      <div class="three">
        <NumberField v-model="up" optional label="Came up" />
        <NumberField v-model="of" optional label="of" />
        <NumberField
          v-model="draft.germination"
          percent
          optional
          label="Germination"
          hint="empty: by crop and age"
          :problem="problemAt('germination')"
        />
      </div>
      <p v-if="test" class="soft">
        {{ printShare(test.share) }}; with so few it may be anything from {{ printShare(test.low) }} to
        {{ printShare(test.high) }}.
      </p>
    </fieldset>
  </DialogForm>
</template>

<style scoped>
.test {
  margin: 0;
  padding: 0;
  border: 0;
}

legend {
  padding: 0 0 0.3rem;
  font-weight: 650;
}
</style>
