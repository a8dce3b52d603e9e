<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useDates } from '~/composables/useDates'
import { useHousehold } from '~/state/household'
import { counted } from '#core/bench/wording'

/** Who saved an entry, and by which command. */
const props = defineProps<{ act: string }>()
const household = useHousehold()
const { printMoment } = useDates()

interface Act {
  readonly at: string
  readonly by: string
  readonly commands: readonly string[]
  readonly records: number
}
const act = ref<Act | null>(null)
watch(
  () => props.act,
  async (id) => {
    // An entry of the time before commands has none.
    act.value = await $fetch<Act>(`/api/households/${household.id}/acts/${id}`).catch(() => null)
  },
  { immediate: true },
)
const commands = computed(() => [...new Set(act.value?.commands)].join(', '))
</script>

<template>
  <p v-if="act" class="soft small">
    Saved {{ printMoment(act.at) }}<template v-if="act.by"> by {{ act.by }}</template
    >: {{ commands }}, {{ counted(act.records, 'record') }}.
  </p>
</template>
