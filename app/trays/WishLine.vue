<script setup lang="ts">
import { present } from '#core/present'
import { GROUPS_EXAMPLE, type Wish, sharedOut } from '#core/language/wish-said'
import { counted } from '#core/text/plurals'
import { cellsIn } from '#core/trays/area'
import { freeCells } from '#core/trays/layout'
import type { SowingRecord } from '#shared/records/sowing'
import type { TrayRecord } from '#shared/records/tray'
import { sowingsFrom } from '#shared/derived/wish'

/** Groups in one line, as at the bench: `16 pepper, 8 kinds, 2 each`. Every word is shown as it was taken. */
const props = defineProps<{
  tray: TrayRecord
  add: (wanted: readonly Wanted[]) => string | null
}>()
const season = useSeason()
const context = useContext()
const id = useId()
const text = ref('')
const { field, say, pick } = useSayAnew(text)
const refused = ref<string | null>(null)
const { shown, meaning, reading, settled } = useReader<Wish>('groups', text)

/** As sowings of the season, in this tray and from today: what follows in weeks is planned with them. */
const inTray = (wish: Wish): readonly (SowingRecord | null)[] => {
  if (!season.known) return [null]
  const here = {
    ...wish,
    containerId: props.tray.containerId,
    sowOn: season.today,
    sown: false,
    outOn: null,
    amount: wish.amount ?? { n: 1, of: 'cells' as const },
  }
  return sowingsFrom({ meaning: [here], heard: [], questions: [] }, season.known)[0] ?? [null]
}
/** A number here is cells: that is what a tray has. */
const wanted = computed((): readonly Wanted[] | null => {
  if (!meaning.value) return null
  const taken = [...props.tray.cells]
  const all = meaning.value.map((wish) => groupsOf(wish, taken))
  return all.some((one) => one === null) ? null : all.flatMap((one) => one ?? [])
})
function groupsOf(wish: Wish, taken: string[]): Wanted[] | null {
  const crop = context.whole.crops.get(wish.cropId ?? '')
  if (!crop) return null
  const seedsPerCell = wish.seedsPerCell ?? crop.seedsPerCell
  const sowings = inTray(wish)
  const called = sowings[0]?.name ?? (wish.variety || present(crop.name.split(',')[0]))
  const group = { cropId: crop.id, sowingId: null, stage: 0, packetId: wish.packetId, seedsPerCell }
  if (wish.kinds)
    return sharedOut(wish.amount?.n ?? wish.kinds.count, wish.kinds.count).map((cells, i): Wanted => ({
      group: { ...group, name: sowings[i]?.name ?? `${called}, kind ${i + 1}` },
      cells,
      sowing: sowings[i] ?? null,
    }))
  if (wish.area) {
    const at = cellsIn(wish.area, props.tray, taken)
    if (at.length === 0) return null
    for (const cell of at) taken[cell] = 'taken'
    return [{ group: { ...group, name: called }, cells: at.length, at, sowing: sowings[0] ?? null }]
  }
  if (!wish.amount) return null
  const { n, of } = wish.amount
  const cells = of === 'seeds' ? Math.ceil(n / seedsPerCell) : of === 'trays' ? freeCells(props.tray) : n
  return [{ group: { ...group, name: called }, cells, sowing: sowings[0] ?? null }]
}
const all = computed(() => wanted.value?.reduce((sum, { cells }) => sum + cells, 0) ?? 0)
const open = computed(() => (meaning.value && !wanted.value ? 'No such cells are free in this tray.' : null))
async function layOut() {
  await settled()
  if (!wanted.value) return
  refused.value = props.add(wanted.value)
  if (!refused.value) text.value = ''
}
</script>

<template>
  <form v-if="season.known" class="wish stack-s" @submit.prevent="layOut">
    <label :for="id">Fill row by row</label>
    <div class="line row">
      <input
        :id="id"
        ref="field"
        v-model="text"
        class="input"
        maxlength="600"
        :placeholder="GROUPS_EXAMPLE"
        @input="refused = null"
      />
      <Button type="submit" class="main" :disabled="!(wanted || reading)">{{
        all ? `Lay out ${counted(all, 'cell')}` : 'Lay out'
      }}</Button>
    </div>
    <SaidBack v-if="shown" :read="shown" @say="say" @pick="pick" />
    <p v-if="refused ?? open" class="problem" role="alert">{{ refused ?? open }}</p>
  </form>
</template>

<style scoped>
.line input {
  flex: 1 1 11rem;
  min-width: 0;
}
</style>
