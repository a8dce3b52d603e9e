import { planBatch } from './batch'
import type { BatchRequest } from './batch-request'

export interface Capacity {
  /** Most whole containers of the chosen kind. */
  readonly count: number
  /** The material that runs out first; null when nothing limits below the most that can be planned. */
  readonly limitedBy: string | null
}

const MOST = 5000

/**
 * The other way round: from the litres in the supplies to the most containers they fill, everything else of the batch
 * staying as it is.
 *
 * @param fillIndex which of the batch's containers to count up
 * @param availableL loose litres at hand by material id; a material that is not named is no limit
 */
export function mostContainers(
  request: BatchRequest,
  fillIndex: number,
  availableL: Readonly<Record<string, number>>,
): Capacity {
  const shortAt = (count: number): string | null => {
    const fills = request.fills.map((fill, index) => (index === fillIndex ? { ...fill, count } : fill))
    const short = planBatch({ ...request, fills })
      .lines.map(({ material, looseL, sieve }) => ({
        id: material.id,
        // What the sieve keeps back has to come out of the supplies too.
        over: (sieve?.bagL ?? looseL).value / (availableL[material.id] ?? Infinity),
      }))
      .filter(({ over }) => over > 1 + 1e-9)
      .sort((a, b) => b.over - a.over)
    return short[0]?.id ?? null
  }
  const first = shortAt(1)
  if (first !== null) return { count: 0, limitedBy: first }
  let [fits, over] = [1, MOST + 1]
  while (over - fits > 1) {
    const middle = (fits + over) >> 1
    if (shortAt(middle) === null) fits = middle
    else over = middle
  }
  return { count: fits, limitedBy: fits === MOST ? null : shortAt(fits + 1) }
}
