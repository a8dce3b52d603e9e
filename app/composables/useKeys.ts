import { useRouter, useState } from '#imports'
import { computed, onActivated, onBeforeUnmount } from 'vue'
import { useEventListener } from '@vueuse/core'
import { useFeedDraft } from '~/state/feedDraft'
import { useMixDraft } from '~/state/mixDraft'
import { usePreferences } from '~/state/preferences'
import { useProgrammeDraft } from '~/state/programmeDraft'
import { useSeason } from '~/state/season'
import { PLACES } from './usePlaces'

/** The draft that undo and redo act on: that of the page in view. */
type History = 'mix' | 'feed' | 'programme' | 'season'
export const useActiveHistory = () => useState<null | History>('active-history', () => null)

/** The page in view is the one whose draft is undone. */
export function useHistoryOf(which: History) {
  const active = useActiveHistory()
  active.value = which
  onActivated(() => (active.value = which))
  onBeforeUnmount(() => {
    if (active.value === which) active.value = null
  })
}

/** The draft that is undone, or null where the page has none. */
export function useActiveDraft() {
  const drafts = {
    mix: useMixDraft(),
    feed: useFeedDraft(),
    programme: useProgrammeDraft(),
    season: useSeason(),
  }
  const active = useActiveHistory()
  return computed(() => active.value && drafts[active.value])
}

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))

export function useKeys(actions: { palette: () => void }) {
  const preferences = usePreferences()
  const router = useRouter()
  const draft = useActiveDraft()

  useEventListener('keydown', (event) => {
    const command = event.ctrlKey || event.metaKey
    if (command && event.key.toLowerCase() === 'k') {
      event.preventDefault()
      actions.palette()
      return
    }
    if (typing(event.target)) return
    if (command && ['z', 'y'].includes(event.key.toLowerCase())) {
      const store = draft.value
      if (!store) return
      event.preventDefault()
      if (event.shiftKey || event.key.toLowerCase() === 'y') store.redo()
      else store.undo()
      return
    }
    if (command || event.altKey || !preferences.letterKeys || document.querySelector('[role="dialog"]'))
      return
    const role = (event.target as HTMLElement).getAttribute?.('role')
    if (role === 'combobox' || role === 'option') return
    if (event.key === '?') return actions.palette()
    const place = PLACES.find(({ key }) => key === event.key)
    if (place) void router.push(place.path)
  })
}
