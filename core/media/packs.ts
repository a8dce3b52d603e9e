import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'
import type { Pack } from './material'

/** Whole packs to open for a need: litres for a bag, grams of dry mass for a pressed block. @throws RangeError where the two do not match */
export function packsToOpen(pack: Pack, looseL: Figure, dryMassG: Figure | null): Figure {
  const source = yours('the pack you chose')
  // A hair over a whole pack is rounding noise, not a reason to open another.
  const whole = ({ need, pack: size }: { need: number; pack: number }) => Math.ceil(need / size - 1e-9)
  if ('dryMassG' in pack) {
    if (!dryMassG) throw new RangeError(`pack: ${pack.name} is sold by dry mass, and this material is not`)
    return derive(
      'Packs to open',
      '',
      'ceil(need / pack)',
      { need: dryMassG, pack: given(pack.name, pack.dryMassG, 'g', source) },
      whole,
    )
  }
  return derive(
    'Packs to open',
    '',
    'ceil(need / pack)',
    { need: looseL, pack: given(pack.name, pack.volumeL, 'L', source) },
    whole,
  )
}
