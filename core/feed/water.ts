import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { within, type Problem } from '../problem'

/** What comes out of the household's tap. */
export interface Water {
  readonly ecMsPerCm: number
  /** As calcium carbonate, mg/L. */
  readonly alkalinityMgPerL: number
}

/** Above this, small cells drift upwards in pH, mg/L as CaCO₃ [handbook, from memory]. */
export const ALKALINITY_MOST_MG_PER_L = 150
const RAIN: Water = { ecMsPerCm: 0.03, alkalinityMgPerL: 5 }

/**
 * What is wrong with a water, and with the share of rain in it (0–1), each at its field.
 *
 * @example waterProblems({ ecMsPerCm: 0.6, alkalinityMgPerL: 200 }, 0.5) // []
 */
export function waterProblems(water: Water, rainShare: number): Problem[] {
  return [
    ...within(['ecMsPerCm'], water.ecMsPerCm, 0, 5, 'mS/cm'),
    ...within(['alkalinityMgPerL'], water.alkalinityMgPerL, 0, 800, 'mg/L'),
    ...within(['rainShare'], rainShare, 0, 1, 'share'),
  ]
}

export interface BlendedWater {
  readonly ecMsPerCm: Figure
  readonly alkalinityMgPerL: Figure
  /** What it does to the pH of a mix over weeks. */
  readonly drift: 'down' | 'steady' | 'up'
}

/**
 * Tap and rain, mixed in proportion: both figures mix linearly.
 *
 * @param rainShare fraction of rain, 0–1
 * @throws RangeError never; see `waterProblems`
 */
export function blendWithRain(water: Water, rainShare: number): BlendedWater {
  const r = given('Rain', rainShare, 'share', yours())
  const mixed = (name: string, unit: string, tap: number, rain: number) =>
    derive(
      name,
      unit,
      'a * (1 - r) + b * r',
      {
        a: given('Tap', tap, unit, yours('your water')),
        b: given('Rain', rain, unit, byDefault('rain from a clean roof')),
        r,
      },
      (v) => v.a * (1 - v.r) + v.b * v.r,
    )
  const alkalinityMgPerL = mixed('Alkalinity', 'mg/L', water.alkalinityMgPerL, RAIN.alkalinityMgPerL)
  return {
    ecMsPerCm: mixed('EC of the water', 'mS/cm', water.ecMsPerCm, RAIN.ecMsPerCm),
    alkalinityMgPerL,
    drift:
      alkalinityMgPerL.value > ALKALINITY_MOST_MG_PER_L
        ? 'up'
        : alkalinityMgPerL.value < 40
          ? 'down'
          : 'steady',
  }
}

/**
 * The smallest share of rain that brings the alkalinity down to a limit, as a fraction; 0 where it is low enough, 1
 * where rain alone is the answer.
 *
 * @example rainForAlkalinity({ ecMsPerCm: 0.6, alkalinityMgPerL: 295 }) // 0.5
 */
export function rainForAlkalinity(water: Water, limitMgPerL = ALKALINITY_MOST_MG_PER_L): number {
  if (water.alkalinityMgPerL <= limitMgPerL) return 0
  return Math.min(
    1,
    (water.alkalinityMgPerL - limitMgPerL) / (water.alkalinityMgPerL - RAIN.alkalinityMgPerL),
  )
}
