<script setup lang="ts">
import Papa from 'papaparse'
import { isDay } from '#core/calendar/day'

type Value = string | number | null
type Cell<Of = Value> = Of | { readonly value: Of; readonly says: string }
/** A chart with the table it is drawn from, and that table as a file. */
const props = defineProps<{
  title: string
  hint: string
  columns: readonly Cell<string>[]
  /** A cell that is said otherwise on the page than in the file has both. */
  rows: readonly (readonly Cell[])[]
  file: string
}>()
const id = useId()

const { printDay } = useDates()
const isSaid = <Of,>(cell: Cell<Of>) => typeof cell === 'object' && cell !== null && 'says' in cell
const inFile = <Of,>(cell: Cell<Of>) => (isSaid(cell) ? cell.value : cell)
const shown = (cell: Cell) =>
  isSaid(cell) ? cell.says : typeof cell === 'string' && isDay(cell) ? printDay(cell) : cell

function download() {
  const csv = Papa.unparse(
    { fields: props.columns.map(inFile), data: props.rows.map((row) => row.map(inFile)) },
    { escapeFormulae: true },
  )
  saveFile(`${props.file}.csv`, 'text/csv;charset=utf-8', `\uFEFF${csv}\r\n`)
}
</script>

<template>
  <figure class="chart stack" :aria-labelledby="id">
    <figcaption>
      <h2 :id="id">{{ title }}</h2>
      <p class="soft">{{ hint }}</p>
    </figcaption>
    <DrawingFrame :file="file" :title="title"><slot /></DrawingFrame>
    <details class="no-print">
      <summary>As a table</summary>
      <div class="scroll" role="region" :aria-label="`${title}, as a table`" tabindex="0">
        <FigureTable :columns="columns.map((one) => String(shown(one)))">
          <tr v-for="(row, i) in rows" :key="i">
            <template v-for="(cell, j) in row" :key="j">
              <th v-if="j === 0" scope="row">{{ shown(cell) }}</th>
              <td v-else>{{ shown(cell) }}</td>
            </template>
          </tr>
        </FigureTable>
      </div>
      <Button @click="download">Save as CSV</Button>
    </details>
  </figure>
</template>

<style scoped>
.chart {
  padding-top: 1rem;
  border-top: 1px solid var(--line);
}

summary {
  display: inline-block;
  min-height: 2rem;
  color: var(--enamel);
  cursor: pointer;
}

.scroll {
  overflow-x: auto;
  margin-bottom: 0.6rem;
}
</style>
