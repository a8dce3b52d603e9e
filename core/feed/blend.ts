import { fcnnls } from 'ml-fcnnls'
import { elements, type Feed } from './feed'

/** What a blend is asked for, mg/L of each element. */
export const BLEND_ELEMENTS = ['N', 'P', 'K', 'Ca', 'Mg'] as const
export type BlendElement = (typeof BLEND_ELEMENTS)[number]
export type Wanted = Readonly<Record<BlendElement, number>>

export interface BlendLine {
  readonly feed: Feed
  readonly gPerL: number
}

export interface Blend {
  /** Feeds that take part, g/L of each. */
  readonly lines: readonly BlendLine[]
  /** What it comes to, mg/L. */
  readonly gives: Wanted
  /** Root of the summed squares of what is missed, mg/L. */
  readonly missMgPerL: number
  /** Feeds for two concentrates that must not meet undiluted; B is empty where one will do. */
  readonly concentrates: { readonly a: readonly Feed[]; readonly b: readonly Feed[] }
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

/**
 * Grams of each feed in a litre that come nearest to what is wanted, none of them negative: non-negative least squares
 * (Lawson & Hanson 1974, by the ml-fcnnls library).
 *
 * @param wanted mg/L of each element, 0 or more
 * @throws RangeError when there is no feed, or nothing is wanted
 */
export function blendFeeds(feeds: readonly Feed[], wanted: Wanted): Blend {
  if (feeds.length === 0) throw new RangeError('feeds: choose at least one')
  const target = BLEND_ELEMENTS.map((element) => wanted[element])
  if (!target.some((value) => value > 0)) throw new RangeError('wanted: something above 0')
  const rows = feeds.map(perGram)
  const matrix = BLEND_ELEMENTS.map((element) => rows.map((row) => row[element]))
  const { K } = fcnnls(
    matrix,
    target.map((value) => [value]),
    { gradientTolerance: 1e-9, maxIterations: 300 },
  )
  const grams = K.getColumn(0)
  const gives = Object.fromEntries(
    BLEND_ELEMENTS.map((element) => [
      element,
      rows.reduce((sum, row, i) => sum + row[element] * grams[i]!, 0),
    ]),
  ) as Record<BlendElement, number>
  const lines = feeds.flatMap((feed, i) => (grams[i]! > 1e-4 ? [{ feed, gPerL: grams[i]! }] : []))
  return {
    lines,
    gives,
    missMgPerL: Math.hypot(...BLEND_ELEMENTS.map((element) => gives[element] - wanted[element])),
    concentrates: concentratesOf(lines.map(({ feed }) => feed)),
  }
}

/** Whether a feed brings calcium, which no concentrate may hold together with sulphate or phosphate (reference: product chemistry, common practice). */
export const holdsCalcium = (feed: Feed) => (feed.caPercent ?? 0) > 0
/** Whether a feed brings sulphate. */
export const holdsSulphate = (feed: Feed) => (feed.sPercent ?? 0) > 0
/** Whether a feed brings phosphate. */
export const holdsPhosphate = (feed: Feed) => feed.p2o5Percent > 0

/** Whether two feeds set to grit when their concentrates meet: calcium with sulphate or phosphate. */
export const clash = (one: Feed, other: Feed) =>
  one.id !== other.id &&
  ((holdsCalcium(one) && (holdsSulphate(other) || holdsPhosphate(other))) ||
    (holdsCalcium(other) && (holdsSulphate(one) || holdsPhosphate(one))))

/** Two bottles: the calcium ones in A with all that clash with nothing, the rest in B. */
export function concentratesOf(feeds: readonly Feed[]): Blend['concentrates'] {
  const clashing = feeds.some((one) => feeds.some((other) => clash(one, other)))
  if (!clashing) return { a: feeds, b: [] }
  const inB = (feed: Feed) => !holdsCalcium(feed) && (holdsSulphate(feed) || holdsPhosphate(feed))
  return { a: feeds.filter((feed) => !inB(feed)), b: feeds.filter(inB) }
}
