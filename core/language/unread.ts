import { present } from '../present'
import { at as elementAt } from '../numeric/at'
import { UNREAD, type Piece } from './chart'
import type { Sentence } from './pattern'
import type { Heard } from './reading'

/** Words nothing was made of, those that stand side by side together; words between them that carry nothing go with them. */
export function unreadRuns(pieces: readonly Piece[], { tokens }: Sentence): number[][] {
  const runs: number[][] = []
  let between: number[] = []
  for (const { slot, from, to } of pieces) {
    const run = runs.at(-1)
    const joins =
      run !== undefined &&
      !elementAt(tokens, from).parted &&
      present(run.at(-1)) + between.length === from - 1
    if (slot === 'filler' && joins && to === from + 1) between.push(from)
    else {
      if (slot === UNREAD && joins) run.push(...between, from)
      else if (slot === UNREAD) runs.push([from])
      between = []
    }
  }
  return runs
}

/**
 * Every word with what it was taken for, in the order it was said.
 *
 * @param settled pieces whose meaning came out in the whole: a day, a variety
 * @param taken unread words that became something
 */
export function wordsTaken(
  pieces: readonly Piece[],
  { tokens, text }: Sentence,
  settled: readonly Heard[],
  taken: ReadonlySet<number>,
): Heard[] {
  const out = [...settled]
  let open = null as { from: number; to: number } | null
  for (const { slot, from, to, means } of pieces) {
    const range = { from: elementAt(tokens, from).from, to: elementAt(tokens, to - 1).to }
    const isUnread = slot === UNREAD
    if (
      settled.some((one) => one.from <= range.from && range.to <= one.to) ||
      (isUnread && taken.has(from))
    ) {
      open = null
      continue
    }
    // Words side by side that nothing was made of are shown as one.
    const last = out.at(-1)
    if (isUnread && open?.to === from && last && !elementAt(tokens, from).parted)
      out[out.length - 1] = { ...last, to: range.to, text: text.slice(last.from, range.to) }
    else
      out.push({
        text: text.slice(range.from, range.to),
        ...range,
        as: slot,
        means: isUnread ? 'not understood' : means,
      })
    open = isUnread ? { from, to } : null
  }
  return out
    .filter((one, i, all) => all.findIndex((other) => other.from === one.from && other.to === one.to) === i)
    .sort((a, b) => a.from - b.from)
}
