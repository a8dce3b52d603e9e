import type { Sourced } from '../catalogue'
import type { Appetite } from '../media/food'
import { wholeWithin, within, type Problem } from '../problem'
import type { Emergence } from './emergence'
import type { SeedLife } from './odds'
import type { SeedLore } from './seed-standards'

export const CROP_FAMILIES = [
  'fruiting',
  'leafy',
  'brassica',
  'allium',
  'root',
  'herb',
  'cut flower',
  'bedding',
] as const
export type CropFamily = (typeof CROP_FAMILIES)[number]

/** What is done to the seed before it is sown. */
export interface Treatment {
  readonly kind: 'soak' | 'nick' | 'chill'
  readonly days: number
}

export interface Crop extends Sourced<CropFigure>, SeedLore {
  readonly id: string
  readonly name: string
  /** Botanical name; empty where nobody wrote it. */
  readonly botanical: string
  /** What it is called in other places. */
  readonly alsoCalled: readonly string[]
  readonly family: CropFamily
  /** Weeks in cells and pots before planting out. */
  readonly weeks: readonly [low: number, high: number]
  /** Weeks from the last frost to planting out; negative for hardy crops that go out before it. */
  readonly outAfterFrostWeeks: number
  /** Depth of sowing, mm; 0 on the surface. */
  readonly depthMm: number
  readonly light: 'wants light' | 'wants dark' | 'either'
  /** Best temperature of the mix, °C. */
  readonly warmthC: number
  readonly emergence: Emergence
  readonly treatment: Treatment | null
  /** Seeds in a cell by habit; a clump where several stay together. */
  readonly seedsPerCell: number
  readonly clump: boolean
  readonly appetite: Appetite
  /** Whether it roots from a buried stem. */
  readonly buryStem: boolean
  /** Nights below this are too cold for it outside, °C. */
  readonly lowestNightC: number
  readonly germination: number
  readonly seedLife: SeedLife
  /** Weeks it wants outside before the first frost of autumn; null where frost does not end it. */
  readonly weeksBeforeFrost: number | null
  /** Whether it is also sown in summer, for autumn. */
  readonly autumn: boolean
  readonly scheduleId: string
  /** How strong it likes its feed against its stage, by leaves that were seen after a feed; nothing where nobody looked. */
  readonly feedResponse?: { readonly factor: number; readonly n: number }
}

/** What a household can correct in a crop. */
export const CROP_FIGURES = [
  'weeks',
  'outAfterFrostWeeks',
  'depthMm',
  'light',
  'warmthC',
  'emergence',
  'treatment',
  'seedsPerCell',
  'clump',
  'appetite',
  'buryStem',
  'lowestNightC',
  'germination',
  'seedLife',
  'weeksBeforeFrost',
  'autumn',
  'scheduleId',
] as const
export type CropFigure = (typeof CROP_FIGURES)[number]

/** How much cold a crop stands, in a word [handbook: classes of hardiness, from memory]. */
export function hardinessOf({ lowestNightC }: Pick<Crop, 'lowestNightC'>): string {
  if (lowestNightC >= 10) return 'very tender, suffers in the cool'
  if (lowestNightC > 0) return 'tender, frost kills it'
  return lowestNightC > -4 ? 'half-hardy, survives a light frost' : 'hardy'
}

/**
 * Whether each seedling of a cell is a plant of its own: clumps that are pulled apart, not tufts that stay together.
 *
 * @example countsSeedlings({ clump: true, countsClumps: true }) // false
 */
export const countsSeedlings = ({ clump, countsClumps }: Pick<Crop, 'clump' | 'countsClumps'>): boolean =>
  clump && !countsClumps

/** What lies over the seed: nothing or a veil where it wants light, the mix or vermiculite at its depth elsewhere. */
export function coverOf(
  { light, depthMm }: Pick<Crop, 'light' | 'depthMm'>,
  length: (mm: number) => string,
): string {
  if (depthMm === 0) return 'pressed in, nothing or a veil of vermiculite over it'
  if (light === 'wants light') return `${length(depthMm)} of vermiculite, which lets light through`
  return `${length(depthMm)} of the mix`
}

/** What is wrong with a crop a household describes, each at its field. */
export function cropProblems(
  crop: Pick<
    Crop,
    | 'weeks'
    | 'outAfterFrostWeeks'
    | 'depthMm'
    | 'warmthC'
    | 'emergence'
    | 'seedsPerCell'
    | 'lowestNightC'
    | 'germination'
    | 'weeksBeforeFrost'
  >,
): Problem[] {
  const [low, high] = crop.weeks
  return [
    ...within(['weeks', 0], low, 1, 52, 'weeks'),
    ...within(['weeks', 1], high, Math.max(1, low), 52, 'weeks'),
    ...within(['outAfterFrostWeeks'], crop.outAfterFrostWeeks, -20, 20, 'weeks'),
    ...within(['depthMm'], crop.depthMm, 0, 100, 'mm'),
    ...within(['warmthC'], crop.warmthC, 5, 40, '°C'),
    ...within(['emergence', 'factor'], crop.emergence.factor, 0.2, 10),
    ...wholeWithin(['seedsPerCell'], crop.seedsPerCell, 1, 50),
    ...within(['lowestNightC'], crop.lowestNightC, -30, 25, '°C'),
    ...within(['germination'], crop.germination, 0.01, 1, 'share'),
    ...(crop.weeksBeforeFrost === null
      ? []
      : within(['weeksBeforeFrost'], crop.weeksBeforeFrost, 0, 40, 'weeks')),
  ]
}
