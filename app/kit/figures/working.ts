import type { Figure } from '#core/working/figure'

/** The figure whose working is being looked at, and the way down to it. */
export const useWorking = defineStore('working', () => {
  const trail = shallowRef<Figure[]>([])
  const anchor = shallowRef<HTMLElement | null>(null)
  return {
    trail,
    anchor,
    figure: computed(() => trail.value.at(-1)),
    open(figure: Figure, element: HTMLElement) {
      trail.value = [figure]
      anchor.value = element
    },
    into(figure: Figure) {
      trail.value = [...trail.value, figure]
    },
    back() {
      trail.value = trail.value.slice(0, -1)
    },
    close() {
      trail.value = []
      anchor.value = null
    },
  }
})
