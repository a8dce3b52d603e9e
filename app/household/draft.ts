import { useEventListener } from '@vueuse/core'

/**
 * A draft on the bench. It is kept in this browser as it is typed, one for each household, so that a reload or a flat
 * battery loses nothing; every change can be taken back, and so can opening another in its place.
 *
 * @param what as it is told on the way back: `Mix`
 */
export function useDraft<Draft extends object>(what: string, first: () => Draft) {
  const household = useHousehold()
  const { did } = useUndo()
  const draft = ref(first()) as Ref<Draft>

  const to = (name: string, state: Draft, gesture?: string): UndoStep => ({
    name,
    ...(gesture ? { gesture } : {}),
    run: () => {
      const opposite = to(name, copyOf(draft.value))
      draft.value = state
      return opposite
    },
  })
  function change(name: string, mutate: (draft: Draft) => void) {
    did(to(`${what}, ${name}`, copyOf(draft.value), `${what} ${name}`))
    mutate(draft.value)
  }
  /** Begin from another state; the one before is one step back. */
  function restart(state: Draft) {
    did(to(`${what}, what was on the bench`, copyOf(draft.value)))
    draft.value = state
  }

  const key = () => `${what}:${household.id}`
  /** Writing to the disk waits until the hand rests, at most a fifth of a second; a page that is left writes at once. */
  let due: { at: string; timer: ReturnType<typeof setTimeout> } | null = null
  function keep() {
    if (!due) return
    clearTimeout(due.timer)
    browserStorage.setItem(due.at, JSON.stringify(draft.value))
    due = null
  }
  const keepSoon = () => (due ??= { at: key(), timer: setTimeout(keep, 200) })
  useEventListener(window, 'pagehide', keep)
  useEventListener(document, 'visibilitychange', keep)
  function restore() {
    try {
      const kept = browserStorage.getItem(key())
      draft.value = kept ? { ...first(), ...(JSON.parse(kept) as Draft) } : first()
    } catch {
      browserStorage.removeItem(key())
      draft.value = first()
    }
  }
  restore()
  watch(
    () => household.id,
    () => {
      keep()
      restore()
    },
    { flush: 'sync' },
  )
  watch(draft, keepSoon, { deep: true, flush: 'sync' })

  return { draft, change, restart }
}
