<script setup lang="ts">
import { present } from '#core/present'
import { followed } from '~/records/in-and-out/followed'
import { counted } from '#core/text/plurals'
import { COLLECTIONS } from '#shared/records/collections'
import { TABLE_IDS, tableById, type TableId } from '#shared/tables/tables'

/** A table of one’s own, pasted or from a file: how it was read is shown and put right before anything is written. */
interface Found {
  changes: number
  separator: string
  decimal: 'point' | 'comma' | null
  days: 'day first' | 'month first' | null
  headings: { text: string; key: string | null; unit: string | null; sample: string }[]
  missing: string[]
  fresh: number
  changed: number
  same: number
  bad: number
  problems: { line: number; column: string; message: string }[]
  shown: { lines: number[]; name: string; state: 'new' | 'changed' | 'same' | 'bad' }[]
  act: string | null
}
/** A column nobody takes: a list shows nothing for an empty value. */
const LEFT = '-'

const household = useHousehold()
const keeping = useKeeping()
const undoing = useUndo()
const { note } = useNotes()
const pasteId = useId()

const tableId = ref<TableId>('packets')
const table = computed(() => tableById(tableId.value))
const text = ref('')
const fileName = ref('')
const columns = ref<string[] | null>(null)
const decimal = ref<'point' | 'comma' | null>(null)
const days = ref<'day first' | 'month first' | null>(null)
const headless = ref(false)
const found = ref<Found | null>(null)
const problem = ref<string>()
const busy = ref(false)
/** The bytes of a file, which say themselves how they are to be read. */
let bytes: Blob | null = null

const done = ref(0)
/** Leaves what is under way: nothing of it is written. */
let leaving = new AbortController()
function ask(more: { lines?: 'all' | 'good'; seen?: number } = {}) {
  done.value = 0
  leaving = new AbortController()
  const command = {
    name: 'bring in table',
    table: tableId.value,
    columns: columns.value?.map((key) => (key === LEFT ? null : key)) ?? null,
    decimal: decimal.value,
    days: days.value,
    headless: headless.value,
    ...more,
  } as const
  return followed<Found>(addressWithFile(household.id, command), {
    body: bytes ?? new Blob([text.value]),
    type: 'text/csv',
    went: (share) => (done.value = share),
    signal: leaving.signal,
  })
}
/** Why there is no answer; nothing where it was stopped. */
const whyStopped = (error: unknown) => (leaving.signal.aborted ? undefined : whyNothing(error))
async function look() {
  if (!bytes && !text.value.trim()) return
  busy.value = true
  problem.value = undefined
  try {
    found.value = await ask()
  } catch (error) {
    problem.value = whyStopped(error)
    found.value = null
  }
  busy.value = false
}
function anew() {
  columns.value = decimal.value = days.value = null
  headless.value = false
  void look()
}
function choose(file: File) {
  bytes = file
  fileName.value = file.name
  text.value = ''
  anew()
}
function pasted() {
  bytes = null
  fileName.value = ''
  anew()
}
function setColumn(index: number, key: string) {
  columns.value = present(found.value).headings.map((one, i) =>
    // A column is taken by one heading.
    i === index ? key : key !== LEFT && one.key === key ? LEFT : (one.key ?? LEFT),
  )
  void look()
}
async function takeIn(lines: 'all' | 'good') {
  busy.value = true
  problem.value = undefined
  try {
    const taken = await ask({ lines, seen: present(found.value).changes })
    const many = taken.fresh + taken.changed
    const name = `${counted(many, one.value)} from a table`
    await keeping.tookIn(name, present(taken.act))
    note(
      `${name}: ${taken.fresh} new, ${taken.changed} changed.${taken.bad ? ` ${counted(taken.bad, 'line')} stayed out.` : ''}`,
      { name: 'Undo', run: () => void undoing.undo() },
    )
    leave()
  } catch (error) {
    problem.value = whyStopped(error)
  }
  busy.value = false
}
function leave() {
  bytes = null
  fileName.value = text.value = ''
  found.value = null
}
const one = computed(() => COLLECTIONS[table.value.collection].one)
const labelOf = (key: string) => table.value.columns.find((column) => column.key === key)?.label ?? key
const choices = computed(() => [
  { value: LEFT, name: 'left alone' },
  ...table.value.columns
    .filter(({ onlyOut }) => !onlyOut)
    .map(({ key, label, required }) => ({ value: key, name: required ? `${label} (needed)` : label })),
])
const good = computed(() => (found.value ? found.value.fresh + found.value.changed : 0))
const asksDecimal = computed(() => decimal.value !== null || found.value?.decimal === null)
const asksDays = computed(
  () =>
    days.value !== null ||
    found.value?.problems.some(({ message }) => message.includes('how days are written')),
)
const STATES = { new: 'new', changed: 'changed', same: 'no change', bad: 'skipped' } as const
</script>

<template>
  <div class="table-in stack-l">
    <ChoiceField
      v-model="tableId"
      label="Table"
      :choices="TABLE_IDS.map((id) => ({ value: id, name: tableById(id).name }))"
      :hint="table.what"
      @update:model-value="anew"
    />
    <FieldFrame :id="pasteId" label="Paste from your spreadsheet" hint="with its headings">
      <textarea
        :id="pasteId"
        v-model="text"
        rows="5"
        :placeholder="
          table.columns
            .filter(({ required }) => required)
            .map(({ label }) => label)
            .join('\t')
        "
        @change="pasted"
      />
    </FieldFrame>
    <p class="buttons">
      <Button :disabled="busy || !text.trim()" @click="pasted">Check</Button>
      <FileField
        label="Choose a file"
        accept=".csv,.tsv,.txt,text/csv,text/plain,text/tab-separated-values"
        :disabled="busy"
        @choose="choose"
      />
    </p>
    <template v-if="busy">
      <p class="soft" role="status">Reading …</p>
      <UnderWay label="Reading it" :done="done" @stop="leaving.abort()" />
    </template>
    <Message v-if="problem" severity="error">{{ problem }}</Message>
    <section v-if="found" class="found stack-l" aria-labelledby="found-title">
      <h3 id="found-title">How {{ fileName || 'it' }} was read</h3>
      <Message v-if="found.missing.length" severity="warn">
        No column is {{ found.missing.map(labelOf).join(', or ') }}: choose below which it is.
      </Message>
      <div class="scrolls" tabindex="0" role="region" aria-label="Columns">
        <FigureTable :columns="['Heading', 'For example', 'Read as']">
          <tr v-for="(heading, i) in found.headings" :key="i">
            <th scope="row">{{ heading.text || `column ${i + 1}` }}</th>
            <td class="example">{{ heading.sample || '–' }}</td>
            <td>
              <ChoiceField
                :model-value="heading.key ?? LEFT"
                :label="`${heading.text || `Column ${i + 1}`} is taken as`"
                hide-label
                :choices="choices"
                @update:model-value="setColumn(i, $event as string)"
              />
            </td>
          </tr>
        </FigureTable>
      </div>
      <CheckField
        v-model="headless"
        label="The first line is data, not headings"
        @update:model-value="look"
      />
      <ChoiceField
        v-if="asksDecimal"
        v-model="decimal"
        label="Decimals are written"
        placeholder="choose one"
        :choices="[
          { value: 'point', name: 'with a point: 1.5 and 1,000' },
          { value: 'comma', name: 'with a comma: 1,5 and 1.000' },
        ]"
        @update:model-value="look"
      />
      <ChoiceField
        v-if="asksDays"
        v-model="days"
        label="Days are written"
        placeholder="choose one"
        :choices="[
          { value: 'day first', name: 'day first: 31/12/2027' },
          { value: 'month first', name: 'month first: 12/31/2027' },
        ]"
        @update:model-value="look"
      />
      <p class="tally" role="status">
        <b>{{ found.fresh }}</b> new, <b>{{ found.changed }}</b> changed, <b>{{ found.same }}</b> as here
        already, <b>{{ found.bad }}</b> with a problem.
      </p>
      <template v-if="found.problems.length">
        <h4 class="flat">To fix</h4>
        <ul class="problems">
          <li v-for="(wrong, i) in found.problems.slice(0, 100)" :key="i">
            Line {{ wrong.line }}<template v-if="wrong.column">, {{ labelOf(wrong.column) }}</template
            >: {{ wrong.message }}
          </li>
        </ul>
        <p v-if="found.problems.length > 100" class="soft">… and {{ found.problems.length - 100 }} more.</p>
      </template>
      <details v-if="found.shown.length">
        <summary>Line by line</summary>
        <ul class="problems">
          <li v-for="(line, i) in found.shown" :key="i">
            Line {{ line.lines[0]
            }}<template v-if="line.lines.length > 1"> to {{ line.lines.at(-1) }}</template
            >: {{ line.name || 'no name' }}, <span class="soft">{{ STATES[line.state] }}</span>
          </li>
        </ul>
      </details>
      <p class="buttons">
        <Button v-if="good && !found.bad" class="main" :disabled="busy" @click="takeIn('all')">
          Import {{ counted(good, one) }}
        </Button>
        <Button v-else-if="good" class="main" :disabled="busy" @click="takeIn('good')">
          Import the {{ counted(good, one) }} without problems
        </Button>
        <Button @click="leave">Cancel</Button>
      </p>
    </section>
  </div>
</template>

<style scoped>
.table-in,
.found {
  justify-items: start;
  max-width: 100%;
}

.table-in > :deep(.field),
.scrolls {
  width: min(46rem, 100%);
}

.example {
  max-width: 16rem;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

textarea {
  white-space: pre;
  overflow-x: auto;
}

.flat {
  margin: 0;
}

.problems {
  max-height: 18rem;
  overflow: auto;
}
</style>
