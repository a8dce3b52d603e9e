<script setup lang="ts">
import { present } from '#core/present'
import { first } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import { alsoFits } from '#core/season/fitting/also-fits'
import { freeCells, type Group } from '#core/trays/layout'
import type { TrayRecord } from '#shared/records/tray'

/** What else fits into the cells that are left, by what is sown in the tray; pressed, it is laid out there. */
const props = defineProps<{
  tray: TrayRecord
  add: (wanted: readonly { group: Omit<Group, 'code'>; cells: number }[]) => string | null
}>()
const season = useSeason()
const open = ref(false)
const free = computed(() => freeCells(props.tray))
const row = computed(() => {
  const of = props.tray.groups.find(({ sowingId, stage }) => sowingId && stage === 0)?.sowingId
  return of ? season.row(of) : undefined
})
const all = computed(() =>
  open.value && row.value && season.known
    ? alsoFits(row.value, season.known.crops.values(), present(season.frame), season.known.book).slice(0, 24)
    : [],
)
const nameOf = (name: string) => first(name.split(','))
</script>

<template>
  <FoldAway
    v-if="free > 0 && row"
    v-model:open="open"
    :title="`${counted(free, 'cell')} free: what else fits?`"
    class="no-print"
  >
    <p class="soft">
      {{
        all.length
          ? `Sown with ${row.name}, as warm and as light, and up in the same days. Pressed, it takes the cells that are free.`
          : 'Nothing that is sown in those days comes up with it.'
      }}
    </p>
    <div class="buttons">
      <Button
        v-for="one in all"
        :key="`${one.crop.id} ${one.season}`"
        @click="
          add([
            {
              group: {
                name: nameOf(one.crop.name),
                cropId: one.crop.id,
                sowingId: null,
                stage: 0,
                packetId: null,
                seedsPerCell: one.crop.seedsPerCell,
              },
              cells: free,
            },
          ])
        "
        >{{ nameOf(one.crop.name) }}</Button
      >
    </div>
  </FoldAway>
</template>
