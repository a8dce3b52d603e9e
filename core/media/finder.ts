import type { Container } from '../containers/container'
import { chanceOf, marginOf, type Listed } from './finder-sureness'
import { FINDER_TRAITS, judgeBlend, tabulate, type FinderTrait } from './finder-table'
import type { Material } from './material'

export { FINDER_TRAITS, type FinderTrait }

/** A wanted range of a trait: fractions for air and easily available water, mS/cm, mg/L, price a litre. */
export type Wants = Partial<Record<FinderTrait, { readonly low?: number; readonly high?: number }>>

export interface FinderRequest {
  readonly materials: readonly Material[]
  /** Price a litre of loose material, in the order of `materials`; 0 when unknown. */
  readonly pricePerL: readonly number[]
  readonly container: Container
  readonly wants: Wants
  /** All parts together, at most 12. */
  readonly mostParts: number
  /** Materials in one recipe, at most 6. */
  readonly mostMaterials: number
  /** How many of the best to keep. */
  readonly keep: number
  /** How many to keep for the trade-off chart; 900 where nothing is said. */
  readonly keepCloud?: number
  /** The batch it is for and the scoop it is measured with: a part must come to whole or half scoops. */
  readonly scoop?: { readonly mixL: number; readonly volumeL: number } | undefined
  /** A material, by its place in `materials`, of which at least this share (0–1) is to be used: old mix stretched. */
  readonly base?: { readonly index: number; readonly share: number } | undefined
}

/** How far a part may be from whole or half scoops, as a fraction: what a hand levels off. */
const SCOOP_TOLERANCE = 0.06

export interface Found {
  /** Whole parts, in the order of the request's materials. */
  readonly parts: readonly number[]
  readonly traits: Readonly<Record<FinderTrait, number>>
  /** How far outside the wants, 0 when all are met; each want counts by its own size. */
  readonly miss: number
  /** The chance that it meets all wants, material figures and scoops scattering as they do; 0–1. */
  readonly chance: number
}

export interface FinderResult {
  readonly looked: number
  /** How many met every want. */
  readonly fitting: number
  /** Best first: the likeliest to meet all wants, then those nearest to them. */
  readonly best: readonly Found[]
  /** The best and three that are made of something else, and meet the wants nearly as surely. */
  readonly contrasting: readonly Found[]
  /** For each want (`scoop` and `base` among them), how many blends it alone excluded: where none fits, the largest is the one to ease. */
  readonly excludedBy: Readonly<Record<string, number>>
  /** Blends that no other beats in both air and cost-or-salts, for the trade-off chart. */
  readonly cloud: readonly Found[]
}

const MAX_CLOUD = 900
/** Contrasts are sought among so many that fit, drawn at random, and that are not much less sure than the best [default]. */
const CONTRAST_AMONG = 120
const LESS_SURE = 0.25

/**
 * Judge every recipe in small whole parts, each ratio once.
 *
 * The shares' sums are carried along as parts are added, so that a blend costs a handful of additions: water in the
 * container at four openings of the mix, between which it is read as `physicsIn` computes it. Those that meet all wants
 * are ranked by how many standard deviations they lie inside; of the best, the chance is drawn.
 *
 * @throws RangeError for a request that cannot be searched, naming its field
 * @param progress called now and then with the fraction done; answers false to stop
 */
export function findMixes(
  request: FinderRequest,
  progress: (done: number) => boolean = () => true,
): FinderResult {
  const { materials, mostParts, mostMaterials } = request
  if (mostParts < 1 || mostParts > 12) throw new RangeError(`mostParts: 1 to 12, given ${mostParts}`)
  if (mostMaterials < 1 || mostMaterials > 6)
    throw new RangeError(`mostMaterials: 1 to 6, given ${mostMaterials}`)
  const table = tabulate(request)
  const { width } = table
  const wants = listWants(request.wants)
  const rules = listRules(request)
  const sums = Array.from({ length: mostMaterials + 1 }, () => new Float64Array(width))
  const parts = new Int32Array(materials.length)
  const traits = new Float64Array(FINDER_TRAITS.length)
  const excluded = new Float64Array(wants.length + rules.length)
  const best = new Best(request.keep)
  const cloud = new Best(request.keepCloud ?? MAX_CLOUD)
  let looked = 0
  let fitting = 0
  let stopped = false

  const judge = (depth: number, sum: number) => {
    looked++
    const loss = judgeBlend(sums[depth]!, sum, table, traits)
    let miss = 0
    let missed = 0
    let only = -1
    for (let i = 0; i < wants.length; i++) {
      const { trait, low, high, scale } = wants[i]!
      const value = traits[trait]!
      const off = value < low ? low - value : value > high ? value - high : 0
      if (off > 0) {
        miss += off / scale
        missed++
        only = i
      }
    }
    for (let i = 0; i < rules.length; i++) {
      const off = rules[i]!.miss(parts, sum, loss)
      if (off > 0) {
        miss += off
        missed++
        only = wants.length + i
      }
    }
    if (missed === 0) fitting++
    if (missed === 1) excluded[only]!++
    // Furthest inside all wants first; among equals the simpler recipe.
    const inside = missed === 0 ? Math.round(marginOf(parts, sum, table, traits, wants) * 4) / 4 : 0
    best.offer(miss * 1e3 - inside + depth / 100 + sum / 10_000, parts, traits, miss)
    if ((looked & 7) === 0 || miss === 0)
      cloud.offer(miss * 1e3 + ((looked * 2654435761) >>> 0) / 2 ** 32, parts, traits, miss)
  }

  const add = (from: number, depth: number, used: number, divisor: number) => {
    for (let m = from; m < materials.length && !stopped; m++) {
      const next = sums[depth + 1]!
      next.set(sums[depth]!)
      const base = m * width
      for (let p = 1; used + p <= mostParts; p++) {
        for (let i = 0; i < width; i++) next[i]! += table.values[base + i]!
        parts[m] = p
        const common = gcd(divisor, p)
        if (common === 1) judge(depth + 1, used + p)
        if (depth + 1 < mostMaterials) {
          // The level below writes over its own sums only.
          add(m + 1, depth + 1, used + p, common)
        }
        if (stopped) break
      }
      parts[m] = 0
      if (depth === 0 && !progress((m + 1) / materials.length)) stopped = true
    }
  }
  add(0, 0, 0, 0)
  const sure = (found: Found) => ({
    ...found,
    chance: found.miss > 0 ? 0 : chanceOf(found.parts, table, wants),
  })
  const kept = best
    .sorted()
    .map(sure)
    .sort((a, b) => (a.miss === 0 && b.miss === 0 ? byChance(a, b) : a.miss - b.miss))
  const others = cloud
    .sorted()
    .filter(({ miss }) => miss === 0)
    .slice(0, CONTRAST_AMONG)
    .map(sure)
  return {
    looked,
    fitting,
    best: kept,
    contrasting: contrasting([...kept, ...others], 4),
    excludedBy: Object.fromEntries([...wants, ...rules].map(({ name }, i) => [name, excluded[i]!])),
    cloud: cloud.sorted(),
  }
}

/**
 * The first, and then whichever differs most from those taken: by the shares of what it is made of, 0 (the same) to 1 (nothing in
 * common).
 *
 * @param found best first
 * @param n how many, at least 1
 */
export function contrasting(found: readonly Found[], n: number): Found[] {
  const [best] = found
  if (!best) return []
  const left = found.filter(({ miss, chance }) => miss <= best.miss && chance >= best.chance - LESS_SURE)
  const taken = [best]
  while (taken.length < n) {
    const far = left
      .map((one) => ({ one, apart: Math.min(...taken.map((other) => apartness(one.parts, other.parts))) }))
      .reduce((a, b) => (b.apart > a.apart ? b : a))
    if (far.apart < NEIGHBOURS) break
    taken.push(far.one)
  }
  return taken
}
/** Nearer than this two mixes are neighbours: 6 : 1 and 7 : 1 [default]. */
const NEIGHBOURS = 0.15

function sharesIn(parts: readonly number[]): number[] {
  const sum = parts.reduce((all, one) => all + one, 0)
  return parts.map((one) => one / sum)
}

/** How much of a mix would have to be exchanged to make the other of it, 0–1. */
function apartness(a: readonly number[], b: readonly number[]): number {
  const other = sharesIn(b)
  return sharesIn(a).reduce((all, share, i) => all + Math.abs(share - other[i]!), 0) / 2
}

/**
 * The material a mix has most of beyond another.
 *
 * @returns its place in the request's materials, and whether the other has none of it
 * @example moreThan([4, 0, 1], [2, 2, 1]) // { index: 1, isNew: true }
 */
export function moreThan(
  other: readonly number[],
  parts: readonly number[],
): { readonly index: number; readonly isNew: boolean } {
  const had = sharesIn(other)
  const more = sharesIn(parts).map((share, i) => share - had[i]!)
  const index = more.indexOf(Math.max(...more))
  return { index, isNew: other[index] === 0 }
}

/** Chances are said in tenths; among equals the simpler recipe comes first. */
const byChance = (a: Found, b: Found) =>
  Math.round(b.chance * 10) - Math.round(a.chance * 10) ||
  a.parts.filter(Boolean).length - b.parts.filter(Boolean).length ||
  a.parts.reduce((x, y) => x + y, 0) - b.parts.reduce((x, y) => x + y, 0)

/**
 * How many recipes a search tries at most: Σ over k materials of C(n, k) · C(parts, k).
 *
 * @example recipesToTry(2, 2, 2) // 5
 */
export function recipesToTry(materials: number, mostParts: number, mostMaterials: number): number {
  const choose = (n: number, k: number) =>
    Array.from({ length: k }, (_, i) => (n - i) / (i + 1)).reduce((a, b) => a * b, 1)
  let sum = 0
  for (let k = 1; k <= Math.min(mostMaterials, materials, mostParts); k++)
    sum += Math.round(choose(materials, k) * choose(mostParts, k))
  return sum
}

/** Traits of one blend, computed as the finder does. */
export function traitsOf(request: FinderRequest, parts: readonly number[]): Record<FinderTrait, number> {
  const table = tabulate(request)
  const sums = new Float64Array(table.width)
  parts.forEach((amount, m) => {
    for (let i = 0; i < table.width; i++) sums[i]! += amount * table.values[m * table.width + i]!
  })
  const traits = new Float64Array(FINDER_TRAITS.length)
  judgeBlend(
    sums,
    parts.reduce((a, b) => a + b, 0),
    table,
    traits,
  )
  return named(traits)
}

/** Wants that look at the parts themselves; each says how far off a recipe is, 0 when it obeys. */
function listRules({ scoop, base }: FinderRequest) {
  return [
    ...(scoop
      ? [
          {
            name: 'scoop',
            miss(_: Int32Array, sum: number, loss: number) {
              const scoops = scoop.mixL / (1 - loss) / sum / scoop.volumeL
              const off = Math.abs(scoops - Math.max(0.5, Math.round(scoops * 2) / 2)) / scoops
              return off <= SCOOP_TOLERANCE ? 0 : off
            },
          },
        ]
      : []),
    ...(base
      ? [
          {
            name: 'base',
            miss: (parts: Int32Array, sum: number) => Math.max(0, base.share - parts[base.index]! / sum),
          },
        ]
      : []),
  ]
}

function listWants(wants: Wants): Listed[] {
  return FINDER_TRAITS.flatMap((name, trait) => {
    const want = wants[name]
    if (!want || (want.low === undefined && want.high === undefined)) return []
    const { low = -Infinity, high = Infinity } = want
    const size = Number.isFinite(high) ? Math.abs(high) : Math.abs(low)
    return [{ name, trait, low, high, scale: size || 1 }]
  })
}

function gcd(a: number, b: number): number {
  while (b) [a, b] = [b, a % b]
  return a
}

const named = (traits: Float64Array) =>
  Object.fromEntries(FINDER_TRAITS.map((name, i) => [name, traits[i]!])) as Record<FinderTrait, number>

/** Keeps the `size` lowest ranks; a full list turns most offers away with one comparison. */
class Best {
  private readonly entries: { rank: number; found: Found }[] = []
  private worst: number

  constructor(private readonly size: number) {
    this.worst = size > 0 ? Infinity : -Infinity
  }

  offer(rank: number, parts: Int32Array, traits: Float64Array, miss: number): void {
    if (rank >= this.worst) return
    const found = { parts: Array.from(parts), traits: named(traits), miss, chance: 0 }
    let at = this.entries.length
    while (at > 0 && this.entries[at - 1]!.rank > rank) at--
    this.entries.splice(at, 0, { rank, found })
    if (this.entries.length > this.size) this.entries.pop()
    if (this.entries.length === this.size) this.worst = this.entries.at(-1)!.rank
  }

  sorted(): Found[] {
    return this.entries.map(({ found }) => found)
  }
}
