import { onMounted, ref, watch, type Ref } from 'vue'
import { useEventListener } from '@vueuse/core'
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
  let restoredFor = ''
  /**
   * On a page, once it is alive: the server knows nothing of what this browser keeps.
   *
   * @param then what the page wants on the bench instead, such as what its address names
   */
  function keepHere(then: () => void) {
    const begin = () => {
      if (restoredFor !== household.id) restore()
      restoredFor = household.id
      then()
    }
    onMounted(() => {
      begin()
      watch(draft, keep, { deep: true })
    })
    watch(() => household.id, begin)
    useEventListener('pagehide', () => restoredFor && keep())
  }

  return { draft, change, restart, keepHere }
}
