<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import { useNotes } from '~/composables/useNotes'
import { useRemoval } from '~/composables/useRemoval'
import { useSaving } from '~/composables/useSaving'
import { useShopping } from '~/composables/useShopping'
import { useHousehold } from '~/state/household'
import { drawFrom } from '#core/stores/draw'
import { goodsId } from '#core/stores/goods'
import { needsOfBatch } from '#core/stores/needs'
import type { BatchPlan } from '#core/media/batch'
import type { BatchRecord } from '#shared/records/batch'
import type { Stored } from '#shared/collections'

/** A batch is made: what leaves the shelf, shown before it does. */
const props = defineProps<{ batch: Stored<BatchRecord>; plan: BatchPlan }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()
const { saving, save } = useSaving('uses')
const { note } = useNotes()
const removal = useRemoval()
const { linesFor, printAmount, nameOf } = useShopping()
const byId = useId()
const noteId = useId()
const by = ref('')
const written = ref('')
const evenIfShort = ref(false)

const lines = computed(() =>
  linesFor(needsOfBatch(props.plan)).map((line) => {
    const shelves = household.shelves(line.goods.kind, goodsId(line.goods))
    return {
      ...line,
      kept: shelves.length > 0,
      from: drawFrom(shelves, line.wanted).drawn.map(({ id, amount }) => ({
        name: shelves.find((shelf) => shelf.id === id)!.name,
        amount: printAmount(line.goods, amount),
      })),
    }
  }),
)
const short = computed(() => lines.value.filter((line) => line.kept && line.short > 0))

async function keep() {
  const stored = await save(crypto.randomUUID(), 0, {
    name: props.batch.body.name,
    kind: 'batch made',
    batchId: props.batch.id,
    feedingId: null,
    by: by.value.trim(),
    to: '',
    note: written.value.trim(),
    times: 1,
    evenIfShort: evenIfShort.value,
    drawn: [],
    facts: [],
  })
  if (!stored) return
  note(`Batch ${props.batch.number} is made.`, { name: 'Undo', run: () => removal('uses', stored) })
  emit('close')
}
</script>

<template>
  <DialogForm
    :header="`Batch ${batch.number} is made`"
    keep-label="It is made"
    :wrong="short.length > 0 && !evenIfShort"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <table class="figures">
      <thead>
        <tr>
          <th scope="col">Takes</th>
          <th scope="col">From the shelf</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="goodsId(line.goods)">
          <th scope="row">
            {{ printAmount(line.goods, line.wanted) }} {{ nameOf(line.goods).toLowerCase() }}
          </th>
          <td>
            <span v-for="one in line.from" :key="one.name" class="from"
              >{{ one.amount }}, {{ one.name }}</span
            >
            <span v-if="!line.kept" class="soft">not written down</span>
            <span v-else-if="line.short > 0" class="problem"
              >{{ printAmount(line.goods, line.short) }} short</span
            >
          </td>
        </tr>
      </tbody>
    </table>
    <label v-if="short.length" class="check">
      <input v-model="evenIfShort" type="checkbox" /> It was made all the same: take what there is
    </label>
    <div class="pair">
      <FieldFrame :id="byId" v-first-focus label="Made by">
        <input :id="byId" v-model="by" class="input" autocomplete="off" maxlength="80" />
      </FieldFrame>
      <FieldFrame :id="noteId" label="Note">
        <input :id="noteId" v-model="written" class="input" autocomplete="off" maxlength="600" />
      </FieldFrame>
    </div>
  </DialogForm>
</template>

<style scoped>
.from {
  display: block;
}

.check {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
