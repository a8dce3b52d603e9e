import { handbook, type Source } from '../working/source'

/** How strong a seedling of this stage likes its feed, mg/L of nitrogen. */
export interface GrowthStage {
  readonly id: string
  readonly name: string
  readonly lowNMgPerL: number
  readonly highNMgPerL: number
  /** What to look at to know the stage. */
  readonly sign: string
  readonly source: Source
}

const PLUG_CULTURE = handbook('constant feed in plug culture; cells and up')

export const GROWTH_STAGES: readonly GrowthStage[] = [
  {
    id: 'before-emergence',
    name: 'Before emergence',
    lowNMgPerL: 0,
    highNMgPerL: 0,
    sign: 'nothing to see yet: plain water',
    source: PLUG_CULTURE,
  },
  {
    id: 'seed-leaves',
    name: 'Seed leaves',
    lowNMgPerL: 25,
    highNMgPerL: 50,
    sign: 'only the first, plain pair of leaves',
    source: PLUG_CULTURE,
  },
  {
    id: 'true-leaves',
    name: 'First true leaves',
    lowNMgPerL: 50,
    highNMgPerL: 75,
    sign: 'leaves that look like the plant',
    source: PLUG_CULTURE,
  },
  {
    id: 'growing-on',
    name: 'Growing on',
    lowNMgPerL: 100,
    highNMgPerL: 150,
    sign: 'three pairs of leaves and filling its cell',
    source: PLUG_CULTURE,
  },
  {
    id: 'potted-up',
    name: 'After potting up',
    lowNMgPerL: 100,
    highNMgPerL: 200,
    sign: 'rooted in its bigger pot; by appetite',
    source: PLUG_CULTURE,
  },
  {
    id: 'hardening',
    name: 'Before planting out',
    lowNMgPerL: 50,
    highNMgPerL: 75,
    sign: 'going out for the day',
    source: PLUG_CULTURE,
  },
]

/**
 * @throws RangeError for an unknown id.
 * @example growthStageById('seed-leaves').highNMgPerL // 50
 * @example growthStageById('adult') // throws RangeError
 */
export function growthStageById(id: string): GrowthStage {
  const growthStage = GROWTH_STAGES.find((candidate) => candidate.id === id)
  if (!growthStage) throw new RangeError(`stage: '${id}' is not known`)
  return growthStage
}

export type Verdict = 'none wanted' | 'weak' | 'right' | 'strong'

/**
 * How many times the most that a stage likes a strength is; null within the band, or where it wants none.
 *
 * @example timesTheMost(100, growthStageById('seed-leaves')) // 2
 */
export function timesTheMost(nMgPerL: number, { highNMgPerL }: GrowthStage): number | null {
  return highNMgPerL > 0 && nMgPerL > highNMgPerL ? nMgPerL / highNMgPerL : null
}

/**
 * Where a strength falls against the stage's band.
 *
 * @example judge(40, growthStageById('seed-leaves')) // 'right'
 */
export function judge(nMgPerL: number, growthStage: GrowthStage): Verdict {
  if (growthStage.highNMgPerL === 0) return nMgPerL > 0 ? 'none wanted' : 'right'
  if (nMgPerL < growthStage.lowNMgPerL) return 'weak'
  return nMgPerL > growthStage.highNMgPerL ? 'strong' : 'right'
}
