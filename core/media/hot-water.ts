import { derive, given, total, weightedTotal, type Figure } from '../working/figure'
import { byDefault, handbook, practice, standard } from '../working/source'
import type { Material } from './material'

const WATER_KJ_PER_L_K = given('Heat of a litre of water', 4.18, 'kJ/L·K', standard('specific heat of water'))
const SOLIDS_KJ_PER_G_K = given(
  'Heat of a gram of dry matter',
  0.0012,
  'kJ/g·K',
  handbook('organic and mineral solids, 0.8–1.5 kJ/kg·K'),
)
const POURED_C = given('Water as it is poured', 97, '°C', practice('off the boil, in small amounts'))
const ROOM_C = given('Shed and materials', 18, '°C', byDefault())
/** Below this, hands and seed are safe [common practice]. */
export const COOL_ENOUGH_C = 30
/** Thirty minutes at this temperature kill most damping-off fungi [Baker 1957, The U.C. System, from memory]. */
export const PASTEURISED_C = 60

export interface HotWater {
  /** What is scalded: the whole mix but what is alive, or the coir alone, by its soak. */
  readonly of: 'mix' | 'coir'
  readonly waterL: Figure
  /** What the covered tub reaches in the middle, °C. */
  readonly reachesC: Figure
  /** Until the middle is below 30 °C, hours. */
  readonly coolHours: Figure
}

/**
 * The hot-water method: what is scalded (coir, peat, minerals, bagged mix; not what is put in for its life) takes all its
 * water boiling and at once, the coir's soak included.
 *
 * Heat put in is heat taken up: T = (C·T₀ + 4.18·W·T_w) / (C + 4.18·W), with C of the dry matter and what moisture
 * it holds. A mix that was soaked cold first has no room left for enough hot water, which is why the soak itself
 * must be the boiling one.
 *
 * @param measures what is scalded, each with its loose litres
 * @param waterL water that is poured, L
 * @param moistureL water already in these materials as bought, L
 */
export function hotWater(
  measures: readonly { material: Material; looseL: Figure }[],
  waterL: Figure,
  moistureL: Figure,
  of: HotWater['of'] = 'mix',
): HotWater {
  const litres = total(
    'What is scalded',
    'L',
    measures.map(({ looseL }) => looseL),
  )
  const dry = weightedTotal(
    'Dry weight of it',
    'g',
    measures.map(({ material, looseL }) => ({
      weight: looseL,
      figure: given(
        `${material.name}: dry bulk density`,
        material.dryBulkDensityGPerL,
        'g/L',
        material.sources.dryBulkDensityGPerL,
      ),
    })),
  )
  const cold = derive(
    'Heat it takes to warm the mix by a degree',
    'kJ/K',
    'd * s + m * c',
    { d: dry, s: SOLIDS_KJ_PER_G_K, m: moistureL, c: WATER_KJ_PER_L_K },
    ({ d, s, m, c }) => d * s + m * c,
  )
  const reachesC = derive(
    'Reached in the middle',
    '°C',
    '(C * T_0 + c * W * T_w) / (C + c * W)',
    { C: cold, c: WATER_KJ_PER_L_K, W: waterL, T_0: ROOM_C, T_w: POURED_C },
    (v) => (v.C * v.T_0 + v.c * v.W * v.T_w) / (v.C + v.c * v.W),
    'Heat put in is heat taken up; a covered tub loses little in the first half hour.',
  )
  return {
    of,
    waterL,
    reachesC,
    coolHours: derive(
      'Cools in',
      'hours',
      'k * (V / 10)^(1 / 3) * log(max(1, (T - T_0) / (30 - T_0)))',
      {
        k: given('Pace of a covered 10 L tub', 3, 'hours', byDefault('5 minutes to overnight in practice')),
        V: litres,
        T: reachesC,
        T_0: ROOM_C,
      },
      ({ k, V, T, T_0 }) =>
        k * (V / 10) ** (1 / 3) * Math.log(Math.max(1, (T - T_0) / (COOL_ENOUGH_C - T_0))),
      'Newton’s law of cooling; a thermometer in the middle decides.',
    ),
  }
}
