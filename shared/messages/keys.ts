/** Keys that work on every page. */
export const GENERAL_KEYS: readonly (readonly [keys: string, does: string])[] = [
  ['Ctrl K', 'find anything, go anywhere'],
  ['Ctrl Z', 'take the last thing back'],
  ['Ctrl Shift Z', 'do it again'],
  ['?', 'this help'],
]
