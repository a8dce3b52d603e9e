import { computed, ref, shallowRef, type Ref } from 'vue'
import { copyOf } from '~/composables/copyOf'

const DEPTH = 200
const SAME_GESTURE_MS = 900

/**
 * A draft that can be taken back and put forward again, as far as it goes.
 * Changes with the same name that follow each other closely (a drag, typing) count as one.
 */
export function useHistory<Draft extends object>(first: () => Draft) {
  const draft = ref(first()) as Ref<Draft>
  const past = shallowRef<Draft[]>([])
  const future = shallowRef<Draft[]>([])
  let lastName = ''
  let lastAt = 0

  const copy = () => copyOf(draft.value)

  function change(name: string, mutate: (draft: Draft) => void) {
    const now = Date.now()
    if (name !== lastName || now - lastAt > SAME_GESTURE_MS)
      past.value = [...past.value.slice(-DEPTH), copy()]
    lastName = name
    lastAt = now
    future.value = []
    mutate(draft.value)
  }

  function move(from: Ref<Draft[]>, to: Ref<Draft[]>) {
    const state = from.value.at(-1)
    if (!state) return
    to.value = [...to.value, copy()]
    from.value = from.value.slice(0, -1)
    draft.value = state
    lastName = ''
  }

  return {
    draft,
    change,
    undo: () => move(past, future),
    redo: () => move(future, past),
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    /** Begin anew from another state; what came before can no longer be taken back. */
    restart(state: Draft) {
      draft.value = state
      past.value = []
      future.value = []
      lastName = ''
    },
  }
}
