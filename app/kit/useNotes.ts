export interface Note {
  text: string
  /** What can be done about it, most often taking it back. */
  action?: { name: string; run: () => unknown }
}

/** Short notes at the foot of the page: something was done, and can be undone. */
export function useNotes() {
  const current = useState<number>('note-count', () => 0)
  return {
    current,
    notes: shown,
    note(text: string, action?: Note['action']) {
      shown.value = action ? { text, action } : { text }
      current.value++
    },
    dismiss: () => (shown.value = null),
  }
}

const shown = shallowRef<Note | null>(null)
