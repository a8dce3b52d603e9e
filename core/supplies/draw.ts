/** A kind of pack on the shelf. */
export interface Shelf {
  readonly id: string
  /** What a full pack holds, in the unit the goods are used by. */
  readonly holds: number
  /** Full packs and what is left in the open one: 2.4 is two full ones and four tenths. */
  readonly packs: number
}

/** What is taken from one shelf. */
export interface Drawn {
  readonly id: string
  readonly packs: number
  readonly amount: number
}

export interface Draw {
  readonly drawn: readonly Drawn[]
  /** What could not be taken, in the unit of the need; 0 when all was there. */
  readonly short: number
}

const NOISE = 1e-9

/**
 * What all shelves hold together.
 *
 * @example onShelves([{ id: 'a', holds: 10, packs: 2.5 }]) // 25
 */
export const onShelves = (shelves: readonly Shelf[]): number =>
  shelves.reduce((sum, { packs, holds }) => sum + packs * holds, 0)

/**
 * Full packs, and how much is left in the open one (0–1). A full pack less noise is a full pack.
 *
 * @example fullAndOpen(2.5) // ({ full: 2, open: 0.5 })
 */
export function fullAndOpen(packs: number): { full: number; open: number } {
  const full = Math.floor(packs + 1e-6)
  return { full, open: Math.max(0, packs - full) < 1e-6 ? 0 : packs - full }
}

/**
 * Take an amount from the shelves, open packs first and the smallest of those, so that few stand open.
 *
 * @param amount 0 or more, in the unit of `holds`
 * @throws RangeError for a negative amount or shelf
 * @example drawFrom([{ id: 'a', holds: 10, packs: 2 }], 25).short // 5
 * @example drawFrom([], -1) // throws RangeError
 */
export function drawFrom(shelves: readonly Shelf[], amount: number): Draw {
  if (!(amount >= 0)) throw new RangeError(`amount: 0 or more, given ${amount}`)
  const order = shelves
    .map((shelf) => {
      if (!(shelf.packs >= 0)) throw new RangeError(`packs: a shelf holds 0 or more, given ${shelf.packs}`)
      return { ...shelf, open: fullAndOpen(shelf.packs).open * shelf.holds }
    })
    .sort((a, b) => Number(b.open > 0) - Number(a.open > 0) || a.open - b.open || a.holds - b.holds)
  const taken = new Map<string, number>()
  let rest = amount
  const take = (id: string, there: number) => {
    const now = Math.min(rest, there)
    if (now <= NOISE) return
    taken.set(id, (taken.get(id) ?? 0) + now)
    rest -= now
  }
  for (const { id, open } of order) take(id, open)
  for (const { id, holds, packs, open } of order) take(id, packs * holds - open)
  return {
    drawn: order.flatMap(({ id, holds }) => {
      const from = taken.get(id)
      return from === undefined ? [] : [{ id, packs: from / holds, amount: from }]
    }),
    short: rest <= amount * NOISE ? 0 : rest,
  }
}
