import { useEventListener } from '@vueuse/core'

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

export function useKeys(actions: {
  palette: () => void
  help: () => void
  /** Whether what is typed is on its way to a field. */
  typing: () => boolean
}) {
  const preferences = usePreferences()
  const router = useRouter()
  const undoing = useUndo()
  const { all } = usePlaces()

  useEventListener('keydown', (event) => {
    const command = event.ctrlKey || event.metaKey
    if (command && event.key.toLowerCase() === 'k') {
      event.preventDefault()
      actions.palette()
      return
    }
    if (actions.typing() || typing(event.target)) return
    if (command && ['z', 'y'].includes(event.key.toLowerCase())) {
      event.preventDefault()
      void (event.shiftKey || event.key.toLowerCase() === 'y' ? undoing.redo() : undoing.undo())
      return
    }
    if (command || event.altKey || !preferences.letterKeys || document.querySelector('[role="dialog"]'))
      return
    const role = (event.target as HTMLElement).getAttribute?.('role')
    if (role === 'combobox' || role === 'option') return
    if (event.key === '?') return actions.help()
    const place = all.value.find(({ key }) => key === event.key)
    if (place) void router.push(place.path)
  })
}
