/*
 * Elements that are known to be there: a list that is not empty, a place that was counted. Where they are not, the fault is
 * ours, and is told at once instead of going on with nothing.
 */

/**
 * The element at a place.
 *
 * @param index from 0
 * @throws RangeError where the list has no such place
 * @example at([3, 5, 7], 1) // 5
 */
export function at<One>(list: ArrayLike<One>, index: number): One {
  if (index >= 0 && index < list.length) return list[index] as One
  throw new RangeError(`index: 0 to ${list.length - 1}, not ${index}`)
}

/**
 * The first element.
 *
 * @throws RangeError where the list is empty
 * @example first([3, 5, 7]) // 3
 */
export const first = <One>(list: ArrayLike<One>): One => at(list, 0)

/**
 * The last element.
 *
 * @throws RangeError where the list is empty
 * @example last([3, 5, 7]) // 7
 */
export const last = <One>(list: ArrayLike<One>): One => at(list, list.length - 1)
