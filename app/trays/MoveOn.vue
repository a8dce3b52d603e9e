<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { withOutside } from '#core/season/schedule/stays'
import type { Day } from '#core/calendar/day'
import { freeCells, gridFor, isPack } from '#core/trays/layout'
import type { GroupStands } from '#core/trays/standing'
import type { Stored } from '#shared/records/collections'
import { tray as schema, type TrayRecord } from '#shared/records/tray'

/** Plants go on into another tray: which, how many, into what, where it stands. */
const props = defineProps<{
  tray: Stored<TrayRecord>
  groups: readonly GroupStands[]
  chosen: readonly number[]
}>()
const emit = defineEmits<{ done: []; cancel: [] }>()
const trays = useTrays()
const season = useSeason()
const context = useContext()
const { noteDone } = useCommands()

const code = ref(props.groups[0]?.group.code ?? '')
const group = computed(() => props.groups.find((one) => one.group.code === code.value) ?? first(props.groups))
/** Chosen cells say which plants go; else so many of a group, the first first. */
const fromCells = computed(() => props.chosen.length > 0)
const there = computed(() =>
  fromCells.value
    ? props.groups.reduce(
        (sum, { group: { code: of } }) =>
          sum + trays.standingCells(props.tray, of, Infinity, props.chosen).reduce((n, [, k]) => n + k, 0),
        0,
      )
    : group.value.standing,
)
const plants = ref<number | null>(there.value)
watch(there, (now) => (plants.value = now))

/** The next stage of the schedule says the container, where there is a plan. */
const nextContainer = computed(() => {
  const { sowingId, stage } = group.value.group
  const planned = sowingId ? season.row(sowingId)?.planned.stages : undefined
  return planned?.slice(stage + 1).find(({ recipeId }) => recipeId !== null)?.container.id ?? 'six-pack'
})
const targets = computed(() => [
  { value: 'new', name: 'a new tray' },
  ...trays.standing
    .filter(({ id, body }) => id !== props.tray.id && freeCells(body) > 0)
    .map(({ id, number, body }) => ({
      value: id,
      name: `tray ${number}, ${counted(freeCells(body), 'cell')} free`,
    })),
])
const target = ref('new')
const containerId = ref(nextContainer.value)
const each = ref<number | null>(1)
const placeId = ref<string | null>(props.tray.body.placeId)
const on = ref<Day>(season.today)
const places = computed(() => [
  { value: null, name: 'not set' },
  ...withOutside(season.frame?.places ?? []).map(({ id, name }) => ({ value: id as string | null, name })),
])
const containers = computed(() =>
  [...context.whole.containers.values()].filter(({ kind }) => kind !== 'open tray'),
)
const container = computed(() => present(context.whole.containers.get(containerId.value)))
const cellsWanted = computed(() => Math.ceil((plants.value ?? 0) / Math.max(1, each.value ?? 1)))
const grid = computed(() => gridFor(container.value, Math.max(1, cellsWanted.value)))
const room = computed(() =>
  target.value === 'new'
    ? grid.value.rows * grid.value.columns
    : freeCells(present(trays.find(target.value)).body),
)
const problem = computed(() => {
  if (!plants.value || !Number.isInteger(plants.value) || plants.value < 1) return 'Say how many plants.'
  if (plants.value > there.value) return `${plants.value} is more than the ${there.value} there are.`
  if (!each.value || each.value < 1) return 'Say how many plants go into each.'
  if (cellsWanted.value > room.value)
    return `That takes ${counted(cellsWanted.value, 'cell')}; there is room for ${room.value}.`
  return null
})
const said = computed(() => {
  const { name, cells } = container.value
  const packs = isPack(container.value) ? `${Math.ceil(cellsWanted.value / cells)} × ` : ''
  const { rows, columns } = grid.value
  return `${packs}${name}: ${rows} rows of ${columns}`
})
const tried = ref(false)
async function move() {
  tried.value = true
  if (problem.value) return
  const isNew = target.value === 'new'
  const id = isNew ? newId() : target.value
  const tray = isNew
    ? schema.parse({
        name: container.value.name,
        containerId: containerId.value,
        ...grid.value,
        placeId: placeId.value,
        recipeId: null,
        cells: Array(grid.value.rows * grid.value.columns).fill(''),
      })
    : null
  let left = present(plants.value)
  const from = (fromCells.value ? props.groups : [group.value]).flatMap((stands) => {
    const cells = trays.standingCells(
      props.tray,
      stands.group.code,
      left,
      fromCells.value ? props.chosen : null,
    )
    const n = cells.reduce((sum, [, k]) => sum + k, 0)
    // Where the count was a number, nobody knows which cells they leave.
    const count = fromCells.value || n >= left ? null : left
    if (!n && count === null) return []
    left -= count ?? n
    return [{ stands, cells: count === null ? cells : [], count }]
  })
  const gone = present(plants.value)
  const done = await trays.moveOn(props.tray, on.value, from, { id, tray, each: present(each.value) })
  if (!done) return
  const number = trays.find(id)?.number
  noteDone(`${counted(gone, 'plant')} moved to tray ${number}.`, done.act)
  emit('done')
}
</script>

<template>
  <form class="form" @submit.prevent="move">
    <ChoiceField
      v-if="!fromCells && groups.length > 1"
      v-model="code"
      label="Variety"
      :choices="groups.map(({ group: one }) => ({ value: one.code, name: `${one.code}: ${one.name}` }))"
    />
    <TypedField v-model="plants" label="Plants" :hint="`of ${there}`" />
    <ChoiceField v-model="target" label="Move to" :choices="targets" />
    <ChoiceField
      v-if="target === 'new'"
      v-model="containerId"
      label="Kind"
      :choices="containers.map(({ id, name }) => ({ value: id, name }))"
      :hint="said"
    />
    <TypedField v-model="each" label="Plants in each" />
    <ChoiceField v-if="target === 'new'" v-model="placeId" label="Stands in" :choices="places" />
    <DayField :model-value="on" label="On" @update:model-value="$event && (on = $event)" />
    <p v-if="tried && problem" class="problem wide whole" role="alert">{{ problem }}</p>
    <div class="buttons wide whole">
      <Button type="submit" class="main">Move them on</Button>
      <Button @click="emit('cancel')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
  gap: 0.8rem 1rem;
  align-items: start;
}
</style>
