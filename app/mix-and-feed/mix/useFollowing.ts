import { useDebounceFn, useIntersectionObserver } from '@vueuse/core'

/** What is in sight follows every other frame, so that no frame has all of it to do. */
const EVERY_MS = 32
/** What is out of sight follows this long after the hand has come to rest. */
const FOLLOWS_MS = 120

/**
 * A value for a part of the page beside the one under the hand: in sight it follows every other frame, below the fold only
 * when the changes have come to rest, so that what the eye is on keeps pace with the hand.
 *
 * @param root the part, by its template ref
 */
export function useFollowing<T>(root: Ref<HTMLElement | null>, source: () => T) {
  const inSight = ref(true)
  const shown = shallowRef(source())
  useIntersectionObserver(
    root,
    ([entry]) => {
      inSight.value = entry?.isIntersecting ?? true
      if (inSight.value) shown.value = source()
    },
    { rootMargin: '80px' },
  )
  const follow = useDebounceFn(() => (shown.value = source()), FOLLOWS_MS)
  let due = false
  function keepUp() {
    if (due) return
    due = true
    setTimeout(() => {
      due = false
      shown.value = source()
    }, EVERY_MS)
  }
  watch(source, () => void (inSight.value ? keepUp() : follow()))
  return shown
}
