import { first } from '../numeric/at'
import { cautionsOf, type CautionId } from '../cautions/caution'
import { refuse } from '../problem'
import { derive, given, total, type Figure } from '../working/figure'
import { practice, yours } from '../working/source'
import {
  batchProblems,
  COVER_IS_THE_MIX,
  feelOf,
  isLayered,
  STIRRABLE,
  type BatchRequest,
} from './batch-request'
import { chemistryOf, dosed, SALTS_LIMITS_MS_PER_CM, type Chemistry } from './chemistry'
import type { LowerBlend } from './container-physics'
import { demandOf, type FillDemand } from './filling'
import { soakForFibre, soakForMass, type CoirSoak } from './hydration'
import { materialIn, type Material, type MaterialLibrary, type Pack } from './material'
import { sharesOf } from './ingredient'
import { planMix, type Measure, type MixPlan, type Portion } from './mix-plan'
import { packsToOpen } from './packs'
import type { Extra } from './recipe'
import { countScoops, type ScoopCount } from './scoops'
import { settlingOf } from './settling'
import { meshOf, sieveYield, type SieveYield } from './sieve'

export interface ExtraLine {
  readonly material: Material
  readonly massG: Figure
  readonly volumeMl: Figure
}

/** A batch larger than its tub is stirred in several goes. */
export interface TubPlan {
  readonly tubs: Figure
  /** For one tub, in the order of the mix's measures. */
  readonly scoops: readonly ScoopCount[]
}

/** All that is wanted of one material: in the mix, in the mix below it, and on top as a cover. */
export interface MaterialLine {
  readonly material: Material
  /** Fraction of the recipe 0–1; null for a material that is in the lower mix or a cover only. */
  readonly share: Figure | null
  /** Loose litres to measure out. */
  readonly looseL: Figure
  readonly scoops: ScoopCount
  /** What the sieve keeps back, where it is sieved. */
  readonly sieve: SieveYield | null
  readonly pack: Pack
  readonly packs: Figure
  /** For pressed coir: what to soak for just this batch, and what the whole packs would give. */
  readonly soak: CoirSoak | null
  readonly soakWholePacks: CoirSoak | null
}

export interface BatchPlan extends MixPlan {
  readonly fills: readonly FillDemand[]
  /** The mix below, where containers are filled in layers. */
  readonly lower: MixPlan | null
  readonly lines: readonly MaterialLine[]
  /** Smallest tub in which it can be stirred in one go, L. */
  readonly stirringTubL: Figure
  readonly chemistry: Chemistry
  readonly extras: readonly ExtraLine[]
  readonly tubPlan: TubPlan | null
  readonly cautions: readonly CautionId[]
}

/**
 * From a recipe in parts and the containers to fill, to what has to be measured, soaked and opened.
 *
 * loose litres = Σ count · volume · fill · (1 + settling) · block compression · (1 + spare), plus cover = area · depth;
 * the materials together are more than that by what mixing loses.
 *
 * @throws RangeError naming the field, for anything `batchProblems` finds
 */
export function planBatch(request: BatchRequest): BatchPlan {
  refuse(batchProblems(request))
  const { materials, allowances } = request
  const ingredients = sharesOf(request.parts, materials)
  const layered = request.fills.some(isLayered)
  const lowerIngredients = layered ? sharesOf(request.lowerParts, materials) : []
  const settling = settlingOf(ingredients)
  const lowerSettling = layered ? settlingOf(lowerIngredients) : null
  const fills = request.fills.map((fill) => demandOf(fill, allowances, settling, lowerSettling))
  const ofMix = fills.flatMap(({ fill, looseL, coverL }) =>
    coverL && fill.coverMaterialId === COVER_IS_THE_MIX ? [looseL, coverL] : [looseL],
  )
  const mix = planMix(request.parts, total('Loose mix', 'L', ofMix), portionsOf(fills, request), request)
  const lowerOf = fills.flatMap(({ lowerL }) => lowerL ?? [])
  const lower = layered
    ? planMix(
        request.lowerParts,
        total('Loose mix for below', 'L', lowerOf),
        fills.flatMap(({ fill, lowerL }) =>
          lowerL ? [{ looseL: lowerL, container: fill.container, feel: feelOf(fill, request) }] : [],
        ),
        request,
      )
    : null

  const lines = materialNeeds(materials, [...mix.measures, ...(lower?.measures ?? [])], fills).map((need) =>
    measured(need, mix.measures, request),
  )
  const chemistry = chemistryOf(mix.ingredients, mix.mixingLoss, dosed(request.extras, materials))
  const stirringTubL = derive(
    'Tub to stir it in',
    'L',
    'V / f',
    {
      V: lower && lower.ingredientsL.value > mix.ingredientsL.value ? lower.ingredientsL : mix.ingredientsL,
      f: given('Fullest a tub can be stirred', STIRRABLE, 'share', practice()),
    },
    ({ V, f }) => V / f,
  )
  return {
    ...mix,
    fills,
    lower,
    lines,
    stirringTubL,
    chemistry,
    extras: request.extras.map((extra) => extraLine(extra, mix.mixL, materials)),
    tubPlan: planTubs(request, stirringTubL, mix.measures),
    cautions: cautionsOf(hazardsOf(request, lines, chemistry.saltsMsPerCm.value)),
  }
}

/** The mix below in one of the containers a batch fills, where that is filled in layers. */
export function lowerIn({ lower, fills }: BatchPlan, index: number): LowerBlend | null {
  const heightMm = fills[index]?.lowerHeightMm
  return lower && heightMm ? { ...lower, heightMm: heightMm.value } : null
}

/** Where the mix goes: into each kind of container, and on top of it where it is its own cover. */
const portionsOf = (fills: readonly FillDemand[], request: BatchRequest): Portion[] =>
  fills.flatMap(({ fill, looseL, coverL }) => {
    const { container } = fill
    const into = { looseL, container, feel: feelOf(fill, request) }
    return coverL && fill.coverMaterialId === COVER_IS_THE_MIX
      ? [
          into,
          { looseL: coverL, container: { ...container, kind: 'open tray' as const }, feel: request.feel },
        ]
      : [into]
  })

function extraLine({ materialId, gPerL }: Extra, mixL: Figure, materials: MaterialLibrary): ExtraLine {
  const material = materialIn(materials, materialId)
  const massG = derive(
    material.name,
    'g',
    'V * x',
    { V: mixL, x: given(`${material.name} a litre of mix`, gPerL, 'g/L', yours('the recipe')) },
    ({ V, x }) => V * x,
  )
  const volumeMl = derive(
    `${material.name}, by volume`,
    'mL',
    'm / d * 1000',
    {
      m: massG,
      d: given(
        `${material.name}: bulk density`,
        material.dryBulkDensityGPerL,
        'g/L',
        material.sources.dryBulkDensityGPerL,
      ),
    },
    ({ m, d }) => (m / d) * 1000,
  )
  return { material, massG, volumeMl }
}

function planTubs(request: BatchRequest, stirringTubL: Figure, measures: readonly Measure[]): TubPlan | null {
  if (request.tubL === null || stirringTubL.value <= request.tubL) return null
  const tubs = derive(
    'Goes',
    '',
    'ceil(T / t)',
    { T: stirringTubL, t: given('Your tub', request.tubL, 'L', yours()) },
    ({ T, t }) => Math.ceil(T / t - 1e-9),
  )
  const scoops = measures.map(({ material, looseL }) =>
    countScoops(
      request.scoop,
      derive(`${material.name} in one go`, 'L', 'V / n', { V: looseL, n: tubs }, ({ V, n }) => V / n),
    ),
  )
  return { tubs, scoops }
}

interface MaterialNeed {
  readonly material: Material
  readonly looseL: Figure
}

/** Litres of each material, each once: what the mixes take, and what goes on top as a cover. */
function materialNeeds(
  materials: MaterialLibrary,
  measures: readonly Measure[],
  fills: readonly FillDemand[],
): MaterialNeed[] {
  const wanted = new Map<string, { terms: Figure[]; mixed: boolean; covers: boolean }>()
  const want = (id: string, term: Figure, how: 'mixed' | 'covers') => {
    const entry = wanted.get(id) ?? { terms: [], mixed: false, covers: false }
    entry.terms.push(term)
    entry[how] = true
    wanted.set(id, entry)
  }
  for (const { material, looseL } of measures) want(material.id, looseL, 'mixed')
  for (const { fill, coverL } of fills)
    if (coverL && fill.coverMaterialId !== COVER_IS_THE_MIX) want(fill.coverMaterialId, coverL, 'covers')
  return [...wanted].map(([id, { terms, mixed, covers }]) => {
    const material = materialIn(materials, id)
    const what = mixed ? (covers ? 'mix and cover' : 'in both mixes') : 'for covers'
    return {
      material,
      looseL: terms.length === 1 && mixed ? first(terms) : total(`${material.name}, ${what}`, 'L', terms),
    }
  })
}

function measured(
  { material, looseL }: MaterialNeed,
  measures: readonly Measure[],
  request: BatchRequest,
): MaterialLine {
  const pack = material.packs.find(({ id }) => id === request.packIds[material.id]) ?? first(material.packs)
  const soak = material.compressed ? soakForFibre(looseL, material.coirYield) : null
  const mesh = meshOf(request.preparations)
  const sieve = mesh && sieveYield(material, mesh, looseL)
  const packs = packsToOpen(pack, sieve ? sieve.bagL : looseL, soak && soak.dryMassG)
  const soakWholePacks =
    soak && 'dryMassG' in pack
      ? soakForMass(
          derive(
            'Dry coir in whole packs',
            'g',
            'n * m',
            { n: packs, m: given(pack.name, pack.dryMassG, 'g', yours('the pack you chose')) },
            ({ n, m }) => n * m,
          ),
          material.coirYield,
        )
      : null
  const share = measures.find((measure) => measure.material.id === material.id)?.share ?? null
  const scoops = countScoops(request.scoop, looseL)
  return { material, share, looseL, scoops, sieve, pack, packs, soak, soakWholePacks }
}

function hazardsOf(
  { extras, materials, preparations }: BatchRequest,
  lines: readonly MaterialLine[],
  saltsMsPerCm: number,
): CautionId[] {
  return [
    ...lines.flatMap(({ material }) => material.hazards),
    ...extras.flatMap(({ materialId }) => materialIn(materials, materialId).hazards),
    ...((['hot water', 'hot soak', 'scald tools'] as const).some((one) => preparations.includes(one))
      ? (['scald'] as const)
      : []),
    ...(preparations.includes('disinfect') ? (['cleaners'] as const) : []),
    ...(saltsMsPerCm > SALTS_LIMITS_MS_PER_CM.germination ? (['salts'] as const) : []),
  ]
}
