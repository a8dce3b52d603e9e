<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { alsoFits } from '#core/season/fitting/also-fits'
import type { PlannedRow } from '#shared/derived/planned-row'

/** What else fits into the cells of its tray that are left; pressed, it stands in the sentence. */
const props = defineProps<{ row: PlannedRow }>()
const emit = defineEmits<{ choose: [text: string] }>()
const season = useSeason()
const { locale } = useDates()

const open = ref(false)
const foot = computed(() => first(props.row.planned.stages))
const free = computed(() => foot.value.placed?.freeCells ?? 0)
const all = computed(() =>
  open.value && season.known
    ? alsoFits(props.row, season.known.crops.values(), present(season.frame), season.known.book).slice(0, 24)
    : [],
)
const nameOf = (name: string) => first(name.split(','))
const day = computed(() =>
  new Intl.DateTimeFormat(locale.value, {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  }).format(new Date(`${foot.value.from}T00:00Z`)),
)
const { said } = useMeasures()
</script>

<template>
  <FoldAway
    v-if="free > 0"
    v-model:open="open"
    :title="`${counted(free, 'cell')} free in its tray: what else fits?`"
  >
    <p v-if="!all.length" class="soft">Nothing else sown in those days matches.</p>
    <p v-else class="soft">These like the same warmth and light and come up in the same days.</p>
    <div class="buttons">
      <Button
        v-for="one in all"
        :key="`${one.crop.id} ${one.season}`"
        @click="
          emit(
            'choose',
            `${free} cells of ${nameOf(one.crop.name)} in ${foot.container.name}, sow ${day}${one.season === 'autumn' ? said(', for autumn') : ''}`,
          )
        "
        >{{ nameOf(one.crop.name) }}</Button
      >
    </div>
  </FoldAway>
</template>
