import { computed, useTemplateRef } from 'vue'
import { useElementSize } from '@vueuse/core'

/**
 * How wide a chart is drawn: as wide as its room, so that its letters keep their size on a phone instead of shrinking with it.
 *
 * @param name of the template ref of the element it is drawn in
 * @param most px
 * @param least px; narrower than this it is drawn no more
 */
export function useDrawnWidth(name: string, most: number, least = 300) {
  const { width } = useElementSize(useTemplateRef<HTMLElement | SVGElement>(name))
  return computed(() => Math.round(Math.min(most, Math.max(least, width.value || most))))
}
