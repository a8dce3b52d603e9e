<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { computed, ref, useId } from 'vue'
import Button from 'primevue/button'
import WishHeard from '~/plan/WishHeard.vue'
import { useWishes } from '~/plan/useWishes'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
import { counted } from '#core/text/plurals'
import { useDates } from '~/kit/useDates'
import type { Wanted } from '~/trays/useTrayLaying'

/** Groups in one line, as at the bench: `16 pepper, 8 kinds, 2 each`. Every word is shown as it was taken. */
const props = defineProps<{
  free: number
  /** What the tray is called as a container. */
  container: string
  add: (wanted: readonly Wanted[]) => string | null
}>()
const { locale } = useDates()
const season = useSeason()
const reckoned = useContext()
const { hear } = useWishes()
const id = useId()
const text = ref('')
const refused = ref<string | null>(null)

const heard = computed(() => (text.value.trim() && season.known ? hear(text.value).wish : null))
const crop = computed(() => reckoned.whole.crops.get(heard.value?.cropId ?? ''))
/** As sowings of the season, in this tray and from today: what follows in weeks is planned with them. */
const day = computed(() =>
  new Intl.DateTimeFormat(locale.value, {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${season.today}T00:00Z`)),
)
const sowings = computed(() =>
  heard.value && season.known ? hear(`${text.value}, in ${props.container}, sow ${day.value}`).sowings : [],
)
/** A number here is cells: that is what a tray has. */
const wanted = computed(() => {
  const wish = heard.value
  if (!wish || !crop.value || wish.unread.length) return null
  const name = wish.variety || first(crop.value.name.split(','))
  const seedsPerCell = wish.seedsPerCell ?? crop.value.seedsPerCell
  const group = {
    name: first(name).toUpperCase() + name.slice(1),
    cropId: crop.value.id,
    sowingId: null,
    stage: 0,
    packetId: wish.packetId,
    seedsPerCell,
  }
  const n = wish.amount?.n
  if (wish.kinds)
    return Array.from({ length: wish.kinds.count }, (_, i): Wanted => ({
      group: { ...group, name: sowings.value[i]?.name ?? `${group.name}, kind ${i + 1}` },
      cells: present(wish.kinds).each,
      sowing: sowings.value[i] ?? null,
    }))
  if (!n) return null
  const cells =
    present(wish.amount).of === 'seeds'
      ? Math.ceil(n / seedsPerCell)
      : present(wish.amount).of === 'trays'
        ? props.free
        : n
  const [sowing = null] = sowings.value
  return [{ group: { ...group, name: sowing?.name ?? group.name }, cells, sowing }]
})
const all = computed(() => wanted.value?.reduce((sum, { cells }) => sum + cells, 0) ?? 0)
const open = computed(() => {
  const wish = heard.value
  if (!wish) return null
  if (wish.unread.length) return `Not understood: ${wish.unread.join(', ')}.`
  if (!crop.value) return wish.asks[0]?.question ?? 'Which crop?'
  if (!wanted.value) return 'How many cells?'
  return null
})
function layOut() {
  if (!wanted.value) return
  refused.value = props.add(wanted.value)
  if (!refused.value) text.value = ''
}
</script>

<template>
  <form v-if="season.known" class="wish" @submit.prevent="layOut">
    <label :for="id">Fill row by row</label>
    <div class="line">
      <input
        :id="id"
        v-model="text"
        class="input"
        placeholder="16 chard, 4 kinds, 4 each"
        @input="refused = null"
      />
      <Button type="submit" class="main" :disabled="!wanted">{{
        all ? `Lay out ${counted(all, 'cell')}` : 'Lay out'
      }}</Button>
    </div>
    <WishHeard v-if="heard" :heard="heard.heard" :unread="heard.unread" :crop-name="crop?.name ?? ''" />
    <p v-if="refused ?? open" class="problem" role="alert">{{ refused ?? open }}</p>
  </form>
</template>

<style scoped>
.wish {
  display: grid;
  gap: 0.4rem;
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.line input {
  flex: 1 1 11rem;
  min-width: 0;
}
</style>
