import { onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { copyOf } from '~/composables/copyOf'
import { searchWays, type PlannerRequest, type Ways } from '#core/feed/planner'

/** A kit up to this size is searched at once; a larger one in a worker, so that the page stays free. */
const AT_ONCE = 14

/** Every way to measure a dose, as it changes. */
export function useWays(request: () => PlannerRequest | null) {
  const ways = shallowRef<Ways | null>(null)
  const searching = ref(false)
  let worker: Worker | undefined

  function stop() {
    worker?.terminate()
    worker = undefined
    searching.value = false
  }
  function search(asked: PlannerRequest | null) {
    stop()
    if (!asked) return void (ways.value = null)
    if (asked.tools.length <= AT_ONCE || import.meta.server) return void (ways.value = searchWays(asked))
    searching.value = true
    worker = new Worker(new URL('../workers/planner.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<Ways>) => {
      ways.value = data
      stop()
    }
    worker.postMessage(copyOf(asked))
  }
  watch(request, search, { immediate: true })
  onBeforeUnmount(stop)
  return { ways, searching }
}
