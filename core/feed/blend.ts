import { fcnnls } from 'ml-fcnnls'
import { elements, type Feed } from './feed'

/** What a blend is asked for, mg/L of each element. */
export const BLEND_ELEMENTS = ['N', 'P', 'K', 'Ca', 'Mg'] as const
export type BlendElement = (typeof BLEND_ELEMENTS)[number]
export type Wanted = Readonly<Record<BlendElement, number>>

/** How a nutrient's want is meant. */
export const WANT_KINDS = ['exactly', 'at least', 'at most', 'any'] as const
export type WantKind = (typeof WANT_KINDS)[number]
export type WantKinds = Readonly<Record<BlendElement, WantKind>>
export const EXACTLY: WantKinds = { N: 'exactly', P: 'exactly', K: 'exactly', Ca: 'exactly', Mg: 'exactly' }

export interface BlendLine {
  readonly feed: Feed
  readonly gPerL: number
}

export interface Blend {
  /** Feeds that take part, g/L of each. */
  readonly lines: readonly BlendLine[]
  /** What it comes to, mg/L. */
  readonly gives: Wanted
  /** What each feed brings of each, mg/L, in the order of `lines`. */
  readonly shares: readonly Wanted[]
  /** How far off each is, as a fraction of what is wanted of it; 0 where its want is met. */
  readonly misses: Wanted
  readonly concentrates: Concentrates
}

/** Bottles whose contents must not meet undiluted. */
export interface Concentrates {
  readonly a: readonly Feed[]
  /** Empty where one bottle will do. */
  readonly b: readonly Feed[]
  /** Feeds that hold calcium and phosphate or sulphate both: no bottle takes them with another feed. */
  readonly alone: readonly Feed[]
}

/** mg/L of each element from 1 g/L of a feed. */
export function perGram(feed: Feed): Wanted {
  const { n, p, k } = elements(feed)
  return {
    N: n.value * 10,
    P: p.value * 10,
    K: k.value * 10,
    Ca: (feed.caPercent ?? 0) * 10,
    Mg: (feed.mgPercent ?? 0) * 10,
  }
}

/** A nutrient of which less is wanted, or none, is weighed as if so much were, mg/L [default]. */
const MIN_MG_PER_L = 5

/**
 * Grams of each feed in a litre that come nearest to what is wanted, none of them negative: non-negative least squares
 * (Lawson & Hanson 1974, by the ml-fcnnls library), each nutrient's miss weighed against what is wanted of it. A want that is
 * *at least* or *at most* counts only where it is not met.
 *
 * @param wanted mg/L of each element, 0 or more
 * @param water what the water brings already, mg/L
 * @throws RangeError when there is no feed, or nothing is wanted
 */
export function blendFeeds(
  feeds: readonly Feed[],
  wanted: Wanted,
  kinds: WantKinds = EXACTLY,
  water: Partial<Wanted> = {},
): Blend {
  if (feeds.length === 0) throw new RangeError('feeds: choose at least one')
  const counted = BLEND_ELEMENTS.filter((element) => kinds[element] !== 'any')
  if (!counted.some((element) => wanted[element] > 0 && kinds[element] !== 'at most'))
    throw new RangeError('wanted: something above 0')
  const rows = feeds.map(perGram)
  const brought = (element: BlendElement) => water[element] ?? 0
  const givesOf = (grams: readonly number[], element: BlendElement) =>
    brought(element) + rows.reduce((sum, row, i) => sum + row[element] * grams[i]!, 0)
  // Bounds that the nearest blend breaks are held to; those it keeps are let go.
  let held = counted.filter((element) => kinds[element] !== 'at most')
  let grams: number[] = []
  const seen = new Set<string>()
  while (!seen.has(held.join())) {
    seen.add(held.join())
    grams = nearest(rows, held, wanted, brought)
    held = counted.filter((element) => {
      const over = givesOf(grams, element) - wanted[element]
      if (kinds[element] === 'exactly') return true
      const tight = Math.abs(over) < 1e-6 * Math.max(1, wanted[element])
      return kinds[element] === 'at least'
        ? over < 0 || (tight && held.includes(element))
        : over > 0 || (tight && held.includes(element))
    })
  }
  const gives = ofElements((element) => givesOf(grams, element))
  const used = feeds.flatMap((feed, i) =>
    grams[i]! > 1e-4 ? [{ feed, gPerL: grams[i]!, row: rows[i]! }] : [],
  )
  const lines = used.map(({ feed, gPerL }) => ({ feed, gPerL }))
  return {
    lines,
    gives,
    shares: used.map(({ gPerL, row }) => ofElements((element) => row[element] * gPerL)),
    misses: ofElements((element) => missOf(gives[element], wanted[element], kinds[element])),
    concentrates: concentratesOf(lines.map(({ feed }) => feed)),
  }
}

/** Feeds that are nearly alike leave the library short of the least: each is moved to its own best in turn until none moves. */
function settled(matrix: readonly number[][], target: readonly number[], start: readonly number[]): number[] {
  const x = start.map((value) => Math.max(0, value))
  const left = target.map(
    (value, r) => value - x.reduce((sum, amount, i) => sum + matrix[r]![i]! * amount, 0),
  )
  for (let sweep = 0, moved = 1; sweep < 5000 && moved > 1e-12; sweep++) {
    moved = 0
    for (let i = 0; i < x.length; i++) {
      const squared = matrix.reduce((sum, row) => sum + row[i]! ** 2, 0)
      if (squared === 0) continue
      const step = matrix.reduce((sum, row, r) => sum + row[i]! * left[r]!, 0) / squared
      const next = Math.max(0, x[i]! + step)
      matrix.forEach((row, r) => (left[r]! -= row[i]! * (next - x[i]!)))
      moved = Math.max(moved, Math.abs(next - x[i]!))
      x[i] = next
    }
  }
  return x
}

const ofElements = (value: (element: BlendElement) => number): Wanted =>
  Object.fromEntries(BLEND_ELEMENTS.map((element) => [element, value(element)])) as Record<
    BlendElement,
    number
  >

function missOf(gives: number, wanted: number, kind: WantKind): number {
  const off = (gives - wanted) / Math.max(wanted, MIN_MG_PER_L)
  if (kind === 'any') return 0
  if (kind === 'at least') return Math.min(0, off)
  return kind === 'at most' ? Math.max(0, off) : off
}

function nearest(
  rows: readonly Wanted[],
  held: readonly BlendElement[],
  wanted: Wanted,
  brought: (element: BlendElement) => number,
): number[] {
  if (held.length === 0) return rows.map(() => 0)
  const weigh = (element: BlendElement) => 1 / Math.max(wanted[element], MIN_MG_PER_L)
  // Columns of one length: a strong salt and a weak brew are looked for with the same care.
  const lengths = rows.map((row) => Math.hypot(...held.map((element) => row[element] * weigh(element))) || 1)
  const matrix = held.map((element) => rows.map((row, i) => (row[element] * weigh(element)) / lengths[i]!))
  const target = held.map((element) => Math.max(0, wanted[element] - brought(element)) * weigh(element))
  const { K } = fcnnls(
    matrix,
    target.map((value) => [value]),
    { gradientTolerance: 1e-9, maxIterations: 300 },
  )
  return settled(matrix, target, K.getColumn(0)).map((amount, i) => amount / lengths[i]!)
}

/** Whether a feed brings calcium, which no concentrate may hold together with sulphate or phosphate (reference: product chemistry, common practice). */
export const holdsCalcium = (feed: Feed) => (feed.caPercent ?? 0) > 0
/** Whether a feed brings sulphate. */
export const holdsSulphate = (feed: Feed) => (feed.sPercent ?? 0) > 0
/** Whether a feed brings phosphate. */
export const holdsPhosphate = (feed: Feed) => feed.p2o5Percent > 0

/** Whether a feed is A and B at once: its maker keeps it clear in its own bottle, and no other goes in with it. */
export const clashesWithin = (feed: Feed) =>
  holdsCalcium(feed) && (holdsSulphate(feed) || holdsPhosphate(feed))

/** Whether two feeds set to grit when their concentrates meet: calcium with sulphate or phosphate. */
export const clash = (one: Feed, other: Feed) =>
  one.id !== other.id &&
  ((holdsCalcium(one) && (holdsSulphate(other) || holdsPhosphate(other))) ||
    (holdsCalcium(other) && (holdsSulphate(one) || holdsPhosphate(one))))

/** Two bottles: the calcium ones in A with all that clash with nothing, the rest in B; what is both stands alone. */
export function concentratesOf(feeds: readonly Feed[]): Concentrates {
  const clashing = feeds.some((one) => feeds.some((other) => clash(one, other)))
  if (!clashing) return { a: feeds, b: [], alone: [] }
  const alone = feeds.filter(clashesWithin)
  const simple = feeds.filter((feed) => !clashesWithin(feed))
  if (!simple.some((one) => simple.some((other) => clash(one, other)))) return { a: simple, b: [], alone }
  const inB = (feed: Feed) => !holdsCalcium(feed) && (holdsSulphate(feed) || holdsPhosphate(feed))
  return { a: simple.filter((feed) => !inB(feed)), b: simple.filter(inB), alone }
}
