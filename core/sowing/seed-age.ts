import { given, type Figure } from '../working/figure'
import { byDefault, yours } from '../working/source'
import type { Crop } from './crop'
import { agedGermination } from './odds'

/**
 * What seed of a crop still comes up by.
 *
 * @param tested germination by the packet or a test, a fraction; null for a fresh packet as the book has it
 * @param years since then, 0 or more
 */
export function germinationNow(crop: Crop, tested: number | null, years: number): Figure {
  return agedGermination(
    given(
      'Germination',
      tested ?? crop.germination,
      'share',
      tested === null ? byDefault('a fresh packet') : yours('the packet or your test'),
    ),
    years,
    crop.seedLife,
    // A figure of the household's own beats the table.
    crop.sources.seedLife.tag === 'yours' ? null : crop.keepsYears,
  )
}

/** Whether seed comes up by less than seed on sale must; never where no law names the crop. */
export const isBelowStandard = ({ standardGermination }: Crop, germination: number): boolean =>
  standardGermination !== null && germination < standardGermination
