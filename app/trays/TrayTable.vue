<script setup lang="ts">
import { present } from '#core/present'
import { cellWords } from '#shared/drawings/tray-marks'
import { cellState, type TrayStands } from '#core/trays/standing'
import type { TrayRecord } from '#shared/records/tray'

/** The tray as rows and cells of words. */
const props = defineProps<{ tray: TrayRecord; stands: TrayStands; together: ReadonlySet<string> }>()
const byCode = computed(() => new Map(props.tray.groups.map((group) => [group.code, group])))
const counted = computed(
  () => new Set(props.stands.groups.filter(({ countedOn }) => countedOn).map(({ group }) => group.code)),
)
const words = (cell: number) => {
  const code = props.tray.cells[cell] ?? ''
  const now = present(props.stands.cells[cell])
  const state = cellState(now, code, { together: props.together.has(code), counted: counted.value.has(code) })
  return cellWords(now, byCode.value.get(code), state)
}
</script>

<template>
  <div class="scroll scrolls">
    <table>
      <thead>
        <tr>
          <th scope="col">Row</th>
          <th v-for="column in tray.columns" :key="column" scope="col">{{ column }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in tray.rows" :key="row">
          <th scope="row">{{ row }}</th>
          <td v-for="column in tray.columns" :key="column">
            {{ words((row - 1) * tray.columns + column - 1) }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td {
  min-width: 7rem;
  font-size: 0.875rem;
}
</style>
