<script setup lang="ts">
import { useRouter } from '#imports'
import { computed, ref, watch } from 'vue'
import Dialog from 'primevue/dialog'
import { useActiveDraft } from '~/composables/useKeys'
import { useHousehold } from '~/state/household'
import { usePreferences } from '~/state/preferences'
import { PLACES } from '~/composables/usePlaces'

/** Everything that can be gone to or done, found by typing. */
const open = defineModel<boolean>({ required: true })
const router = useRouter()
const household = useHousehold()
const history = useActiveDraft()
const preferences = usePreferences()

interface Command {
  name: string
  hint: string
  run: () => unknown
}

const wanted = ref('')
const chosen = ref(0)

const commands = computed((): Command[] => [
  ...PLACES.map(({ name, what, key, path }) => ({
    name: `Go to ${name}`,
    hint: preferences.letterKeys ? `${what} · key ${key}` : what,
    run: () => router.push(path),
  })),
  {
    name: 'Ladder of feeds',
    hint: 'from seed leaves to planting out',
    run: () => router.push('/programme'),
  },
  { name: 'Crops and seed', hint: 'the book of crops, and your packets', run: () => router.push('/crops') },
  { name: 'Several feeds', hint: 'blended to what is wanted', run: () => router.push('/blend') },
  { name: 'Signs', hint: 'pale, burnt, purple: what is likely', run: () => router.push('/signs') },
  { name: 'Find a mix', hint: 'from what you have, for what you want', run: () => router.push('/find') },
  ...(history.value?.canUndo ? [{ name: 'Undo', hint: 'Ctrl Z', run: () => history.value!.undo() }] : []),
  ...(history.value?.canRedo
    ? [{ name: 'Redo', hint: 'Ctrl Shift Z', run: () => history.value!.redo() }]
    : []),
  ...household.batches.flatMap(({ id, number, body }) => [
    { name: `Bench card of batch ${number}`, hint: body.name, run: () => router.push(`/bench/${id}`) },
    { name: `Change batch ${number}`, hint: body.name, run: () => router.push(`/mix?batch=${id}`) },
  ]),
  ...household.feedings.map(({ id, body }) => ({
    name: 'Change feed plan',
    hint: body.name,
    run: () => router.push(`/feed?plan=${id}`),
  })),
  ...household.all
    .filter(({ id }) => id !== household.id)
    .map(({ id, name }) => ({
      name: `Go to the bench of ${name}`,
      hint: 'another household',
      run: () => household.moveTo(id).then(() => router.push('/')),
    })),
  { name: 'Switch light and dark', hint: 'paper or grow room', run: preferences.switchTheme },
  {
    name: preferences.letterKeys ? 'Turn single-letter keys off' : 'Turn single-letter keys on',
    hint: PLACES.map(({ key, name }) => `${key} ${name}`).join(', '),
    run: () => (preferences.letterKeys = !preferences.letterKeys),
  },
])

const found = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return commands.value.filter(({ name, hint }) =>
    words.every((word) => `${name} ${hint}`.toLowerCase().includes(word)),
  )
})

watch(wanted, () => (chosen.value = 0))
watch(open, (shown) => {
  if (shown) {
    wanted.value = ''
    chosen.value = 0
  }
})

function step(by: number) {
  const count = found.value.length
  if (count) chosen.value = (chosen.value + by + count) % count
}

function run(command: Command | undefined) {
  if (!command) return
  open.value = false
  void command.run()
}
</script>

<template>
  <Dialog v-model:visible="open" modal header="Go to or do" dismissable-mask :draggable="false">
    <div class="palette">
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
        placeholder="Type a few letters"
        :aria-activedescendant="found.length ? `palette-${chosen}` : undefined"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="run(found[chosen])"
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
.palette {
  display: grid;
  gap: 0.6rem;
}

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
