import { searchWays, type PlannerRequest } from '#core/feed/planner'

/** A kit up to this size is searched at once; a larger one in a worker, so that the page stays free. */
const AT_ONCE = 14

/** Every way to measure a dose, as it changes. */
export function useWays(request: () => PlannerRequest | null) {
  const { answer: ways, ask, cancel } = useWorkerCall('searchWays')
  const searching = ref(false)
  async function search(asked: PlannerRequest | null) {
    cancel()
    searching.value = false
    if (!asked) return void (ways.value = null)
    if (asked.tools.length <= AT_ONCE) return void (ways.value = searchWays(asked))
    searching.value = true
    await ask(asked)
    searching.value = false
  }
  watch(request, search, { immediate: true })
  return { ways, searching }
}
