/** Median time of a call in ms, after a warm-up. */
export function median(runs: number, call: () => unknown): number {
  for (let i = 0; i < runs / 4; i++) call()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    call()
    return performance.now() - start
  }).sort((a, b) => a - b)
  return times[runs >> 1]!
}

/** One line: ours, theirs, and how many times longer theirs takes in the same run. */
export function report(ours: string, oursMs: number, theirs: string, theirsMs: number): void {
  console.log(
    `${ours}: ${oursMs.toFixed(3)} ms · ${theirs}: ${theirsMs.toFixed(3)} ms · ratio ${(theirsMs / oursMs).toFixed(2)}`,
  )
}
