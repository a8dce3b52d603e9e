import { useElementSize } from '@vueuse/core'

/**
 * How wide a chart is drawn: as wide as its room, so that its letters keep their size on a phone instead of shrinking with it.
 *
 * @param room the element it is drawn in
 * @param most px
 * @param least px; narrower than this it is drawn no more
 */
export function useDrawnWidth(
  room: Readonly<Ref<HTMLElement | SVGElement | null>>,
  most: number,
  least = 300,
) {
  const { width } = useElementSize(room)
  return computed(() => Math.round(Math.min(most, Math.max(least, width.value || most))))
}

/**
 * Marks of an axis whose words have room: each so far from the one before it that is kept.
 *
 * @param at where a mark stands, px
 * @param px that its words take
 */
export function spaced<Mark>(marks: readonly Mark[], at: (mark: Mark) => number, px: number): Mark[] {
  const kept: Mark[] = []
  for (const mark of marks) {
    const before = kept.at(-1)
    if (before === undefined || at(mark) - at(before) >= px) kept.push(mark)
  }
  return kept
}

/** A letter of a chart's names is about so wide, px. */
const LETTER_PX = 8

/** A name as long as its room, px, with an ellipsis where it is cut. */
export function shortened(text: string, px: number): string {
  const most = Math.floor(px / LETTER_PX)
  return text.length > most ? `${text.slice(0, most - 1)}…` : text
}
