/** Keys that work on every page. */
export const GENERAL_KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'search or jump to'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'help for this page'],
]
