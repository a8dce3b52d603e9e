import { ref, shallowRef, watch, type Ref } from 'vue'
import { useDebounceFn, useIntersectionObserver } from '@vueuse/core'

/** What is out of sight follows this long after the hand has come to rest. */
const FOLLOWS_MS = 120

/**
 * A value for a part of the page: in sight it changes at once, below the fold only when the changes have come to rest, so
 * that what the eye is on keeps pace with the hand.
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
  watch(source, (value) => {
    if (inSight.value) shown.value = value
    else void follow()
  })
  return shown
}
