import { derive, given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'

/** A mat keeps so much wet for each square metre, L [default: a felt of 3 mm]. */
const MAT_HOLDS_L_PER_M2 = 2.5
/** What is left when a wick or mat no longer reaches it [default]. */
const UNREACHED = 0.1

/** A capillary mat, or a reservoir under the tray. */
export interface Reservoir {
  /** What to pour in at first, L. */
  readonly fillL: Figure
  /** Days until it is filled again. */
  readonly lastsDays: Figure
}

/**
 * @param holdsL of the reservoir beside the mat, L; 0 for a mat alone
 * @param matM2 mat under the tray, m²; 0 for a wick
 * @param lossLPerDay the trays on it lose in a day, L
 * @example reservoirOf(4, 0.4, 0.5).fillL.value // 5
 */
export function reservoirOf(holdsL: number, matM2: number, lossLPerDay: number): Reservoir {
  const holds = given('The reservoir holds', holdsL, 'L', yours())
  const mat = derive(
    'The mat holds',
    'L',
    'A * m',
    {
      A: given('Mat under the tray', matM2, 'm²', yours()),
      m: given('A mat holds', MAT_HOLDS_L_PER_M2, 'L/m²', byDefault('a felt of 3 mm')),
    },
    ({ A, m }) => A * m,
  )
  return {
    fillL: derive('Fill it with', 'L', 'R + M', { R: holds, M: mat }, ({ R, M }) => R + M),
    lastsDays: derive(
      'It lasts',
      'days',
      'R * (1 - u) / max(l, 0.001)',
      {
        R: holds,
        u: given('Not reached', UNREACHED, 'share', byDefault('what lies below the wick')),
        l: given('Its trays lose in a day', lossLPerDay, 'L', byDefault('as they stand')),
      },
      ({ R, u, l }) => (R * (1 - u)) / Math.max(l, 0.001),
    ),
  }
}
