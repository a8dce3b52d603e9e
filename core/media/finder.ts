import type { Container } from '../containers/container'
import { levels } from './container-physics'
import { MIXING_LOSS_K } from './mixing-loss'
import type { Material } from './material'
import { retentionOf, waterAt } from './retention'

/** What a blend is judged by. */
export const FINDER_TRAITS = ['air', 'water', 'ph', 'salts', 'food', 'cost'] as const
export type FinderTrait = (typeof FINDER_TRAITS)[number]

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
}

export interface FinderResult {
  readonly looked: number
  /** How many met every want. */
  readonly fitting: number
  /** Best first: all wants met, then nearest. */
  readonly best: readonly Found[]
  /** For each want (`scoop` and `base` among them), how many blends it alone excluded: where none fits, the largest is the one to ease. */
  readonly excludedBy: Readonly<Record<string, number>>
  /** Blends that no other beats in both air and cost-or-salts, for the trade-off chart. */
  readonly cloud: readonly Found[]
}

const MOST_CLOUD = 900

/**
 * Judge every recipe in small whole parts, each ratio once.
 *
 * The shares' sums are carried along as parts are added, so that a blend costs a handful of additions; air is
 * reckoned at the container's own levels with the mixing loss, as `physicsIn` does.
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
  const cloud = new Best(request.keepCloud ?? MOST_CLOUD)
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
    // Among equals the simpler recipe comes first.
    const rank = miss * 1e3 + depth + sum / 100
    best.offer(rank, parts, traits, miss)
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
  return {
    looked,
    fitting,
    best: best.sorted(),
    excludedBy: Object.fromEntries([...wants, ...rules].map(({ name }, i) => [name, excluded[i]!])),
    cloud: cloud.sorted(),
  }
}

/** Traits of one blend, reckoned as the finder does. */
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

interface Table {
  readonly values: Float64Array
  readonly width: number
  readonly levels: number
  readonly shares: Float64Array
}

// Columns of a material: water at each level of the container, then these.
const [PORES, W10, W50, COARSE, PH, HOLD, SALTS, FOOD, PRICE] = [0, 1, 2, 3, 4, 5, 6, 7, 8]
const MORE = 9

function tabulate({ materials, pricePerL, container }: FinderRequest): Table {
  const at = levels(container.shape)
  const width = at.length + MORE
  const values = new Float64Array(materials.length * width)
  materials.forEach((material, m) => {
    const curve = retentionOf(material)
    at.forEach(({ heightCm }, i) => (values[m * width + i] = waterAt(curve, heightCm)))
    const more = [
      waterAt(curve, 0),
      waterAt(curve, 10),
      waterAt(curve, 50),
      material.coarse,
      material.ph * material.bufferWeight,
      material.bufferWeight,
      material.smeEcMsPerCm,
      material.dryBulkDensityGPerL * material.nitrogenPercent * 10 * material.mineralised,
      pricePerL[m] ?? 0,
    ]
    more.forEach((value, i) => (values[m * width + at.length + i] = value))
  })
  return { values, width, levels: at.length, shares: Float64Array.from(at, ({ share }) => share) }
}

/** Writes the blend's traits, and answers what mixing loses of its volume (0–1). */
function judgeBlend(sums: Float64Array, sum: number, table: Table, traits: Float64Array): number {
  const n = table.levels
  const each = 1 / sum
  const coarse = sums[n + COARSE]! * each
  const loss = 4 * MIXING_LOSS_K * coarse * (1 - coarse)
  const kept = 1 / (1 - loss)
  const pores = sums[n + PORES]! * each - loss
  let water = 0
  for (let i = 0; i < n; i++) {
    const held = sums[i]! * each
    water += table.shares[i]! * (held < pores ? held : pores)
  }
  traits[0] = (pores - water) * kept
  traits[1] = (Math.min(sums[n + W10]! * each, pores) - Math.min(sums[n + W50]! * each, pores)) * kept
  traits[2] = sums[n + PH]! / sums[n + HOLD]!
  traits[3] = sums[n + SALTS]! * each
  traits[4] = sums[n + FOOD]! * each * kept
  traits[5] = sums[n + PRICE]! * each * kept
  return loss
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

function listWants(wants: Wants) {
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
    const found = { parts: Array.from(parts), traits: named(traits), miss }
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
