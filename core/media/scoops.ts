import { derive, given, type Figure } from '../working/figure'
import { yours } from '../working/source'

export interface Scoop {
  readonly name: string
  readonly volumeL: number
}

export interface ScoopCount {
  /** What was to be measured, L. */
  readonly wantedL: Figure
  /** To the half scoop, or the quarter below four: what a hand can level off. */
  readonly scoops: Figure
  /** (measured − wanted) / wanted; a fraction, negative when short. */
  readonly roundingError: Figure
}

/** How many scoops measure `looseL` litres, and what the rounding does. */
export function countScoops(scoop: Scoop, looseL: Figure): ScoopCount {
  const size = given(scoop.name, scoop.volumeL, 'L', yours('the scoop you chose'))
  const step = given(
    'Levelled off to',
    looseL.value / scoop.volumeL < 4 ? 0.25 : 0.5,
    'scoop',
    yours('what a hand can level off'),
  )
  const scoops = derive(
    'Scoops',
    'scoops',
    'round(V / s / q) * q',
    { V: looseL, s: size, q: step },
    ({ V, s, q }) => Math.round(V / s / q) * q,
  )
  const roundingError = derive(
    'Rounding',
    'share',
    'n * s / V - 1',
    { n: scoops, s: size, V: looseL },
    ({ n, s, V }) => (n * s) / V - 1,
  )
  return { wantedL: looseL, scoops, roundingError }
}
