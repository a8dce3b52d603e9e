<script setup lang="ts">
import { counted } from '#core/text/plurals'

/** Who saved an entry, and by which command. */
const props = defineProps<{ act: string }>()
const household = useHousehold()
const { printMoment } = useDates()

interface SavedAct {
  readonly at: string
  readonly by: string
  readonly commands: readonly string[]
  readonly records: number
}
const saved = ref<SavedAct | null>(null)
watch(
  () => props.act,
  async (id) => {
    // An entry of the time before commands has none.
    saved.value = await $fetch<SavedAct>(`/api/households/${household.id}/acts/${id}`).catch(() => null)
  },
  { immediate: true },
)
const commands = computed(() => [...new Set(saved.value?.commands)].join(', '))
</script>

<template>
  <p v-if="saved" class="soft small">
    Saved {{ printMoment(saved.at) }}<template v-if="saved.by"> by {{ saved.by }}</template
    >: {{ commands }}, {{ counted(saved.records, 'record') }}.
  </p>
</template>
