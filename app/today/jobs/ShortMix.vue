<script setup lang="ts">
import { present } from '#core/present'
import { at } from '#core/numeric/at'
import { fillsFor, lackingFor, missingOf, type Filled } from '#core/jobs/short'
import { counted, withArticle } from '#core/text/plurals'
import { planBatch, type BatchPlan } from '#core/media/batch'
import { substitute } from '#core/media/substitute'
import type { Stored } from '#shared/records/collections'
import { asBatchRequest } from '#shared/derived/batch-request'
import type { GuidedJobRecord } from '#shared/records/guided-job'
import { leftEmpty } from '#shared/derived/trays'

/** The mix gives out: how much is filled, what is missing, and what to do. */
const props = defineProps<{ guidedJob: Stored<GuidedJobRecord>; plan: BatchPlan }>()
const emit = defineEmits<{ close: [] }>()
const guidedJobs = useGuidedJobs()
const household = useHousehold()
const context = useContext()
const { attempt } = useCommands()
const trays = useTrays()
const { note } = useNotes()
const { volume } = useMeasures()

const batch = computed(() =>
  household.batches.find(({ id }) =>
    props.guidedJob.body.subjects.some((one) => one.what === 'batches' && one.id === id),
  ),
)
const filled = ref<Filled[]>(props.plan.fills.map((_, fillIndex) => ({ fillIndex, cells: 0 })))
const set = (fillIndex: number, cells: number | null) =>
  (filled.value = filled.value.map((one) =>
    one.fillIndex === fillIndex ? { fillIndex, cells: cells ?? 0 } : one,
  ))
const wrong = computed(() =>
  props.plan.fills.map(({ cells }, i) => {
    const n = at(filled.value, i).cells
    return !Number.isInteger(n) || n < 0
      ? 'Count whole ones: 0 or more.'
      : n > Math.round(cells.value)
        ? `There are ${Math.round(cells.value)} in all.`
        : undefined
  }),
)
const missing = computed(() => missingOf(props.plan, filled.value))
const missingL = computed(() => missing.value.reduce((sum, { looseL }) => sum + looseL, 0))

// So much more, as it was or with another material.
const swapFrom = ref<string | null>(null)
const swapTo = ref<string | null>(null)
const parts = computed(() => {
  const own = present(batch.value).body.parts
  const container = missing.value[0]?.fill.container
  if (!swapFrom.value || !swapTo.value || !container) return own
  try {
    return [...substitute(own, swapFrom.value, swapTo.value, container, context.materials).parts]
  } catch {
    return own
  }
})
const body = computed(() => {
  const { body: own, number } = present(batch.value)
  return {
    ...own,
    name: `More for batch ${number}`,
    parts: parts.value,
    sowings: [],
    fills: fillsFor(missing.value).map(({ container, ballMl: _, ...fill }) => ({
      ...fill,
      containerId: container.id,
    })),
  }
})
const more = computed(() =>
  missing.value.length ? planBatch(asBatchRequest(body.value, context.whole)) : null,
)
const thereL = (materialId: string) => {
  const shelves = context.shelves('material', materialId)
  return shelves.length ? shelves.reduce((sum, { holds, packs }) => sum + holds * packs, 0) : null
}
const lacking = computed(() => (more.value ? lackingFor(more.value, thereL) : []))
const inMix = computed(() =>
  present(batch.value).body.parts.map(({ materialId }) => ({
    value: materialId as string | null,
    name: context.materials.get(materialId)?.name ?? materialId,
  })),
)
const others = computed(() =>
  context.media
    .filter(({ id }) => !present(batch.value).body.parts.some(({ materialId }) => materialId === id))
    .map(({ id, name }) => ({ value: id as string | null, name })),
)
const writeFilled = () =>
  filled.value.forEach(({ fillIndex, cells }) =>
    guidedJobs.answer(props.guidedJob, `fill-${fillIndex}`, 'filled', cells),
  )

async function makeMore() {
  const id = newId()
  if (!(await attempt(body.value.name, [saving('batches', id, 0, body.value)]))) return
  writeFilled()
  emit('close')
  await guidedJobs.start(
    'mix',
    `Mix ${volume(missingL.value)} more`,
    [{ what: 'batches', id, stage: null }],
    {
      by: props.guidedJob.body.by,
    },
  )
}

/** Trays that were to be filled from this batch: cells nothing was sown in yet are taken out of their layout, the last first. */
async function leaveEmpty() {
  writeFilled()
  let left = missing.value.reduce((sum, { cells }) => sum + cells, 0)
  const ours = trays.standing.filter(({ body: tray }) => tray.batchId === present(batch.value).id)
  for (const tray of [...ours].reverse()) {
    if (left === 0) break
    const after = leftEmpty(tray.body, trays.stands(tray), left)
    left -= after.left
    await trays.keep(tray, after.record)
  }
  note(
    ours.length
      ? `${counted(
          missing.value.reduce((sum, { cells }) => sum + cells, 0),
          'cell',
        )} stay empty; season and labels follow the trays.`
      : 'Recorded. No tray is laid out for this batch.',
  )
  emit('close')
}
</script>

<template>
  <Dialog visible modal header="The mix is short" :draggable="false" @update:visible="emit('close')">
    <div v-if="batch" class="short stack-l">
      <TypedField
        v-for="(demand, i) in plan.fills"
        :key="i"
        :model-value="at(filled, i).cells"
        :label="`Filled so far: ${demand.fill.container.name}`"
        :hint="`of ${counted(Math.round(demand.cells.value), demand.fill.container.kind === 'tray' ? 'cell' : 'container')}`"
        :problem="wrong[i]"
        @update:model-value="set(i, $event)"
      />
      <p v-if="missing.length" role="status" class="missing">
        Missing: <strong>{{ volume(missingL) }}</strong> for
        {{
          missing
            .map(
              ({ fill, cells }) =>
                `${counted(cells, fill.container.kind === 'tray' ? 'cell' : 'container')} of ${withArticle(fill.container.name)}`,
            )
            .join(', ')
        }}.
      </p>
      <p v-else>Nothing is missing.</p>
      <template v-if="more">
        <h2>Make so much more</h2>
        <ul>
          <li v-for="line in more.lines" :key="line.material.id">
            {{ volume(line.looseL.value) }} {{ line.material.name.toLowerCase() }}
          </li>
        </ul>
        <p v-for="one in lacking" :key="one.materialId" class="problem">
          {{ one.name }}: {{ volume(one.wantedL) }} wanted, {{ volume(one.thereL) }} in the supplies. Another
          in its place?
        </p>
        <div class="pair">
          <ChoiceField
            v-model="swapFrom"
            label="In place of"
            placeholder="as it was"
            :choices="[{ value: null, name: 'as it was' }, ...inMix]"
          />
          <ChoiceField
            v-if="swapFrom"
            v-model="swapTo"
            label="take"
            placeholder="Choose one"
            :choices="others"
          />
        </div>
        <div class="buttons">
          <Button class="main" :disabled="wrong.some(Boolean)" @click="makeMore"
            >Make {{ volume(missingL) }} more</Button
          >
          <Button :disabled="wrong.some(Boolean)" @click="leaveEmpty">Leave them empty</Button>
        </div>
      </template>
    </div>
  </Dialog>
</template>

<style scoped>
.short {
  max-width: 36rem;
}

ul {
  padding-left: 1.1rem;
  list-style: disc;
}

.missing {
  font-size: 1.15rem;
}
</style>
