import { derive, given, total, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import type { Container } from '../containers/container'
import { allowance, type BatchRequest } from './batch-request'
import { physicsIn, type Ingredient } from './container-physics'
import { hotWater, type HotWater } from './hot-water'
import { soakForFibre, waterToAdd } from './hydration'
import { materialIn, type Material, type MaterialLibrary } from './material'
import { mixingLoss } from './mixing-loss'
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
export interface MixPlan {
  readonly ingredients: readonly Ingredient[]
  /** Loose mix wanted, after mixing, L. */
  readonly mixL: Figure
  readonly mixingLoss: Figure
  /** Sum of the loose materials, before mixing, L. */
  readonly ingredientsL: Figure
  readonly measures: readonly Measure[]
  /** Water to stir in for the wanted feel, beside what the coir brings, L. */
  readonly waterL: Figure
  /** The hot-water treatment, where it was chosen. */
  readonly hotWater: HotWater | null
}

/** Water in a material as it comes from the bag, a fraction of volume [default]; soaked coir is reckoned apart. */
const MOISTURE_AS_BOUGHT = 0.12

/** The recipe's shares, with workings. */
export function sharesOf(parts: readonly Part[], materials: MaterialLibrary): Ingredient[] {
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

/**
 * What goes into the tub for a wanted volume of mix: the materials measure more than the mix they make.
 *
 * @param container the one most of it goes into: how much water the mix holds depends on its depth
 */
export function planMix(
  ingredients: readonly Ingredient[],
  mixL: Figure,
  container: Container,
  request: Pick<BatchRequest, 'allowances' | 'scoop' | 'feel' | 'preparations'>,
): MixPlan {
  const loss = mixingLoss(ingredients, allowance('Loss of an even mix', 'mixingLossK', request.allowances))
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
  const thetaNow = derive(
    'Water in the materials as bought',
    'share',
    'm * w',
    {
      m: given('Moisture from the bag', MOISTURE_AS_BOUGHT, 'share', byDefault('dry to the touch')),
      w: total(
        'Share that is not soaked',
        'share',
        ingredients.filter(({ material }) => !material.compressed).map(({ share }) => share),
      ),
    },
    ({ m, w }) => m * w,
  )
  const coirWaterL = total(
    'Water with the soaked coir',
    'L',
    measures.flatMap(({ material, looseL }) => (material.compressed ? [soakForFibre(looseL).waterL] : [])),
  )
  const waterL = waterToAdd({
    mixL,
    containerCapacity: physicsIn(container, ingredients, loss).containerCapacity,
    feel: request.feel,
    thetaNow,
    coirWaterL,
  })
  return {
    ingredients,
    mixL,
    mixingLoss: loss,
    ingredientsL,
    measures,
    waterL,
    hotWater: request.preparations.includes('hot water')
      ? hotWater(
          mixL,
          ingredients,
          total('All the water of the batch, boiling', 'L', [coirWaterL, waterL]),
          derive('Water already in it', 'L', 'V * t', { V: mixL, t: thetaNow }, ({ V, t }) => V * t),
        )
      : null,
  }
}
