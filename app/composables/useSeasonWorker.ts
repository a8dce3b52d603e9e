import { onBeforeUnmount, ref, shallowRef } from 'vue'
import { copyOf } from '~/composables/copyOf'
import type { SeasonAnswer, SeasonAsk } from '~/workers/season.worker'

/** One question at a time to the season's worker; asking anew or leaving ends the one that runs. */
export function useSeasonWorker<Answer>(read: (answer: SeasonAnswer) => Answer | undefined) {
  const answer = shallowRef<Answer | null>(null)
  const done = ref<number | null>(null)
  let worker: Worker | undefined

  function stop() {
    worker?.terminate()
    worker = undefined
    done.value = null
  }
  function ask(question: SeasonAsk) {
    stop()
    done.value = 0
    worker = new Worker(new URL('../workers/season.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<SeasonAnswer>) => {
      if ('done' in data) return void (done.value = data.done)
      answer.value = read(data) ?? null
      stop()
    }
    worker.postMessage(copyOf(question))
  }
  onBeforeUnmount(stop)
  return { answer, done, ask, stop }
}
