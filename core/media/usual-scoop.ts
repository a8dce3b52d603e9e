import { convert } from '../units/unit-table'
import type { UnitSystem } from '../units/unit'
import type { Scoop } from './scoops'

/** What a household measures mix with until it says something else. */
const USUAL: Readonly<Record<UnitSystem, readonly Scoop[]>> = {
  metric: [{ name: '1 L measure', volumeL: 1 }],
  us: [
    { name: '1 qt measure', volumeL: convert(1, 'us-qt', 'L') },
    { name: '1 cup measure', volumeL: convert(1, 'us-cup', 'L') },
    { name: '1 gal bucket', volumeL: convert(1, 'us-gal', 'L') },
  ],
  imperial: [
    { name: '1 pint measure', volumeL: convert(1, 'imp-pt', 'L') },
    { name: '1 gal bucket', volumeL: convert(1, 'imp-gal', 'L') },
    { name: '1 L measure', volumeL: 1 },
  ],
}

/**
 * Measures that anybody of this kitchen has, the usual one first.
 *
 * @example usualScoops('metric')[0].volumeL > 0 // true
 */
export const usualScoops = (units: UnitSystem): readonly Scoop[] => USUAL[units]
