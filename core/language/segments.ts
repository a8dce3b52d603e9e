import { at as elementAt } from '../numeric/at'
import type { Piece } from './chart'

/** The part of a sentence that is about one thing: its name, and how much of it. */
export interface Segment {
  /** The first word and the one behind the last. */
  readonly from: number
  readonly to: number
  readonly amounts: readonly Piece[]
}

/**
 * Parts a sentence by the things it names. A number before a name is of it, `12 tomatoes and 8 peppers`; where none stands
 * before, one behind is: `tomatoes 12, peppers 8`.
 */
export function segmentsOf(
  named: readonly { readonly from: number; readonly to: number }[],
  amounts: readonly Piece[],
  length: number,
): Segment[] {
  const own = named.map((): Piece[] => [])
  const free = new Set(amounts)
  // Numbers stand all before their names, or all behind them.
  const isBefore = named.length > 0 && amounts.some(({ to }) => to <= elementAt(named, 0).from)
  named.forEach((one, i) => {
    const low = i === 0 ? 0 : elementAt(named, i - 1).to
    const high = i + 1 < named.length ? elementAt(named, i + 1).from : length
    const [from, to] = isBefore ? [low, one.from] : [one.to, high]
    const inside = [...free].filter((piece) => piece.from >= from && piece.to <= to)
    // Behind the first name and before the second stands the amount of the second; the last has all that is left.
    const mine = isBefore && i > 0 ? inside.slice(-1) : inside
    for (const piece of mine) {
      free.delete(piece)
      own[i]?.push(piece)
    }
  })
  // What is left is said of the thing before it, or of the first.
  for (const piece of free) {
    const i = Math.max(
      0,
      named.findLastIndex(({ from }) => from <= piece.from),
    )
    own[i]?.push(piece)
  }
  const starts = named.map((one, i) =>
    Math.min(one.from, ...(own[i] ?? []).filter(({ to }) => to <= one.from).map(({ from }) => from)),
  )
  return named.map((_, i) => ({
    // What stands before the first is said of all, and of it.
    from: i === 0 && named.length === 1 ? 0 : elementAt(starts, i),
    to: i + 1 < named.length ? elementAt(starts, i + 1) : length,
    amounts: [...(own[i] ?? [])].sort((a, b) => a.from - b.from),
  }))
}

/**
 * Whether a piece is said of the thing of this number: what stands in its own part is, what stands before all of them is said
 * of all, and what stands behind the last is said of those that have nothing of the kind.
 */
export function ownerOf(
  piece: { readonly from: number },
  segments: readonly Segment[],
  index: number,
): boolean {
  const of = segments.findIndex(({ from, to }) => piece.from >= from && piece.from < to)
  return of < 0 || of === index || of === segments.length - 1
}
