/**
 * A value that is known to be there: a page that is shown only when its record is loaded, a key that was listed. Where it
 * is not, the fault is ours, and is told at once instead of going on with nothing.
 *
 * @throws TypeError where it is null or undefined
 * @example present(new Map([['tray', 72]]).get('tray')) // 72
 */
export function present<Value>(value: Value | null | undefined): Value {
  if (value !== null && value !== undefined) return value
  throw new TypeError('A value that was taken to be there is not.')
}
