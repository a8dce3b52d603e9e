<script setup lang="ts">
import { sayProblemOf, messageAt } from '#shared/messages/refusals'
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { withOutside } from '#core/season/schedule/stays'
import { surfaceOf, usualGrid } from '#core/trays/layout'
import { CORNERS, tray as schema, type TrayRecord } from '#shared/records/tray'
import { trayProblems } from '#shared/derived/tray-problems'

/** What a tray is: its container and grid, where it stands, what it was filled from. */
const props = defineProps<{ tray?: TrayRecord | undefined; keepLabel: string }>()
const emit = defineEmits<{ keep: [body: TrayRecord] }>()
const context = useContext()
const household = useHousehold()
const season = useSeason()

const containers = computed(() => [...context.whole.containers.values()])
const START = 'tray-72'
const blank = (): TrayRecord => {
  const container = present(context.whole.containers.get(START))
  const grid = usualGrid(container)
  return schema.parse({
    name: container.name,
    containerId: START,
    ...grid,
    cells: Array(grid.rows * grid.columns).fill(''),
  })
}
const draft = ref<TrayRecord>(props.tray ? { ...props.tray } : blank())
const container = computed(() => context.whole.containers.get(draft.value.containerId))
const surface = computed(() => container.value && surfaceOf(container.value))
function choose(id: string) {
  const chosen = present(context.whole.containers.get(id))
  draft.value = { ...draft.value, containerId: id, name: chosen.name, ...usualGrid(chosen) }
}
// Cells follow the grid; what was laid out keeps its place in its row.
watch(
  () => [draft.value.rows, draft.value.columns] as const,
  ([rows, columns], [, before]) => {
    const size = rows * columns
    if (!Number.isInteger(size) || size < 1 || size > 2400) return
    const cells = Array<string>(size).fill('')
    draft.value.cells.forEach((code, cell) => {
      const [row, column] = [Math.floor(cell / before), cell % before]
      if (row < rows && column < columns) cells[row * columns + column] = code
    })
    draft.value.cells = cells
  },
)
const places = computed(() => [
  { value: null, name: 'not set' },
  ...withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
const batches = computed(() => [
  { value: null, name: 'no batch' },
  ...[...household.batches]
    .reverse()
    .map(({ id, number, body }) => ({ value: id as string | null, name: `${number}: ${body.name}` })),
])
const tried = ref(false)
const problems = computed(() => trayProblems(draft.value, context.whole))
const problemAt = (field: string) => (tried.value ? messageAt(problems.value, field) : undefined)
const cutHere = computed({
  get: () => draft.value.cut !== null,
  set: (on: boolean) =>
    (draft.value.cut = on
      ? {
          column: Math.max(1, Math.floor(draft.value.columns / 2)),
          placeId: draft.value.placeId ?? 'outside',
        }
      : null),
})
function keep() {
  tried.value = true
  if (problems.value.length === 0)
    emit('keep', { ...draft.value, name: draft.value.name.trim() || present(container.value).name })
}
const CORNER_CHOICES = CORNERS.map((value) => ({ value, name: value }))
</script>

<template>
  <form class="form" @submit.prevent="keep">
    <ChoiceField
      :model-value="draft.containerId"
      label="Kind of tray"
      :choices="containers.map(({ id, name }) => ({ value: id, name }))"
      :problem="problemAt('containerId')"
      @update:model-value="choose"
    />
    <TextField v-model="draft.name" label="Called" hint="beside its number" />
    <TypedField
      v-model="draft.rows"
      :label="surface === 'furrows' ? 'Furrows' : 'Rows'"
      :problem="problemAt('rows')"
    />
    <TypedField
      v-model="draft.columns"
      :label="surface === 'furrows' ? 'Parts of a furrow' : 'Cells in a row'"
      :problem="problemAt('columns') ?? problemAt('cells')"
    />
    <ChoiceField v-model="draft.placeId" label="Stands in" :choices="places" />
    <ChoiceField v-model="draft.batchId" label="Filled from batch" :choices="batches" />
    <ChoiceField
      v-model="draft.corner"
      label="Marked corner"
      :choices="CORNER_CHOICES"
      hint="a notch, a dot of paint"
    />
    <CheckField v-model="draft.turned" label="Turned on its short side" />
    <CheckField v-if="draft.columns > 1" v-model="cutHere" label="Cut in two, one part kept elsewhere" />
    <template v-if="draft.cut">
      <TypedField v-model="draft.cut.column" label="Cut after cell" :problem="problemAt('cut.column')" />
      <ChoiceField
        :model-value="draft.cut.placeId"
        label="That part is in"
        :choices="
          places
            .filter(({ value }) => value !== null)
            .map(({ value, name }) => ({ value: present(value), name }))
        "
        @update:model-value="present(draft.cut).placeId = $event"
      />
    </template>
    <p v-if="tried && problems.length" class="problem wide whole" role="alert">
      {{ sayProblemOf(first(problems), 'trays') }}
    </p>
    <div class="buttons wide whole">
      <Button type="submit" class="main">{{ keepLabel }}</Button>
      <slot />
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
  gap: 0.8rem 1rem;
  align-items: start;
}
</style>
