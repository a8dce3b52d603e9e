import { useEventListener } from '@vueuse/core'

/**
 * A count that is under way: what was tapped, stroke by stroke, until it is kept. It outlives a reload and a closed tab, and
 * the last stroke is taken back by Ctrl Z before anything else is.
 *
 * @param key names the household and the tray in this browser: a copy of a household has the same trays
 */
export function useCounting(key: () => string) {
  const counts = shallowRef<ReadonlyMap<number, number>>(new Map())
  const strokes = ref<(readonly [cell: number, before: number | undefined])[][]>([])
  const name = () => `count ${key()}`

  onMounted(() => {
    try {
      counts.value = new Map(JSON.parse(browserStorage.getItem(name()) ?? '[]') as [number, number][])
    } catch {
      // What cannot be read was not a count.
    }
  })
  watch(counts, (now) => {
    if (now.size) browserStorage.setItem(name(), JSON.stringify([...now]))
    else browserStorage.removeItem(name())
  })

  const begin = () => (strokes.value = [...strokes.value, []])
  function set(cell: number, n: number) {
    const next = new Map(counts.value)
    strokes.value.at(-1)?.push([cell, next.get(cell)])
    next.set(cell, n)
    counts.value = next
  }
  function takeBack(): boolean {
    const last = strokes.value.at(-1)
    if (!last) return false
    strokes.value = strokes.value.slice(0, -1)
    const next = new Map(counts.value)
    for (const [cell, before] of [...last].reverse())
      if (before === undefined) next.delete(cell)
      else next.set(cell, before)
    counts.value = next
    return true
  }
  /** What was kept otherwise. */
  function forget(cell: number) {
    const next = new Map(counts.value)
    if (next.delete(cell)) counts.value = next
  }
  function clear() {
    counts.value = new Map()
    strokes.value = []
  }
  useEventListener(
    'keydown',
    (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.shiftKey || event.key.toLowerCase() !== 'z') return
      if (/^(INPUT|TEXTAREA)$/.test((event.target as HTMLElement).tagName) || !takeBack()) return
      event.preventDefault()
      event.stopPropagation()
    },
    { capture: true },
  )
  return { counts, strokes, begin, set, takeBack, forget, clear }
}
