/**
 * So many things shared out among hands as evenly as whole things can be; the first get one more.
 *
 * @throws RangeError below one hand
 * @example shareOut(10, 3) // [4, 3, 3]
 * @example shareOut(10, 0) // throws RangeError
 */
export function shareOut(all: number, hands: number): number[] {
  if (!Number.isInteger(hands) || hands < 1) throw new RangeError(`hands: ${hands} is not 1 or more`)
  const each = Math.floor(all / hands)
  return Array.from({ length: hands }, (_, i) => each + (i < all - each * hands ? 1 : 0))
}

/**
 * A list cut into as many pieces, one for each pair of hands, in its order.
 *
 * @example cutUp(['a', 'b', 'c'], 2) // [['a', 'b'], ['c']]
 */
export function cutUp<One>(list: readonly One[], hands: number): One[][] {
  let from = 0
  return shareOut(list.length, hands).map((n) => {
    const piece = list.slice(from, from + n)
    from += n
    return piece
  })
}
