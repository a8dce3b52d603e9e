<script setup lang="ts">
import { saidInParts } from '#core/media/recipe'
import type { Revision, Stored } from '#shared/records/collections'
import type { Recipe } from '#shared/records/recipe'

/** What a recipe was before each change; any of it can be had back. */
const props = defineProps<{ recipe: Stored<Recipe> }>()
const emit = defineEmits<{ restored: [recipe: Stored<Recipe>] }>()

const keeping = useKeeping()
const { saving, save } = useSaving('recipes')
const { note } = useNotes()
const past = shallowRef<Revision<Recipe>[] | null>(null)
const failed = ref(false)

async function read() {
  try {
    past.value = await keeping.history('recipes', props.recipe.id)
    failed.value = false
  } catch {
    failed.value = true
  }
}
watch(() => props.recipe.version, read, { immediate: true })

const { printMoment } = useDates()
async function restore(revision: Revision<Recipe>) {
  const kept = await save(props.recipe.id, props.recipe.version, revision.body)
  if (!kept) return
  emit('restored', kept.stored)
  note(`${kept.stored.body.name} is as it was in version ${revision.version}.`)
}
</script>

<template>
  <div class="history stack-s">
    <h3>Versions</h3>
    <p v-if="failed" class="problem" role="alert">
      The server does not answer. <button type="button" class="link" @click="read">Try again</button>
    </p>
    <p v-else-if="past && past.length === 0" class="soft">It was never changed.</p>
    <ol v-else-if="past">
      <li>
        <span>now</span><strong>{{ saidInParts(recipe.body.parts) }}</strong>
        <span class="soft">{{ recipe.body.name }}</span>
      </li>
      <li v-for="one in past" :key="one.version">
        <span class="soft">{{ printMoment(one.writtenAt) }}</span>
        <strong>{{ saidInParts(one.body.parts) }}</strong>
        <span class="soft">{{ one.body.name }}</span>
        <Button
          :aria-label="`Restore version ${one.version}, ${saidInParts(one.body.parts)}`"
          @click="restore(one)"
        >
          Restore
        </Button>
      </li>
    </ol>
    <p v-if="'message' in saving" class="problem" role="alert">{{ saving.message }}</p>
  </div>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.2rem 0.7rem;
  padding: 0.25rem 0;
  border-top: 1px solid var(--line);
}

.button {
  margin-left: auto;
}
</style>
