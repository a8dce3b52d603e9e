import { first } from '../numeric/at'
import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { byDefault } from '../working/source'
import type { Container } from '../containers/container'
import { allowance, type BatchRequest } from './batch-request'
import { blendOf, type Blend } from './blend'
import { physicsIn } from './container-physics'
import { hotWater, type HotWater } from './hot-water'
import { soakForFibre, waterToAdd, waterWanted, type Feel } from './hydration'
import { isAlive, type Material } from './material'
import { waterAsBought, waterInLitre, type Dampness } from './moisture'
import type { Part } from './recipe'
import { countScoops, type ScoopCount } from './scoops'

/** One material of a mix, as it is measured into the tub. */
export interface Measure {
  readonly material: Material
  /** Fraction of the recipe 0–1. */
  readonly share: Figure
  readonly looseL: Figure
  readonly scoops: ScoopCount
}

/** So much of one mix. */
export interface MixPlan extends Blend {
  /** Loose mix wanted, after mixing, L. */
  readonly mixL: Figure
  /** Sum of the loose materials, before mixing, L. */
  readonly ingredientsL: Figure
  readonly measures: readonly Measure[]
  /** Water to stir in for the wanted feel, beside what the coir brings, L. */
  readonly waterL: Figure
  /** What it should hold in all, and what its materials bring, L: where they bring more, it is too wet. */
  readonly wantedWaterL: Figure
  readonly waterNowL: Figure
  /** The hot-water treatment, where it was chosen. */
  readonly hotWater: HotWater | null
}

/** What goes into one kind of container, of one mix, and how wet. */
export interface Portion {
  readonly looseL: Figure
  readonly container: Container
  readonly feel: Feel
}

/**
 * What goes into the tub for a wanted volume of mix: the materials measure more than the mix they make.
 *
 * @param portions where it goes: how much water a mix holds depends on the depth it stands in, and blocks want it wetter
 */
export function planMix(
  parts: readonly Part[],
  mixL: Figure,
  portions: readonly Portion[],
  request: Pick<
    BatchRequest,
    'allowances' | 'scoop' | 'preparations' | 'dampness' | 'materials' | 'homeTests'
  >,
): MixPlan {
  const blend = blendOf(
    parts,
    request.materials,
    request.homeTests,
    allowance('Loss of an even mix', 'mixingLossK', request.allowances),
  )
  const { ingredients, mixingLoss: loss } = blend
  const ingredientsL = derive(
    'Loose materials together',
    'L',
    'V / (1 - s)',
    { V: mixL, s: loss },
    ({ V, s }) => V / (1 - s),
    'The materials measure more than the mix they make.',
  )
  const measures = ingredients.map(({ material, share }): Measure => {
    const looseL = derive(
      `${material.name} in the mix`,
      'L',
      'V * w',
      { V: ingredientsL, w: share },
      ({ V, w }) => V * w,
    )
    return { material, share, looseL, scoops: countScoops(request.scoop, looseL) }
  })
  const asBought = waterAsBought(ingredients, request.dampness)
  const waterNowL = derive(
    'Water already in it',
    'L',
    'V * t',
    { V: ingredientsL, t: asBought },
    ({ V, t }) => V * t,
  )
  const coirWaterL = total(
    'Water with the soaked coir',
    'L',
    measures.flatMap(({ material, looseL }) =>
      material.compressed ? [soakForFibre(looseL, material.coirYield).waterL] : [],
    ),
  )
  const compression = request.allowances.blockCompression
  const wantedL = total(
    'Water it should hold',
    'L',
    alike(portions).map(({ looseL, container, feel }) =>
      waterWanted(
        looseL,
        physicsIn(container, blend, { press: compression }),
        feel,
        container.kind === 'block' ? compression : null,
      ),
    ),
  )
  const waterL = waterToAdd({ wantedL, waterNowL, coirWaterL })
  return {
    ...blend,
    mixL,
    ingredientsL,
    measures,
    waterL,
    wantedWaterL: wantedL,
    waterNowL,
    hotWater: request.preparations.includes('hot water')
      ? scalded(measures, request.dampness, coirWaterL, waterL)
      : request.preparations.includes('hot soak')
        ? soakedHot(measures, coirWaterL)
        : null,
  }
}

/** Portions of one wetness together, each with the container that takes most of it: its depth stands for all of them. */
function alike(portions: readonly Portion[]): Portion[] {
  const groups = new Map<string, Portion[]>()
  for (const portion of portions) {
    const key = `${portion.feel} ${portion.container.kind === 'block'}`
    groups.set(key, [...(groups.get(key) ?? []), portion])
  }
  return [...groups.values()].map((group) => ({
    ...group.reduce((most, one) => (one.looseL.value > most.looseL.value ? one : most)),
    looseL:
      group.length === 1
        ? first(group).looseL
        : total(
            'Mix of one wetness',
            'L',
            group.map(({ looseL }) => looseL),
          ),
  }))
}

/** The coir alone, by a soak that is poured boiling; null where nothing is soaked. */
function soakedHot(measures: readonly Measure[], coirWaterL: Figure): HotWater | null {
  const coir = measures.filter(({ material }) => material.compressed)
  // Pressed coir is dry: what it holds is within the error of the pour.
  const dry = given('Water in dry coir', 0, 'L', byDefault('a tenth of its weight, left out'))
  return coir.length ? hotWater(coir, coirWaterL, dry, 'coir') : null
}

/** Everything of a mix but what is put in for its life, under boiling water; null where nothing is left to scald. */
function scalded(
  measures: readonly Measure[],
  dampness: Dampness,
  coirWaterL: Figure,
  waterL: Figure,
): HotWater | null {
  const cooked = measures.filter(({ material }) => !isAlive(material))
  if (cooked.length === 0) return null
  const moistureL = weightedTotal(
    'Water already in it',
    'L',
    cooked
      .filter(({ material }) => !material.compressed)
      .map(({ material, looseL }) => ({ weight: looseL, figure: waterInLitre(material, dampness) })),
  )
  return hotWater(cooked, total('All the water, boiling', 'L', [coirWaterL, waterL]), moistureL)
}
