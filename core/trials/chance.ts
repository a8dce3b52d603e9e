import { cumulativeStdNormalProbability, gammaln, probit } from 'simple-statistics'

/** Two counts side by side: so many of so many. */
export interface Counted {
  readonly hits: number
  readonly of: number
}

const logChoose = (n: number, k: number) => gammaln(n + 1) - gammaln(k + 1) - gammaln(n - k + 1)

/** Chance of a cell of a 2 × 2 table whose margins are held [hypergeometric distribution]. */
const hypergeometric = (k: number, row: number, column: number, all: number) =>
  Math.exp(logChoose(column, k) + logChoose(all - column, row - k) - logChoose(all, row))

/** Rounding must not leave out a table that is just as likely. */
const ALIKE = 1 + 1e-7

/**
 * Fisher's exact test, two-sided: the chance, if both sides were the same, of a table no likelier than this one
 * [Fisher 1935; the sum of all tables with the same margins that are at most as likely].
 *
 * @throws RangeError for counts that are not 0 ≤ hits ≤ of
 * @example fisherExact({ hits: 3, of: 3 }, { hits: 0, of: 3 }) // ≈ 0.1
 */
export function fisherExact(one: Counted, other: Counted): number {
  for (const { hits, of } of [one, other])
    if (!(hits >= 0 && hits <= of && Number.isInteger(hits) && Number.isInteger(of)))
      throw new RangeError(`hits: whole and 0 to ${of}, given ${hits}`)
  const all = one.of + other.of
  const column = one.hits + other.hits
  if (all === 0) return 1
  const here = hypergeometric(one.hits, one.of, column, all)
  const least = Math.max(0, column - other.of)
  const most = Math.min(one.of, column)
  let sum = 0
  for (let k = least; k <= most; k++) {
    const p = hypergeometric(k, one.of, column, all)
    if (p <= here * ALIKE) sum += p
  }
  return Math.min(1, sum)
}

/** Up to so many values every order is looked through; beyond, the normal approximation with ties is good. */
const EXACT_UP_TO = 20

/**
 * Rank test of two lists, two-sided: the chance, if both were drawn from one heap, of ranks as far apart as these
 * [Wilcoxon 1945, Mann & Whitney 1947]; exact for up to 20 values, those that are alike sharing their ranks, else by the
 * normal curve with the correction for ties and for continuity.
 *
 * @returns 1 where a list is empty
 */
export function rankTest(one: readonly number[], other: readonly number[]): { u: number; p: number } {
  const [n, m] = [one.length, other.length]
  if (n === 0 || m === 0) return { u: 0, p: 1 }
  const all = [
    ...one.map((value) => ({ value, first: true })),
    ...other.map((value) => ({ value, first: false })),
  ].sort((a, b) => a.value - b.value)
  /** Twice the rank of each, so that shared ranks are whole. */
  const doubled: number[] = []
  let doubledSum = 0
  let ties = 0
  for (let i = 0; i < all.length;) {
    let j = i
    while (j < all.length && all[j]!.value === all[i]!.value) j++
    for (let k = i; k < j; k++) {
      doubled.push(i + j + 1)
      if (all[k]!.first) doubledSum += i + j + 1
    }
    ties += (j - i) ** 3 - (j - i)
    i = j
  }
  const u = (doubledSum - n * (n + 1)) / 2
  if (n + m <= EXACT_UP_TO) return { u, p: exactRanks(doubled, n, doubledSum) }
  const total = n + m
  const variance = ((n * m) / 12) * (total + 1 - ties / (total * (total - 1)))
  if (variance === 0) return { u, p: 1 }
  const z = Math.max(0, Math.abs(u - (n * m) / 2) - 0.5) / Math.sqrt(variance)
  return { u, p: Math.min(1, 2 * (1 - cumulativeStdNormalProbability(z))) }
}

/** Share of all ways to draw n of these ranks whose sum lies as far from the middle, by counting the ways to each sum. */
function exactRanks(ranks: readonly number[], n: number, seen: number): number {
  // ways[i][s]: ways to draw i of the ranks so far that come to s.
  const ways = Array.from({ length: n + 1 }, () => new Map<number, number>())
  ways[0]!.set(0, 1)
  for (const rank of ranks)
    for (let i = n; i > 0; i--)
      for (const [s, count] of ways[i - 1]!) ways[i]!.set(s + rank, (ways[i]!.get(s + rank) ?? 0) + count)
  const middle = n * (ranks.length + 1)
  let all = 0
  let far = 0
  for (const [s, count] of ways[n]!) {
    all += count
    if (Math.abs(s - middle) >= Math.abs(seen - middle)) far += count
  }
  return far / all
}

/**
 * Cells a side that tell two shares apart four times in five, at one chance in twenty of being fooled
 * [Fleiss, Levin & Paik 2003, without continuity correction].
 *
 * @param power chance of finding it, a fraction
 * @param alpha chance of being fooled, a fraction
 * @returns null where the shares are the same
 */
export function cellsToTell(p: number, q: number, power = 0.8, alpha = 0.05): number | null {
  if (p === q) return null
  const mean = (p + q) / 2
  const a = probit(1 - alpha / 2)
  const b = probit(power)
  const n =
    (a * Math.sqrt(2 * mean * (1 - mean)) + b * Math.sqrt(p * (1 - p) + q * (1 - q))) ** 2 / (p - q) ** 2
  return Math.ceil(n - 1e-9)
}
