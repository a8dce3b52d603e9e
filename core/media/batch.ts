import { cautions, type Caution, type CautionId } from '../cautions/caution'
import { cellCount, cellTopArea, cellVolume, type Container } from '../containers/container'
import { refuse, under, within, type Problem } from '../problem'
import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { byDefault, practice, yours, type Source } from '../working/source'
import { soakForFibre, soakForMass, waterToAdd, type CoirSoak, type Feel } from './hydration'
import { materialIn, type Material, type MaterialLibrary, type Pack } from './material'
import { chemistryOf, SALTS_LIMITS_MS_PER_CM, type Chemistry } from './chemistry'
import { physicsIn, type Ingredient } from './container-physics'

import { MIXING_LOSS_K, MIXING_LOSS_SOURCE, mixingLoss } from './mixing-loss'
import { packsToOpen } from './packs'
import { extraProblems, recipeProblems, type Extra, type Part, type Preparation } from './recipe'
import { countScoops, type Scoop, type ScoopCount } from './scoops'

/** Containers of one kind to fill. */
export interface Fill {
  readonly container: Container
  /** Whole trays, pots or blocks. */
  readonly count: number
  /** Depth of the layer sprinkled over the seed, mm; 0 for none. */
  readonly coverMm: number
  /** What the cover is: the mix itself, or a material. */
  readonly coverMaterialId: string
}

export const COVER_IS_THE_MIX = 'mix'

/** All fractions 0–1, except the block compression, a ratio above 1. */
export interface Allowances {
  /** How full a container is filled. */
  readonly fill: number
  /** How full where a cover follows. */
  readonly fillUnderCover: number
  /** Loose volume per pressed volume of a soil block. */
  readonly blockCompression: number
  /** Loss of an even mix of coarse and fine. */
  readonly mixingLossK: number
  /** Extra, so that it does not run out. */
  readonly spare: number
}

export const DEFAULT_ALLOWANCES: Allowances = {
  fill: 0.9,
  fillUnderCover: 0.75,
  blockCompression: 2,
  mixingLossK: MIXING_LOSS_K,
  spare: 0.05,
}

const ALLOWANCE_SOURCES: Readonly<Record<keyof Allowances, Source>> = {
  fill: byDefault('filled to nine tenths'),
  fillUnderCover: practice('a quarter of the cell is left free for the cover'),
  blockCompression: byDefault('1.5–3 by the press and the mix'),
  mixingLossK: MIXING_LOSS_SOURCE,
  spare: byDefault('a twentieth to spare'),
}

export interface BatchRequest {
  readonly parts: readonly Part[]
  readonly fills: readonly Fill[]
  readonly allowances: Allowances
  readonly scoop: Scoop
  /** Pack chosen for a material, by material id; else its first. */
  readonly packIds: Readonly<Record<string, string>>
  readonly extras: readonly Extra[]
  readonly preparations: readonly Preparation[]
  /** How wet the mix should feel when it is filled in. */
  readonly feel: Feel
  /** The tub it is stirred in, L; null when it is large enough. */
  readonly tubL: number | null
  readonly materials: MaterialLibrary
}

/** What a batch begins with where nothing was said. */
export const plainBatch = () => ({
  packIds: {} as Record<string, string>,
  extras: [] as Extra[],
  preparations: [] as Preparation[],
  feel: 'wrung-out sponge' as Feel,
  tubL: null as number | null,
})

export interface FillDemand {
  readonly fill: Fill
  readonly cells: Figure
  /** Loose mix, cover of the same mix excluded, L. */
  readonly looseL: Figure
  readonly coverL: Figure | null
}

export interface ExtraLine {
  readonly material: Material
  readonly massG: Figure
  readonly volumeMl: Figure
}

/** A batch larger than its tub is stirred in several goes. */
export interface TubPlan {
  readonly tubs: Figure
  /** For one tub, in the order of the lines that are part of the mix. */
  readonly scoops: readonly ScoopCount[]
}

export interface MaterialLine {
  readonly material: Material
  /** Fraction of the recipe 0–1; null for a material that only covers. */
  readonly share: Figure | null
  /** Loose litres to measure out, cover included. */
  readonly looseL: Figure
  readonly scoops: ScoopCount
  readonly pack: Pack
  readonly packs: Figure
  /** For pressed coir: what to soak for just this batch, and what the whole packs would give. */
  readonly soak: CoirSoak | null
  readonly soakWholePacks: CoirSoak | null
}

export interface BatchPlan {
  readonly fills: readonly FillDemand[]
  /** Loose mix wanted, after mixing, L. */
  readonly mixL: Figure
  readonly mixingLoss: Figure
  /** Sum of the loose materials of the mix, before mixing, L. */
  readonly ingredientsL: Figure
  readonly lines: readonly MaterialLine[]
  /** Smallest tub in which it can be stirred in one go, L. */
  readonly stirringTubL: Figure
  readonly ingredients: readonly Ingredient[]
  readonly chemistry: Chemistry
  readonly extras: readonly ExtraLine[]
  /** Water to stir in for the wanted feel, beside what the coir brings, L. */
  readonly waterL: Figure
  readonly tubPlan: TubPlan | null
  readonly cautions: readonly Caution[]
}

/** Fullest that a tub can be stirred, as a fraction [common practice]. */
const STIRRABLE = 0.6

/** What is wrong with a request, each at its field; empty when it can be planned. */
export function batchProblems(request: BatchRequest): Problem[] {
  const { allowances } = request
  return [
    ...under('parts', recipeProblems(request.parts, request.materials)),
    ...under('extras', extraProblems(request.extras, request.materials)),
    ...(request.fills.length ? [] : [{ path: ['fills'], message: 'Say what to fill: add a container.' }]),
    ...request.fills.flatMap((fill, index) =>
      under('fills', under(index, fillProblems(fill, request.materials))),
    ),
    ...under('allowances', [
      ...within(['fill'], allowances.fill, 0, 1, 'Fill is above 0 and at most 100 %.', true),
      ...within(
        ['fillUnderCover'],
        allowances.fillUnderCover,
        0,
        1,
        'Fill is above 0 and at most 100 %.',
        true,
      ),
      ...within(
        ['blockCompression'],
        allowances.blockCompression,
        1,
        4,
        'Blocks take 1 to 4 times their volume.',
      ),
      ...within(['mixingLossK'], allowances.mixingLossK, 0, 0.3, 'Mixing loses 0 to 30 %.'),
      ...within(['spare'], allowances.spare, 0, 1, 'Spare is 0 to 100 %.'),
    ]),
    ...within(
      ['scoop', 'volumeL'],
      request.scoop.volumeL,
      0,
      200,
      'A scoop holds more than 0 and at most 200 L.',
      true,
    ),
    ...(request.tubL === null ? [] : tubProblems(request.tubL, request.scoop)),
  ]
}

function tubProblems(tubL: number, scoop: Scoop): Problem[] {
  return tubL * STIRRABLE < scoop.volumeL
    ? [
        {
          path: ['tubL'],
          message:
            'The tub is smaller than a scoop can be stirred in. Choose a larger tub or a smaller scoop.',
        },
      ]
    : within(['tubL'], tubL, 0, 2000, 'A tub holds at most 2000 L.', true)
}

function fillProblems(fill: Fill, materials: MaterialLibrary): Problem[] {
  const coverKnown = fill.coverMaterialId === COVER_IS_THE_MIX || materials.has(fill.coverMaterialId)
  const depth = fill.container.shape.depthMm
  return [
    ...(Number.isInteger(fill.count) ? [] : [{ path: ['count'], message: 'Count whole containers.' }]),
    ...within(['count'], fill.count, 1, 5000, 'Plan 1 to 5000 containers of a kind in one batch.'),
    ...within(
      ['coverMm'],
      fill.coverMm,
      0,
      depth / 2,
      `A cover is at most half the depth: ${Math.floor(depth / 2)} mm.`,
    ),
    ...(coverKnown ? [] : [{ path: ['coverMaterialId'], message: 'This material is not known.' }]),
  ]
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
  const ingredients = sharesOf(request.parts, request.materials)
  const settling = weightedTotal(
    'Settling of this mix',
    'share',
    ingredients.map(({ material, share }) => ({
      figure: given(`${material.name}: settling`, material.settling, 'share', material.sources.settling),
      weight: share,
    })),
  )
  const fills = request.fills.map((fill) => demandOf(fill, request.allowances, settling))
  const ofMix = fills.flatMap(({ fill, looseL, coverL }) =>
    coverL && fill.coverMaterialId === COVER_IS_THE_MIX ? [looseL, coverL] : [looseL],
  )
  const mixL = total('Loose mix', 'L', ofMix)
  const loss = mixingLoss(ingredients, allowance('Loss of an even mix', 'mixingLossK', request.allowances))
  const ingredientsL = derive(
    'Loose materials together',
    'L',
    'V / (1 - s)',
    { V: mixL, s: loss },
    ({ V, s }) => V / (1 - s),
    'The materials measure more than the mix they make.',
  )

  const lines = materialNeeds(request.materials, ingredients, ingredientsL, fills).map((need) =>
    measured(need, request),
  )
  const chemistry = chemistryOf(ingredients, loss)
  const stirringTubL = derive(
    'Tub to stir it in',
    'L',
    'V / f',
    { V: ingredientsL, f: given('Fullest a tub can be stirred', STIRRABLE, 'share', practice()) },
    ({ V, f }) => V / f,
  )
  return {
    fills,
    mixL,
    mixingLoss: loss,
    ingredients,
    ingredientsL,
    lines,
    stirringTubL,
    chemistry,
    extras: request.extras.map((extra) => extraLine(extra, mixL, request.materials)),
    waterL: waterFor(request, fills, ingredients, mixL, loss, lines),
    tubPlan: planTubs(request, stirringTubL, lines),
    cautions: cautions(hazardsOf(request, lines, chemistry.saltsMsPerCm.value)),
  }
}

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

/** Water in a material as it comes from the bag, a fraction of volume [default]; soaked coir is reckoned apart. */
const MOISTURE_AS_BOUGHT = 0.12

function waterFor(
  request: BatchRequest,
  fills: readonly FillDemand[],
  ingredients: readonly Ingredient[],
  mixL: Figure,
  loss: Figure,
  lines: readonly MaterialLine[],
): Figure {
  const main = fills.reduce((largest, fill) => (fill.looseL.value > largest.looseL.value ? fill : largest))
  const dry = ingredients.filter(({ material }) => !material.compressed).map(({ share }) => share)
  const coir = lines.flatMap(({ soak, share }) => (soak && share ? [soak.waterL] : []))
  return waterToAdd({
    mixL,
    containerCapacity: physicsIn(main.fill.container, ingredients, loss).containerCapacity,
    feel: request.feel,
    thetaNow: derive(
      'Water in the materials as bought',
      'share',
      'm * w',
      {
        m: given('Moisture from the bag', MOISTURE_AS_BOUGHT, 'share', byDefault('dry to the touch')),
        w: total('Share that is not soaked', 'share', dry),
      },
      ({ m, w }) => m * w,
    ),
    coirWaterL: total('Water with the soaked coir', 'L', coir),
  })
}

function planTubs(
  request: BatchRequest,
  stirringTubL: Figure,
  lines: readonly MaterialLine[],
): TubPlan | null {
  if (request.tubL === null || stirringTubL.value <= request.tubL) return null
  const tubs = derive(
    'Goes',
    '',
    'ceil(T / t)',
    { T: stirringTubL, t: given('Your tub', request.tubL, 'L', yours()) },
    ({ T, t }) => Math.ceil(T / t - 1e-9),
  )
  const scoops = lines
    .filter(({ share }) => share)
    .map(({ material, looseL }) =>
      countScoops(
        request.scoop,
        derive(`${material.name} in one go`, 'L', 'V / n', { V: looseL, n: tubs }, ({ V, n }) => V / n),
      ),
    )
  return { tubs, scoops }
}

function sharesOf(parts: readonly Part[], materials: MaterialLibrary): Ingredient[] {
  const source = yours('parts of the recipe')
  const amounts = parts.map((part) =>
    given(`Parts of ${materialIn(materials, part.materialId).name}`, part.parts, 'parts', source),
  )
  const all = total('All parts', 'parts', amounts)
  return parts.map((part, index) => {
    const material = materialIn(materials, part.materialId)
    return {
      material,
      share: derive(
        `Share of ${material.name}`,
        'share',
        'p / all',
        { p: amounts[index]!, all },
        ({ p, all: sum }) => p / sum,
      ),
    }
  })
}

/** A value the household left at its default says so; one it changed is theirs. */
function allowance(name: string, key: keyof Allowances, allowances: Allowances): Figure {
  const value = allowances[key]
  const source = value === DEFAULT_ALLOWANCES[key] ? ALLOWANCE_SOURCES[key] : yours()
  return given(name, value, key === 'blockCompression' ? '' : 'share', source)
}

function demandOf(fill: Fill, allowances: Allowances, settling: Figure): FillDemand {
  const { container } = fill
  const cells = cellCount(container, given(container.name, fill.count, '', yours()))
  const common = { n: cells, V: cellVolume(container), r: allowance('Spare', 'spare', allowances) }
  const looseL =
    container.kind === 'block'
      ? // Pressed full: the compression stands for filling and settling both.
        derive(
          `Loose mix for ${container.name}`,
          'L',
          'n * V / 1000 * b * (1 + r)',
          { ...common, b: allowance('Block compression', 'blockCompression', allowances) },
          ({ n, V, b, r }) => ((n * V) / 1000) * b * (1 + r),
        )
      : derive(
          `Loose mix for ${container.name}`,
          'L',
          'n * V / 1000 * f * (1 + s) * (1 + r)',
          {
            ...common,
            f:
              fill.coverMm > 0
                ? allowance('Filled, leaving room for the cover', 'fillUnderCover', allowances)
                : allowance('Filled to', 'fill', allowances),
            s: settling,
          },
          ({ n, V, f, s, r }) => ((n * V) / 1000) * f * (1 + s) * (1 + r),
        )
  const coverL =
    fill.coverMm > 0
      ? derive(
          `Cover for ${container.name}`,
          'L',
          'n * A * d / 10000',
          { n: cells, A: cellTopArea(container), d: given('Cover depth', fill.coverMm, 'mm', yours()) },
          ({ n, A, d }) => (n * A * d) / 10000,
        )
      : null
  return { fill, cells, looseL, coverL }
}

interface MaterialNeed {
  readonly material: Material
  readonly share: Figure | null
  readonly looseL: Figure
}

/** Litres of each material: its share of the mix, and what goes on top as a cover. */
function materialNeeds(
  materials: MaterialLibrary,
  ingredients: readonly Ingredient[],
  ingredientsL: Figure,
  fills: readonly FillDemand[],
): MaterialNeed[] {
  const covers = new Map<string, Figure[]>()
  for (const { fill, coverL } of fills) {
    if (!coverL || fill.coverMaterialId === COVER_IS_THE_MIX) continue
    covers.set(fill.coverMaterialId, [...(covers.get(fill.coverMaterialId) ?? []), coverL])
  }
  const inMix = ingredients.map(({ material, share }) => {
    const inMixL = derive(
      `${material.name} in the mix`,
      'L',
      'V * w',
      { V: ingredientsL, w: share },
      ({ V, w }) => V * w,
    )
    const cover = covers.get(material.id)
    covers.delete(material.id)
    return {
      material,
      share,
      looseL: cover ? total(`${material.name}, mix and cover`, 'L', [inMixL, ...cover]) : inMixL,
    }
  })
  const onlyCover = [...covers].map(([id, figures]) => ({
    material: materialIn(materials, id),
    share: null,
    looseL: total(`${materialIn(materials, id).name} for covers`, 'L', figures),
  }))
  return [...inMix, ...onlyCover]
}

function measured(need: MaterialNeed, request: BatchRequest): MaterialLine {
  const { material, looseL } = need
  const pack = material.packs.find(({ id }) => id === request.packIds[material.id]) ?? material.packs[0]!
  const soak = material.compressed ? soakForFibre(looseL) : null
  const packs = packsToOpen(pack, looseL, soak && soak.dryMassG)
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
        )
      : null
  return { ...need, scoops: countScoops(request.scoop, looseL), pack, packs, soak, soakWholePacks }
}

function hazardsOf(
  { extras, materials, preparations }: BatchRequest,
  lines: readonly MaterialLine[],
  saltsMsPerCm: number,
): CautionId[] {
  return [
    ...lines.flatMap(({ material }) => material.hazards),
    ...extras.flatMap(({ materialId }) => materialIn(materials, materialId).hazards),
    ...(preparations.includes('hot water') ? (['scald'] as const) : []),
    ...(saltsMsPerCm > SALTS_LIMITS_MS_PER_CM.germination ? (['salts'] as const) : []),
  ]
}
