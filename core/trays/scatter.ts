import { derive, given, type Figure } from '../working/figure'
import { practice, yours } from '../working/source'

/** Seeds to a square centimetre that can still be pricked out one by one [common practice]. */
const PER_CM2 = practice('one seed to a square centimetre or two, to prick out singly')
export const SEEDS_PER_CM2 = 0.75

/**
 * Seeds for an even scatter over an open tray.
 *
 * @example seedsToScatter(given('Top', 1512, 'cm²', yours())).value // 1134
 */
export const seedsToScatter = (areaCm2: Figure, perCm2 = SEEDS_PER_CM2): Figure =>
  derive(
    'Seeds for an even scatter',
    '',
    'A * d',
    { A: areaCm2, d: given('Seeds to a square centimetre', perCm2, '/cm²', PER_CM2) },
    ({ A, d }) => A * d,
    PER_CM2.cite,
  )

/**
 * How far apart scattered seeds lie in the mean, mm.
 *
 * @example seedsLieApart(100, given('Top', 100, 'cm²', yours())).value // 10
 */
export const seedsLieApart = (seeds: number, areaCm2: Figure): Figure =>
  derive(
    'Seeds lie apart',
    'mm',
    '10 * (A / n)^0.5',
    { A: areaCm2, n: given('Seeds', seeds, '', yours()) },
    ({ A, n }) => 10 * Math.sqrt(A / n),
  )
