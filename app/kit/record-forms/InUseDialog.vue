<script setup lang="ts">
import { present } from '#core/present'
import { COLLECTIONS } from '#shared/records/collections'
import type { Collection } from '#shared/records/collection-names'

/** What was to be removed is in use: who uses it, and another can be put in its place. */
const inUse = useInUse()
const context = useContext()
const household = useHousehold()
const keeping = useKeeping()
const undoing = useUndo()
const { note } = useNotes()
const remove = useRemoval()
const other = ref<string>()
const problem = ref<string>()
const busy = ref(false)
watch(inUse, () => (other.value = problem.value = undefined))

/** Rows that could stand in its place. */
function rowsOf(collection: Collection): Iterable<{ id: string; name: string }> {
  switch (collection) {
    case 'materials':
      return context.media
    case 'containers':
      return context.containerList
    case 'feeds':
      return context.feedList
    case 'crops':
      return context.crops.values()
    case 'recipes':
      return context.recipes.values()
    default:
      return (household.everything?.[collection] ?? []).map(({ id, body }) => ({ id, name: body.name }))
  }
}
const choices = computed(() =>
  inUse.value
    ? [...rowsOf(inUse.value.collection)]
        .filter(({ id }) => id !== present(inUse.value).record.id)
        .map(({ id, name }) => ({ value: id, name }))
    : [],
)

async function replace() {
  if (!inUse.value || !other.value) return
  busy.value = true
  try {
    const { collection, record } = inUse.value
    const changed = await keeping.replace(collection, record as never, other.value)
    note(`${record.body.name} was deleted; ${changed} now ${changed === 1 ? 'uses' : 'use'} the other.`, {
      name: 'Undo',
      run: () => undoing.undo(),
    })
    inUse.value = null
  } catch (error) {
    problem.value = whyNot(error)
  }
  busy.value = false
}
async function removeAnyway() {
  if (!inUse.value) return
  const { collection, record } = inUse.value
  inUse.value = null
  await remove(collection, record as never, true)
}
</script>

<template>
  <Dialog
    v-if="inUse"
    visible
    modal
    :draggable="false"
    :header="
      inUse.usedBy.length ? `${inUse.record.body.name} is in use` : `Delete ${inUse.record.body.name}?`
    "
    @update:visible="inUse = null"
  >
    <div v-if="!inUse.usedBy.length" class="stack-l">
      <p>These are about it, and stay:</p>
      <ul class="stack-s">
        <li v-for="user in inUse.about" :key="user.id">
          <strong>{{ user.name }}</strong>
          <span class="soft">, {{ COLLECTIONS[user.collection as Collection].one }}</span>
        </li>
      </ul>
      <div class="buttons">
        <Button class="main" @click="removeAnyway">Delete anyway</Button>
        <Button @click="inUse = null">Cancel</Button>
      </div>
    </div>
    <form v-else class="stack-l" @submit.prevent="replace">
      <p>Used by:</p>
      <ul class="stack-s">
        <li v-for="user in inUse.usedBy" :key="user.id">
          <strong>{{ user.name }}</strong>
          <span class="soft">, {{ COLLECTIONS[user.collection as Collection].one }}</span>
        </li>
      </ul>
      <ChoiceField v-model="other" label="Put in its place" :choices="choices" placeholder="choose another" />
      <Message v-if="problem" severity="error">{{ problem }}</Message>
      <div class="buttons">
        <Button type="submit" class="main" :disabled="!other || busy">Replace and remove</Button>
        <Button @click="inUse = null">Cancel</Button>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
ul {
  max-height: 12rem;
  overflow: auto;
}
</style>
