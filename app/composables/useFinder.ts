import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { copyOf } from '~/composables/copyOf'
import type { FinderRequest, FinderResult } from '#core/media/finder'
import type { FinderMessage } from '~/workers/finder.worker'

/** One search at a time, in a worker; starting anew or leaving ends the one that runs. */
export function useFinder() {
  const done = ref<number | null>(null)
  const result = shallowRef<FinderResult | null>(null)
  /** What the result answers: a search that was cancelled leaves the last one standing. */
  const answered = shallowRef<FinderRequest | null>(null)
  const tookMs = ref(0)
  let worker: Worker | undefined

  function cancel() {
    worker?.terminate()
    worker = undefined
    done.value = null
  }

  function find(request: FinderRequest) {
    cancel()
    done.value = 0
    const started = performance.now()
    worker = new Worker(new URL('../workers/finder.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<FinderMessage>) => {
      if ('done' in data) {
        done.value = data.done
        return
      }
      result.value = data.result
      answered.value = request
      tookMs.value = performance.now() - started
      cancel()
    }
    worker.postMessage(copyOf(request))
  }

  onBeforeUnmount(cancel)
  return { done, result, answered, tookMs, find, cancel }
}
