import { derive, given, weightedTotal, type Figure } from '../working/figure'
import { byDefault, type Source } from '../working/source'
import type { Material } from './material'

/** k in loss = 4·k·c·f: an even mix of coarse and fine loses a tenth of its volume [default]. */
export const MIXING_LOSS_K = 0.1

export const MIXING_LOSS_SOURCE: Source = byDefault(
  'an even coarse and fine mix loses 10 %; 5–20 % in handbooks',
)

/**
 * Volume lost when fine material falls into the gaps of coarse, as a fraction of the loose volumes put in:
 * 4·k·c·f with c + f = 1.
 *
 * @param ingredients each material with its share (fraction 0–1, together 1)
 */
export function mixingLoss(
  ingredients: readonly { material: Material; share: Figure }[],
  k: Figure = given('Loss of an even mix', MIXING_LOSS_K, 'share', MIXING_LOSS_SOURCE),
): Figure {
  const coarse = weightedTotal(
    'Coarse share',
    'share',
    ingredients.map(({ material, share }) => ({
      figure: given(`${material.name}: acts as coarse`, material.coarse, 'share', material.sources.coarse),
      weight: share,
    })),
  )
  return derive(
    'Mixing loss',
    'share',
    '4 * k * c * (1 - c)',
    { k, c: coarse },
    ({ k: loss, c }) => 4 * loss * c * (1 - c),
    'Loose volumes do not add: fine fills the gaps of coarse.',
  )
}
