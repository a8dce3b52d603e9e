<script setup lang="ts">
import type { Collection } from '#shared/records/collection-names'

/** A page starts with the newest of a long list; the years before are fetched when somebody asks. */
const { collection, newest, what } = defineProps<{ collection: Collection; newest: number; what: string }>()
const household = useHousehold()
const { note } = useNotes()
const more = ref(true)
const busy = ref(false)
const shown = computed(() => more.value && (household.everything?.[collection].length ?? 0) >= newest)

async function earlier() {
  busy.value = true
  try {
    more.value = await household.bringEarlier(collection, newest)
  } catch (error) {
    note(whyNot(error))
  }
  busy.value = false
}
</script>

<template>
  <p v-if="shown" class="buttons no-print">
    <Button :disabled="busy" @click="earlier">Earlier {{ what }}</Button>
  </p>
</template>
