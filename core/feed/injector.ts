import { within, type Problem } from '../problem'
import { derive, given, type Figure } from '../working/figure'
import { handbook, yours } from '../working/source'

/** Common soluble feeds dissolve at least this well in cold water, g/L [handbook, from memory]. */
export const SOLUBLE_G_PER_L = 100

export interface InjectorPlan {
  /** g of feed in a litre of the concentrate. */
  readonly concentrateGPerL: Figure
  /** L of concentrate for the wanted volume. */
  readonly concentrateL: Figure
  /** A powder above this does not dissolve: choose a smaller ratio. */
  readonly dissolves: boolean
}

/**
 * What is wrong with an injector's ratio, 1 in `ratio` (2 to 1000), at its field.
 *
 * @example injectorProblems(100) // []
 */
export const injectorProblems = (ratio: number): Problem[] => within(['ratio'], ratio, 2, 1000)

/**
 * The concentrate behind an injector or hose-end bottle that draws one part in `ratio`.
 *
 * @param gPerL feed in the finished solution, g/L
 * @param volumeL finished solution, L
 * @throws RangeError for a ratio below 2
 * @example planInjector(given('Feed', 1, 'g/L', yours()), given('Water', 4, 'L', yours()), 100).concentrateL.value // 0.04
 */
export function planInjector(gPerL: Figure, volumeL: Figure, ratio: number): InjectorPlan {
  if (!(ratio >= 2)) throw new RangeError(`ratio: 2 or more, given ${ratio}`)
  const n = given('Drawn, one part in', ratio, '', yours('the injector'))
  const concentrateGPerL = derive(
    'Feed in the concentrate',
    'g/L',
    'c * n',
    { c: gPerL, n },
    ({ c, n: parts }) => c * parts,
  )
  const most = given(
    'Dissolves at least',
    SOLUBLE_G_PER_L,
    'g/L',
    handbook('common soluble feeds in cold water'),
  )
  return {
    concentrateGPerL,
    concentrateL: derive('Concentrate', 'L', 'V / n', { V: volumeL, n }, ({ V, n: parts }) => V / parts),
    dissolves: concentrateGPerL.value <= most.value,
  }
}
