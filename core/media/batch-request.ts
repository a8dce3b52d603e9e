import { cellVolume, type Container } from '../containers/container'
import { under, wholeWithin, within, type Problem, wrongAt } from '../problem'
import { given, type Figure } from '../working/figure'
import { byDefault, learnedSource, practice, yours, type Source } from '../working/source'
import type { HomeTest } from './home-test'
import type { Feel } from './hydration'
import type { MaterialLibrary } from './material'
import type { Dampness } from './moisture'
import { MIXING_LOSS_K, MIXING_LOSS_SOURCE } from './mixing-loss'
import { BLOCK_COMPRESSION } from './pressing'
import { extraProblems, recipeProblems, type Extra, type Part, type Preparation } from './recipe'
import type { Scoop } from './scoops'

/** Containers of one kind to fill. */
export interface Fill {
  readonly container: Container
  /** Whole trays, pots or blocks. */
  readonly count: number
  /** Cells that are filled of these, where it is not all of them; parts of cells where a tray is shared. */
  readonly cells?: number | null | undefined
  /** Depth of the layer sprinkled over the seed, mm; 0 for none. */
  readonly coverMm: number
  /** What the cover is: the mix itself, or a material. */
  readonly coverMaterialId: string
  /** Depth of this mix over a lower one, mm; null or nothing where the container holds this mix to its foot. */
  readonly topMm?: number | null | undefined
  /** How wet for this container; null or nothing as the batch says, blocks as peanut butter. */
  readonly feel?: Feel | null | undefined
  /** Plants in each cell; one where nothing is said. */
  readonly plants?: number | null | undefined
  /** What the root ball of one plant brings with it when it is potted up, mL. */
  readonly ballMl?: number | undefined
  /** The container it comes out of. */
  readonly ballContainerId?: string | null | undefined
}

export const COVER_IS_THE_MIX = 'mix'

/**
 * Whether the container holds two mixes, one above the other.
 *
 * @example isLayered({ topMm: 30 }) // true
 */
export const isLayered = (fill: Fill): fill is Fill & { topMm: number } =>
  fill.topMm !== null && fill.topMm !== undefined

/**
 * How wet the mix of a container is to be: what was said for it, peanut butter for blocks, else as the batch.
 *
 * @example feelOf({ container: { kind: 'block' } }, { feel: 'damp' }) // 'soil block'
 */
export const feelOf = (fill: Fill, { feel }: Pick<BatchRequest, 'feel'>): Feel =>
  fill.feel ?? (fill.container.kind === 'block' ? 'soil block' : feel)

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
  /** Measurements of the household that stand behind these two, where they are learned. */
  readonly learned?: { readonly blockCompression?: number; readonly mixingLossK?: number } | undefined
}

export const DEFAULT_ALLOWANCES: Allowances = {
  fill: 0.9,
  fillUnderCover: 0.75,
  blockCompression: BLOCK_COMPRESSION,
  mixingLossK: MIXING_LOSS_K,
  spare: 0.05,
}

export type AllowanceKey = Exclude<keyof Allowances, 'learned'>
export const ALLOWANCE_SOURCES: Readonly<Record<AllowanceKey, Source>> = {
  fill: byDefault('filled to nine tenths'),
  fillUnderCover: practice('a quarter of the cell is left free for the cover'),
  blockCompression: byDefault('1.5–3 by the press and the mix'),
  mixingLossK: MIXING_LOSS_SOURCE,
  spare: byDefault('a twentieth to spare'),
}

export interface BatchRequest {
  readonly parts: readonly Part[]
  /** Parts of the mix that lies below in layered containers; empty where nothing is layered. */
  readonly lowerParts: readonly Part[]
  readonly fills: readonly Fill[]
  readonly allowances: Allowances
  readonly scoop: Scoop
  /** Pack chosen for a material, by material id; else its first. */
  readonly packIds: Readonly<Record<string, string>>
  readonly extras: readonly Extra[]
  readonly preparations: readonly Preparation[]
  /** How wet the mix should feel when it is filled in, where a container does not say otherwise. */
  readonly feel: Feel
  /** How damp a bag of ready mix is. */
  readonly dampness: Dampness
  /** The tub it is stirred in, L; null when it is large enough. */
  readonly tubL: number | null
  readonly materials: MaterialLibrary
  /** Mixes the household measured; none where nothing is said. */
  readonly homeTests?: readonly HomeTest[] | undefined
}

/** What a batch begins with where nothing was said. */
export const plainBatch = () => ({
  lowerParts: [] as Part[],
  packIds: {} as Record<string, string>,
  extras: [] as Extra[],
  preparations: [] as Preparation[],
  feel: 'wrung-out sponge' as Feel,
  dampness: 'damp' as Dampness,
  tubL: null as number | null,
})

/** Of a container so much can be root balls: the rest is what they are potted up for [common practice]. */
const MAX_BALLS = 0.8

/** Fullest that a tub can be stirred, as a fraction [common practice]. */
export const STIRRABLE = 0.6

/** A value the household left at its default says so; one it changed is theirs. */
export function allowance(name: string, key: AllowanceKey, allowances: Allowances): Figure {
  const value = allowances[key]
  const n = key === 'blockCompression' || key === 'mixingLossK' ? (allowances.learned?.[key] ?? 0) : 0
  const source =
    n > 0 || value === DEFAULT_ALLOWANCES[key] ? learnedSource(n, ALLOWANCE_SOURCES[key]) : yours()
  return given(name, value, key === 'blockCompression' ? '' : 'share', source)
}

/** What is wrong with a request, each at its field; empty when it can be planned. */
export function batchProblems(request: BatchRequest): Problem[] {
  const { allowances } = request
  const layered = request.fills.some(isLayered)
  return [
    ...(request.parts.length === 0 && request.extras.length > 0
      ? [wrongAt(['parts'], 'onlyExtras')]
      : under('parts', recipeProblems(request.parts, request.materials))),
    ...(layered || request.lowerParts.length
      ? under('lowerParts', recipeProblems(request.lowerParts, request.materials))
      : []),
    ...under('extras', extraProblems(request.extras, request.materials)),
    ...(request.fills.length ? [] : [wrongAt(['fills'], 'nothingToFill')]),
    ...request.fills.flatMap((fill, index) =>
      under('fills', under(index, fillProblems(fill, request.materials))),
    ),
    ...under('allowances', [
      ...within(['fill'], allowances.fill, 0.1, 1, 'share'),
      ...within(['fillUnderCover'], allowances.fillUnderCover, 0.1, 1, 'share'),
      ...within(['blockCompression'], allowances.blockCompression, 1, 4),
      ...within(['mixingLossK'], allowances.mixingLossK, 0, 0.3, 'share'),
      ...within(['spare'], allowances.spare, 0, 1, 'share'),
    ]),
    ...within(['scoop', 'volumeL'], request.scoop.volumeL, 0.001, 200, 'L'),
    ...(request.tubL === null ? [] : tubProblems(request.tubL, request.scoop)),
  ]
}

function tubProblems(tubL: number, scoop: Scoop): Problem[] {
  return tubL * STIRRABLE < scoop.volumeL
    ? [wrongAt(['tubL'], 'tubTooSmall')]
    : within(['tubL'], tubL, 0.1, 2000, 'L')
}

/** A cover thinner than this is none, mm. */
const LEAST_COVER_MM = 0.1

function fillProblems(fill: Fill, materials: MaterialLibrary): Problem[] {
  const coverKnown = fill.coverMaterialId === COVER_IS_THE_MIX || materials.has(fill.coverMaterialId)
  const depth = fill.container.shape.depthMm
  return [
    ...wholeWithin(['count'], fill.count, 1, 5000),
    ...(fill.coverMm === 0 || (fill.coverMm >= LEAST_COVER_MM && fill.coverMm <= depth / 2)
      ? []
      : [wrongAt(['coverMm'], 'coverTooDeep', { mm: Math.floor(depth / 2) })]),
    ...(fill.cells == null
      ? []
      : within(['cells'], fill.cells, 0.001, fill.count * fill.container.cells + 1e-6)),
    ...(fill.plants === null || fill.plants === undefined
      ? []
      : wholeWithin(['plants'], fill.plants, 1, 200)),
    ...((fill.ballMl ?? 0) * (fill.plants ?? 1) > cellVolume(fill.container).value * MAX_BALLS
      ? [wrongAt(['ballContainerId'], 'potUpLarger')]
      : []),
    ...(isLayered(fill) ? layerProblems(fill, fill.topMm) : []),
    ...(coverKnown ? [] : [wrongAt(['coverMaterialId'], 'unknown', { what: 'material' })]),
  ]
}

function layerProblems({ container }: Fill, topMm: number): Problem[] {
  if (container.kind === 'block') return [wrongAt(['topMm'], 'blockLayers')]
  const deepest = Math.floor(container.shape.depthMm * 0.7)
  return within(['topMm'], topMm, 5, deepest, 'mm')
}
