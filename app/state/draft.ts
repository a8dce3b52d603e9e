import { ref, watch, type Ref } from 'vue'
import { copyOf } from '~/composables/copyOf'
import { useHousehold } from '~/state/household'
import { useUndo, type Act } from '~/state/undo'

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

  const to = (name: string, state: Draft, gesture?: string): Act => ({
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
  const keep = () => localStorage.setItem(key(), JSON.stringify(draft.value))
  function restore() {
    try {
      const kept = localStorage.getItem(key())
      draft.value = kept ? { ...first(), ...(JSON.parse(kept) as Draft) } : first()
    } catch {
      localStorage.removeItem(key())
      draft.value = first()
    }
  }
  restore()
  watch(() => household.id, restore)
  watch(draft, keep, { deep: true, flush: 'sync' })

  return { draft, change, restart }
}
