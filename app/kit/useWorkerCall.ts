import { proxy, wrap } from 'comlink'
import type { WorkerCalls } from '~/workers/computing.worker'

/** One question at a time to a worker; asking anew, cancelling or leaving ends the one that runs. */
export function useWorkerCall<Name extends keyof WorkerCalls>(name: Name) {
  type Question = Parameters<WorkerCalls[Name]>[0]
  const answer = shallowRef<ReturnType<WorkerCalls[Name]> | null>(null)
  /** How far it is, 0–1; null while nothing is asked. */
  const done = ref<number | null>(null)
  const tookMs = ref(0)
  let worker: Worker | undefined

  function cancel() {
    worker?.terminate()
    worker = undefined
    done.value = null
  }
  async function ask(question: Question) {
    cancel()
    done.value = 0
    const mine = new Worker(new URL('../workers/computing.worker.ts', import.meta.url), { type: 'module' })
    worker = mine
    const started = performance.now()
    const call = wrap<WorkerCalls>(mine)[name] as unknown as (
      question: Question,
      tell: (done: number) => void,
    ) => Promise<ReturnType<WorkerCalls[Name]>>
    const said = await call(
      copyOf(question),
      proxy((share: number) => {
        if (worker === mine) done.value = share
      }),
    )
    if (worker !== mine) return
    answer.value = said
    tookMs.value = performance.now() - started
    cancel()
  }
  onBeforeUnmount(cancel)
  return { answer, done, tookMs, ask, cancel }
}
