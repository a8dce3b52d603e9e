<script setup lang="ts">
import { present } from '#core/present'
import { newEntry } from '#shared/records/new-entry'
import { drawFrom } from '#core/supplies/draw'
import { goodsId } from '#core/supplies/goods'
import { needsOfBatch } from '#core/supplies/needs'
import type { BatchPlan } from '#core/media/batch'
import type { BatchRecord } from '#shared/records/batch'
import type { Stored } from '#shared/records/collections'

/** A batch is made: what leaves the shelf, shown before it does. */
const props = defineProps<{ batch: Stored<BatchRecord>; plan: BatchPlan }>()
const emit = defineEmits<{ close: [] }>()

const context = useContext()
const on = ref(useToday().value)
const { linesFor, printAmount, nameOf } = useShopping()
const by = ref('')
const written = ref('')
const evenIfShort = ref(false)

const lines = computed(() =>
  linesFor(needsOfBatch(props.plan)).map((line) => {
    const shelves = context.shelves(line.goods.kind, goodsId(line.goods))
    return {
      ...line,
      kept: shelves.length > 0,
      from: drawFrom(shelves, line.wanted).drawn.map(({ id, amount }) => ({
        name: present(shelves.find((shelf) => shelf.id === id)).name,
        amount: printAmount(line.goods, amount),
      })),
    }
  }),
)
const short = computed(() => lines.value.filter((line) => line.kept && line.short > 0))

const entry = () =>
  newEntry({
    name: props.batch.body.name,
    kind: 'batch made',
    on: on.value,
    subjects: [
      { what: 'batches', id: props.batch.id, stage: null },
      ...props.batch.body.sowings.map(({ id, stage }) => ({ what: 'sowings' as const, id, stage })),
    ],
    by: by.value.trim(),
    note: written.value.trim(),
    evenIfShort: evenIfShort.value,
  })
</script>

<template>
  <EntryForm
    :header="`Batch ${batch.number} is made`"
    keep-label="Mark as made"
    :wrong="short.length > 0 && !evenIfShort"
    :entry="entry"
    :done="`Batch ${batch.number} is made.`"
    @close="emit('close')"
  >
    <FigureTable :columns="['Takes', 'From the shelf']">
      <tr v-for="line in lines" :key="goodsId(line.goods)">
        <th scope="row">{{ printAmount(line.goods, line.wanted) }} {{ nameOf(line.goods).toLowerCase() }}</th>
        <td>
          <span v-for="one in line.from" :key="one.name" class="from">{{ one.amount }}, {{ one.name }}</span>
          <span v-if="!line.kept" class="soft">not in supplies</span>
          <span v-else-if="line.short > 0" class="problem"
            >{{ printAmount(line.goods, line.short) }} short</span
          >
        </td>
      </tr>
    </FigureTable>
    <CheckField
      v-if="short.length"
      v-model="evenIfShort"
      label="It was made all the same: take what there is"
    />
    <DayField v-model="on" label="On" hint="it may lie in the past" />
    <div class="pair">
      <TextField v-model="by" v-first-focus label="Made by" maxlength="80" />
      <TextField v-model="written" label="Note" maxlength="600" />
    </div>
  </EntryForm>
</template>

<style scoped>
.from {
  display: block;
}
</style>
