import { given, type Figure } from '../working/figure'
import { byDefault, learnedSource, yours } from '../working/source'
import type { Crop } from './crop'
import { agedGermination } from './odds'

/** Germination by the household’s own counts of a packet, weighed against what the packet says. */
export interface Counted {
  /** A fraction. */
  readonly share: number
  /** Trays that were counted. */
  readonly n: number
  /** Years since the last of them. */
  readonly years: number
}

/**
 * What seed of a crop still comes up by.
 *
 * @param tested germination by the packet or a test, a fraction; null for a fresh packet as the book has it
 * @param years since then, 0 or more
 * @param counted by trays of this packet that were counted, a fraction, with how many
 */
export function germinationNow(
  crop: Crop,
  tested: number | null,
  years: number,
  counted: Counted | null = null,
): Figure {
  return agedGermination(
    // What came up here is what comes up, less the years since it was counted.
    counted
      ? given('Germination', counted.share, 'share', learnedSource(counted.n, byDefault()))
      : given(
          'Germination',
          tested ?? crop.germination,
          'share',
          tested === null ? byDefault('a fresh packet') : yours('the packet or your test'),
        ),
    counted ? counted.years : years,
    crop.seedLife,
    // A figure of the household's own beats the table.
    crop.sources.seedLife.tag === 'yours' ? null : crop.keepsYears,
  )
}

/** Whether seed comes up by less than seed on sale must; never where no law names the crop. */
export const isBelowStandard = ({ standardGermination }: Crop, germination: number): boolean =>
  standardGermination !== null && germination < standardGermination
