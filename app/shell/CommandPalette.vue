<script setup lang="ts">
import type { Stored } from '#shared/records/collections'
import type { HouseholdRecord } from '#shared/records/household'
import type { Sought } from '#core/language/palette'
import { paletteAnswers } from '#shared/derived/palette-answers'

/** Everything that can be gone to or done, found by typing. */
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const household = useHousehold()
const context = useContext()
const undoing = useUndo()
const { all } = usePlaces()
const MAX_OTHERS = 20
const PHRASE = /\b(go|to|the|bench|of|another|household)\b/gi
/** Words that are not of the phrase every other household is found under. */
const withoutPhrase = (typed: string) => typed.replace(PHRASE, ' ').trim().slice(0, 200)
/** Asked for as somebody types: no page needs the names of the others. */
const others = ref<{ id: string; name: string }[]>([])
let reading: Promise<void> = Promise.resolve()
const preferences = usePreferences()

interface Command {
  name: string
  hint: string
  /** What people also call it. */
  words?: string
  run: () => unknown
}

const wanted = ref('')
const chosen = ref(0)
const bench = useBench()
const { printDay } = useDates()
const { temperature, length } = useMeasures()
/** Before there is a household nothing is known to be asked. */
const asked = computed(() => (household.everything ? wanted.value : ''))
const { shown, settled } = useReader<Sought>('palette', asked)
/** What can be answered outright: what is in the shed, the night, the day of a job. */
const answers = computed((): Command[] => {
  const sought = shown.value?.readings[0]?.meaning[0] as Sought | undefined
  if (!sought || !wanted.value.trim() || !household.everything) return []
  const telling = { printDay, temperature, length, units: household.units }
  return paletteAnswers(sought, bench, telling).map(({ name, hint, path }) => ({
    name,
    hint,
    run: () => router.push(path),
  }))
})

const commands = computed((): Command[] => [
  ...all.value.map(({ title, what, words = '', key, order, path }) => ({
    words,
    name: order === undefined ? title : `Go to ${title}`,
    hint: key && preferences.letterKeys ? `${what} · key ${key}` : what,
    run: () => router.push(path),
  })),
  ...(undoing.canUndo ? [{ name: 'Undo', hint: 'Ctrl Z', run: () => undoing.undo() }] : []),
  ...(undoing.canRedo ? [{ name: 'Redo', hint: 'Ctrl Shift Z', run: () => undoing.redo() }] : []),
  ...household.batches.flatMap(({ id, number, body }) => [
    { name: `Bench card of batch ${number}`, hint: body.name, run: () => router.push(`/batches/${id}`) },
    { name: `Change batch ${number}`, hint: body.name, run: () => router.push(`/mix?batch=${id}`) },
  ]),
  ...household.feedings.map(({ id, body }) => ({
    name: 'Change feed plan',
    hint: body.name,
    run: () => router.push(`/feed?plan=${id}`),
  })),
  ...(wanted.value.trim().length < 3
    ? []
    : [...context.crops.values()].map(({ id, name, botanical, alsoCalled }) => ({
        name: `${name}, among the crops`,
        hint: alsoCalled.slice(0, 3).join(', ') || botanical,
        words: `${alsoCalled.join(' ')} ${botanical}`,
        run: () => router.push(`/crops?crop=${id}`),
      }))),
  ...others.value
    .filter(({ id }) => id !== household.id)
    .map(({ id, name }) => ({
      name: `Go to the bench of ${name}`,
      hint: 'another household',
      run: () => household.moveTo(id).then(() => router.push('/')),
    })),
  { name: 'Switch light and dark', hint: 'paper or grow room', run: preferences.switchTheme },
  {
    name: preferences.letterKeys ? 'Turn single-letter keys off' : 'Turn single-letter keys on',
    hint: all.value.flatMap(({ key, title }) => (key ? `${key} ${title}` : [])).join(', '),
    run: () => (preferences.letterKeys = !preferences.letterKeys),
  },
])

const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  const named = commands.value.filter(({ name, hint, words: other = '' }) =>
    words.every((word) => `${name} ${hint} ${other}`.toLowerCase().includes(word)),
  )
  // What is called exactly so comes before what only answers, and what has it in its name before what mentions it.
  const typed = wanted.value.trim().toLowerCase()
  const ranked = (rank: number) => named.filter((one) => rankOf(one, typed) === rank)
  return [...ranked(0), ...answers.value, ...ranked(1), ...ranked(2)]
})

const GOING = /^go to /
/** 0: called so; 1: has it in its name; 2: mentions it. */
function rankOf(command: Command, typed: string): 0 | 1 | 2 {
  const name = command.name.toLowerCase()
  if (name === typed || name.replace(GOING, '') === typed) return 0
  return name.includes(typed) ? 1 : 2
}

watch(wanted, () => {
  chosen.value = 0
  reading = readOthers()
})
watch(
  open,
  (shown) => {
    if (!shown) return
    wanted.value = ''
    chosen.value = 0
    reading = readOthers()
  },
  { immediate: true },
)
async function readOthers() {
  const named = withoutPhrase(wanted.value)
  const all = await $fetch<Stored<HouseholdRecord>[]>('/api/households', {
    query: { named, limit: MAX_OTHERS },
  }).catch(() => [])
  // What was typed meanwhile has been asked for too.
  if (named === withoutPhrase(wanted.value))
    others.value = all.map(({ id, body }) => ({ id, name: body.name }))
}

function step(by: number) {
  const count = found.value.length
  if (count) chosen.value = (chosen.value + by + count) % count
}

/** Who types faster than answers are found, or the other households are read, is waited for. */
async function runChosen() {
  await settled()
  if (found.value.length === 0) await reading
  run(found.value[chosen.value])
}

function run(command: Command | undefined) {
  if (!command) return
  open.value = false
  void command.run()
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Go to or do" dismissable-mask :draggable="false">
    <div class="palette stack">
      <input
        v-model="wanted"
        v-first-focus
        class="input"
        type="text"
        role="combobox"
        aria-label="What to find"
        aria-expanded="true"
        aria-controls="palette-list"
        autocomplete="off"
        placeholder="perlite, frost tonight, pot up, tray 3 …"
        :aria-activedescendant="found.length ? `palette-${chosen}` : undefined"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="runChosen"
      />
      <ul id="palette-list" role="listbox" aria-label="Found">
        <li
          v-for="(command, index) in found"
          :id="`palette-${index}`"
          :key="command.name + command.hint"
          role="option"
          :aria-selected="index === chosen"
          @click="run(command)"
          @pointermove="chosen = index"
        >
          <span>{{ command.name }}</span>
          <span class="soft small">{{ command.hint }}</span>
        </li>
      </ul>
      <p v-if="found.length === 0" class="soft">Nothing here is called that.</p>
    </div>
  </Dialog>
</template>

<style scoped>
ul {
  max-height: 50dvh;
  overflow: auto;
}

li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 0 1rem;
  padding: 0.5rem 0.6rem;
  border-radius: 0.4rem;
  cursor: pointer;
}

li[aria-selected='true'] {
  background: var(--water-wash);
}
</style>
