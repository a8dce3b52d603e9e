/** A mark of an axis: where it is, px, and what it says. */
export interface Mark {
  readonly at: number
  readonly says: string | number
}
/** What an axis needs of a scale of D3. */
interface Scale<Value> {
  (value: Value): number
  ticks: (count?: number) => Value[]
}

/**
 * The frame of a chart with axes: as wide as its room, so that letters keep their size on a phone.
 *
 * @param most how wide it is drawn at most, px
 * @param pad room for the words of its axes, px
 */
export function useChart({
  most,
  least = 300,
  height,
  pad: { left, right, top, bottom },
}: {
  readonly most: number
  readonly least?: number
  readonly height: MaybeRefOrGetter<number>
  readonly pad: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  }
}) {
  const room = shallowRef<SVGSVGElement | null>(null)
  const width = useDrawnWidth(room, most, least)
  return reactive({
    drawnIn: (svg: SVGSVGElement | null) => void (room.value = svg),
    most,
    width,
    height: computed(() => toValue(height)),
    left,
    right: computed(() => width.value - right),
    top,
    bottom: computed(() => toValue(height) - bottom),
    /** The range of a scale from left to right, and of one from the foot to the top. */
    across: computed((): [number, number] => [left, width.value - right]),
    up: computed((): [number, number] => [toValue(height) - bottom, top]),
  })
}
export type Chart = ReturnType<typeof useChart>

/**
 * The marks of a scale whose words have room.
 *
 * @param ticks about how many, or which
 * @param px that the words of one take beside each other
 */
export function marksOf<Value>(
  scale: Scale<Value>,
  ticks: number | readonly Value[],
  print: (value: Value) => string | number,
  px = 0,
): Mark[] {
  const values = typeof ticks === 'number' ? scale.ticks(ticks) : ticks
  const marks = values.map((value) => ({ at: scale(value), says: print(value) }))
  return px ? spaced(marks, ({ at }) => at, px) : marks
}
