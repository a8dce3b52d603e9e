<script setup lang="ts">
import { present } from '#core/present'
import { at } from '#core/numeric/at'
import { cellsToTell } from '#core/trials/chance'
import { MIN_TRAYS, type TrialQuestion } from '#core/trials/trial'

/** A trial in one press: which cells, what differs, and the lot is drawn. */
const emit = defineEmits<{ close: [] }>()
const { unsown, setUp, setUpTrays } = useTrials()
const context = useContext()
const household = useHousehold()
const trays = useTrays()

const QUESTIONS: { value: TrialQuestion; name: string }[] = [
  { value: 'mix', name: 'two mixes' },
  { value: 'seed', name: 'two packets or suppliers of seed' },
  { value: 'place', name: 'two places (whole trays)' },
  { value: 'watering', name: 'two ways of watering (whole trays)' },
  { value: 'method', name: 'two methods: depth, cover, soak' },
  { value: 'other', name: 'something else' },
]
const question = ref<TrialQuestion>('mix')
const whole = computed(() => question.value === 'place' || question.value === 'watering')
const groups = computed(() =>
  unsown.value.map(({ tray, stands }) => ({
    value: `${tray.id} ${stands.group.code}`,
    name: `tray ${tray.number}: ${stands.cells} cells of ${stands.group.name}`,
  })),
)
const chosen = ref<string | undefined>(groups.value[0]?.value)
const chosenTrays = ref<string[]>([])
const sides = ref([
  { name: '', recipeId: null as string | null, packetId: null as string | null },
  { name: '', recipeId: null as string | null, packetId: null as string | null },
])
const name = ref('')
const blind = ref(false)
watch(question, () => (sides.value = sides.value.map(() => ({ name: '', recipeId: null, packetId: null }))))

const group = computed(() => {
  const [id, code] = (chosen.value ?? '').split(' ')
  return unsown.value.find(({ tray, stands }) => tray.id === id && stands.group.code === code)
})
const packets = computed(() =>
  household.packets
    .filter(({ body }) => !group.value || body.cropId === group.value.stands.group.cropId)
    .map(({ id, body }) => ({
      value: id as string | null,
      name: `${body.name} ${body.year}${body.supplier ? `, ${body.supplier}` : ''}`,
    })),
)
const nameOf = (side: (typeof sides.value)[number]) =>
  side.name.trim() ||
  (question.value === 'mix' ? side.recipeId && context.recipes.get(side.recipeId)?.name : null) ||
  (question.value === 'seed' ? packets.value.find(({ value }) => value === side.packetId)?.name : null) ||
  ''
const names = computed(() => sides.value.map(nameOf))
const each = computed(() => (group.value ? Math.floor(group.value.stands.cells / sides.value.length) : 0))
/** So many would tell 80 % from 60 %, four times in five. */
const ENOUGH = present(cellsToTell(0.8, 0.6))
const problem = computed(() => {
  if (whole.value ? chosenTrays.value.length < sides.value.length : !group.value)
    return whole.value
      ? 'Choose at least one tray for each side.'
      : 'Choose cells that are laid out and not sown yet.'
  if (names.value.some((one) => !one)) return 'Say what is different about each side.'
  if (new Set(names.value).size < names.value.length) return 'The sides are called the same.'
  return null
})
const tried = ref(false)
async function make() {
  tried.value = true
  if (problem.value) return
  const said = name.value.trim() || `${names.value.join(' or ')}?`
  const wanted = {
    name: said.slice(0, 120),
    question: question.value,
    blind: blind.value,
    sides: sides.value.map((side, i) => ({ ...side, name: at(names.value, i) })),
  }
  const id = whole.value
    ? await setUpTrays(
        wanted,
        chosenTrays.value.flatMap((one) => trays.find(one) ?? []),
      )
    : await setUp(wanted, present(group.value).tray, present(group.value).stands.group.code)
  if (id) emit('close')
}
</script>

<template>
  <form class="stack-l" @submit.prevent="make">
    <ChoiceField v-model="question" label="What is compared" :choices="QUESTIONS" />
    <CheckList
      v-if="whole"
      v-model="chosenTrays"
      legend="Trays to assign at random"
      :choices="
        trays.standing.map((tray) => ({
          value: tray.id,
          name: `tray ${tray.number}: ${tray.body.groups.map((one) => one.name).join(', ') || tray.body.name}`,
        }))
      "
    />
    <ChoiceField
      v-else-if="groups.length"
      v-model="chosen"
      label="Cells to assign at random"
      :choices="groups"
    />
    <p v-else class="slip">
      No tray has cells that are laid out and not sown yet.
      <NuxtLink to="/trays">Lay one out first</NuxtLink>: it must be assigned before sowing.
    </p>
    <div v-for="(side, i) in sides" :key="i" class="side">
      <b>{{ String.fromCharCode(65 + i) }}</b>
      <ChoiceField
        v-if="question === 'mix'"
        v-model="side.recipeId"
        :label="`Mix of side ${String.fromCharCode(65 + i)}`"
        placeholder="choose a mix"
        :choices="context.mixChoices"
      />
      <ChoiceField
        v-else-if="question === 'seed' && packets.length"
        v-model="side.packetId"
        :label="`Packet of side ${String.fromCharCode(65 + i)}`"
        placeholder="choose a packet"
        :choices="packets"
      />
      <TextField v-else v-model="side.name" :label="`Side ${String.fromCharCode(65 + i)} is`" />
    </div>
    <p v-if="sides.length < 4">
      <Button text @click="sides.push({ name: '', recipeId: null, packetId: null })">One more side</Button>
    </p>
    <TextField
      v-model="name"
      label="What you ask"
      :hint="names.every(Boolean) ? `else: ${names.join(' or ')}?` : 'may stay empty'"
    />
    <CheckField v-model="blind" label="Blind: only letters on the labels until it is judged" />
    <p v-if="group && !whole" class="soft">
      {{ each }} cells a side, drawn by lot. To tell 80 % from 60 % four times in five takes {{ ENOUGH }} a
      side.
    </p>
    <p v-if="whole" class="soft">
      Each tray counts once, however many cells it has: {{ MIN_TRAYS }} trays a side are the fewest that can
      be told from one tray’s luck.
    </p>
    <p v-if="tried && problem" class="problem" role="alert">{{ problem }}</p>
    <div class="buttons">
      <Button type="submit" class="main">Draw the lot</Button>
      <Button @click="emit('close')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.side {
  display: grid;
  grid-template-columns: 1.6rem minmax(0, 1fr);
  gap: 0.5rem;
  align-items: center;
}
</style>
