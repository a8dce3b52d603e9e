<script setup lang="ts">
import { messageAt } from '#shared/messages/refusals'
import { present } from '#core/present'
import { counted } from '#core/text/plurals'
import {
  LABEL_SIZES,
  onPlainPaper,
  sheetProblems,
  type LabelKind,
  type LabelSheet,
} from '#core/trays/label-sheet'
import { labelsOf, type LabelCopies } from '#shared/labels/labels'

definePageMeta({
  place: {
    title: 'Labels',
    what: 'plant labels and a paper map of each tray',
    words: 'print sticker stake key',
    parent: '/trays',
    tab: 2,
  },
})
const route = useRoute()
const trays = useTrays()
const household = useHousehold()
const { note } = useNotes()
const season = useSeason()
const ownContext = useContext()

const asked = String(route.query.trays ?? '')
  .split(',')
  .filter(Boolean)
const picked = ref<string[]>(asked.length ? asked : trays.standing.slice(0, 1).map(({ id }) => id))
const feeds = ref<string[]>([])
const batches = ref<string[]>([])
const named = (list: readonly { id: string; body: { name: string } }[]) =>
  list.map(({ id, body }) => ({ value: id, name: body.name }))
const trayChoices = computed(() =>
  trays.standing.map(({ id, number, body }) => ({
    value: id,
    name: `${number}: ${body.groups.map(({ name }) => name).join(', ') || body.name}`,
  })),
)
const batchChoices = computed(() =>
  household.batches.map(({ id, number, body }) => ({ value: id, name: `${number}: ${body.name}` })),
)

const KINDS: { value: LabelKind; name: string }[] = [
  { value: 'stake', name: 'stakes' },
  { value: 'tape', name: 'strips, to copy by hand' },
  { value: 'cup', name: 'cups and pots' },
  { value: 'row', name: 'row strips of a tray' },
  { value: 'bottle', name: 'bottles of feed' },
  { value: 'tub', name: 'tubs of mix' },
]
const kind = ref<LabelKind>('stake')
const copies = ref<LabelCopies>('group')
const COPIES: { value: LabelCopies; name: string }[] = [
  { value: 'group', name: 'one for each group' },
  { value: 'pack', name: 'one for each pack' },
  { value: 'pot', name: 'one for each cell or pot' },
]
const supplier = ref(false)
const paper = ref<'a4' | 'letter' | 'own'>(household.units === 'us' ? 'letter' : 'a4')
const PAPERS: { value: 'a4' | 'letter' | 'own'; name: string }[] = [
  { value: 'a4', name: 'plain A4, to cut' },
  { value: 'letter', name: 'plain Letter, to cut' },
  { value: 'own', name: 'a sheet of labels, by its measures' },
]
const start = ref<number | null>(1)
const own = useKept<LabelSheet>('label sheet', onPlainPaper('a4', ...LABEL_SIZES.cup), {
  mergeDefaults: true,
})
const sheet = computed(() =>
  paper.value === 'own' ? own.value : onPlainPaper(paper.value, ...LABEL_SIZES[kind.value]),
)
const places = computed(() => sheet.value.columns * sheet.value.rows)
watch(places, (most) => start.value !== null && start.value > most && (start.value = 1))
const problems = computed(() => sheetProblems(sheet.value))
const problemAt = (field: string) => messageAt(problems.value, field)
const startProblem = computed(() =>
  start.value !== null && Number.isInteger(start.value) && start.value >= 1 && start.value <= places.value
    ? undefined
    : `This sheet has ${places.value} labels.`,
)
const MEASURES: { key: keyof LabelSheet; label: string; count?: boolean }[] = [
  { key: 'pageWidthMm', label: 'Paper, width' },
  { key: 'pageHeightMm', label: 'Paper, height' },
  { key: 'labelWidthMm', label: 'Label, width' },
  { key: 'labelHeightMm', label: 'Label, height' },
  { key: 'columns', label: 'Side by side', count: true },
  { key: 'rows', label: 'Below each other', count: true },
  { key: 'leftMm', label: 'First label from the left' },
  { key: 'topMm', label: 'First label from the top' },
  { key: 'gapXMm', label: 'Between them, across' },
  { key: 'gapYMm', label: 'Between them, down' },
]

const texts = computed(() =>
  labelsOf(
    {
      trays: picked.value.flatMap((id) => {
        const tray = trays.find(id)
        return tray ? [{ tray, stands: trays.stands(tray) }] : []
      }),
      feedings: household.feedings.filter(({ id }) => feeds.value.includes(id)),
      batches:
        kind.value === 'tub'
          ? household.batches.filter(({ id }) => batches.value.includes(id))
          : household.batches,
      sowings: household.sowings,
      context: ownContext.whole,
      today: season.today,
    },
    { kind: kind.value, copies: copies.value, supplier: supplier.value, origin: window.location.origin },
  ),
)
const gone = computed(() => picked.value.filter((id) => !trays.find(id)).length)
const query = computed(() => {
  const said: Record<string, string> = {
    trays: picked.value.join(),
    feeds: feeds.value.join(),
    batches: batches.value.join(),
    kind: kind.value,
    copies: copies.value,
    supplier: supplier.value ? 'yes' : 'no',
    paper: paper.value,
    start: String(start.value ?? 1),
  }
  if (paper.value === 'own') for (const [key, value] of Object.entries(own.value)) said[key] = String(value)
  return new URLSearchParams(said).toString()
})
const address = computed(() => `/api/households/${household.id}`)
const perSheet = ref<'1' | '2'>('1')
const keyQuery = computed(() =>
  new URLSearchParams({
    trays: picked.value.join(),
    paper: paper.value === 'letter' ? 'letter' : 'a4',
    perSheet: perSheet.value,
  }).toString(),
)
const PER_SHEET: { value: '1' | '2'; name: string }[] = [
  { value: '1', name: 'one tray a sheet' },
  { value: '2', name: 'two trays a sheet' },
]
const preview = useTemplateRef<{ asSvg: () => string; left: readonly string[] }>('preview')
const family = "'Atkinson Hyperlegible Next Variable', sans-serif"
const saveSvg = () => saveFile('labels.svg', 'image/svg+xml', present(preview.value).asSvg())
/** Where a label printer stands, the same labels go to it. */
const printer = computed(() => household.devices.find(({ body }) => body.kind === 'label printer'))
const printing = ref(false)
async function print() {
  printing.value = true
  try {
    const { simulated } = await $fetch<{ simulated: boolean }>(`${address.value}/labels?${query.value}`, {
      method: 'POST',
    })
    note(
      simulated
        ? 'The simulated printer has taken them: they can be seen under Devices.'
        : 'The label printer has taken them.',
    )
  } catch (error) {
    note(whyNot(error))
  }
  printing.value = false
}
const usesTrays = computed(() => kind.value !== 'bottle' && kind.value !== 'tub')
</script>

<template>
  <div class="labels stack-l">
    <PageTop title="Labels" />
    <div class="bench">
      <div class="stack-l">
        <ChoiceField v-model="kind" label="Labels for" :choices="KINDS" />
        <CheckList v-if="usesTrays" v-model="picked" legend="Trays" :choices="trayChoices">
          <p v-if="!trays.standing.length" class="soft">
            No trays yet. <NuxtLink to="/trays">Lay one out</NuxtLink> first.
          </p>
          <p v-if="gone" class="problem">
            {{ counted(gone, 'tray') }} of these {{ gone === 1 ? 'is' : 'are' }} no longer here.
          </p>
        </CheckList>
        <CheckList
          v-if="kind === 'bottle'"
          v-model="feeds"
          legend="Feeds"
          :choices="named(household.feedings)"
        >
          <p v-if="!household.feedings.length" class="soft">No feed is planned yet.</p>
        </CheckList>
        <CheckList v-if="kind === 'tub'" v-model="batches" legend="Batches" :choices="batchChoices">
          <p v-if="!household.batches.length" class="soft">No batch is planned yet.</p>
        </CheckList>
        <div class="pair">
          <ChoiceField
            v-if="usesTrays && kind !== 'row'"
            v-model="copies"
            label="How many"
            :choices="COPIES"
          />
          <ChoiceField v-model="paper" label="On" :choices="PAPERS" />
          <TypedField
            v-model="start"
            label="Begin at label"
            :hint="`of ${places} on a sheet`"
            :problem="startProblem"
          />
        </div>
        <CheckField
          v-if="usesTrays && kind !== 'row'"
          v-model="supplier"
          label="Say where the seed came from"
        />
        <FoldAway v-if="paper === 'own'" open title="Measures of the sheet">
          <div class="pair">
            <TypedField
              v-for="one in MEASURES"
              :key="one.key"
              :model-value="own[one.key]"
              :label="one.label"
              :unit="one.count ? '' : 'mm'"
              :problem="problemAt(one.key)"
              @update:model-value="own = { ...own, [one.key]: $event ?? 0 }"
            />
          </div>
        </FoldAway>
        <div v-if="texts.length && !problems.length && !startProblem" class="buttons">
          <a class="button main" :href="`${address}/labels.pdf?${query}`" target="_blank" rel="noopener"
            >{{ counted(texts.length, 'label') }} as PDF</a
          >
          <Button @click="saveSvg">The sheet as SVG</Button>
          <Button v-if="printer" :disabled="printing" @click="print"
            >To {{ printer.body.name }}<template v-if="printer.body.simulated">, simulated</template></Button
          >
        </div>
        <div v-if="usesTrays && picked.length" class="buttons key">
          <ChoiceField v-model="perSheet" label="The key on paper" :choices="PER_SHEET" />
          <a class="button" :href="`${address}/key.pdf?${keyQuery}`" target="_blank" rel="noopener"
            >Key as PDF</a
          >
        </div>
      </div>
      <div>
        <LabelSheetPreview
          v-if="texts.length && !problems.length && !startProblem"
          ref="preview"
          :texts="texts"
          :sheet="sheet"
          :start="start ?? 1"
          :cut="paper !== 'own'"
          :family="family"
        />
        <p v-else class="empty soft">
          {{
            problems.length || startProblem
              ? 'These labels do not fit the paper yet.'
              : 'Nothing to label yet: choose what they are for.'
          }}
        </p>
        <p v-if="preview?.left.length" class="soft">
          No room on this size for: {{ preview.left.join(', ') }}.
        </p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(18rem, 1fr) minmax(0, 1.5fr);
  gap: 1.8rem;
  align-items: start;
}

.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(9rem, 1fr));
  gap: 0.8rem 1rem;
  align-items: start;
}

.key {
  align-items: end;
}

@media (max-width: 60rem) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
