import { cellVolume, type Container } from '../containers/container'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, practice, yours } from '../working/source'
import { density, elements, type Feed } from './feed'

/** A planting hole of a final container, L [common practice: a hole as wide as two hands]. */
export const PLANTING_HOLE_L = 3
/** Weeks between top dressings [common practice: at planting, and again at fruit set]. */
export const TOP_DRESS_EVERY_WEEKS = 6
/** Fraction of organic and coated nitrogen let go in two months [default]. */
const LET_GO = 0.5

export interface GranularDose {
  readonly perPotG: Figure
  readonly perPotMl: Figure
  /** Nitrogen let go in two months, mg for each litre of mix. */
  readonly nitrogenMgPerL: Figure
}

/**
 * A granular or slow feed mixed into the medium: for each pot by the litres it holds.
 *
 * @param gPerL g for each litre of mix: the label's rate, or a household's own
 */
export function granularFor(feed: Feed, gPerL: number, container: Container): GranularDose {
  const rate = given('Feed a litre of mix', gPerL, 'g/L', yours('the label, or your own'))
  const litres = derive('Mix in one', 'L', 'V / 1000', { V: cellVolume(container) }, ({ V }) => V / 1000)
  const perPotG = derive('Feed in one', 'g', 'r * V', { r: rate, V: litres }, ({ r, V }) => r * V)
  return {
    perPotG,
    perPotMl: inSpoons(perPotG, feed),
    nitrogenMgPerL: derive(
      'Nitrogen let go in two months',
      'mg/L',
      'r * w * 10 * k',
      {
        r: rate,
        w: elements(feed).n,
        k: given('Let go in two months', LET_GO, 'share', byDefault('warmth speeds it')),
      },
      ({ r, w, k }) => r * w * 10 * k,
    ),
  }
}

/** For a planting hole: the rate over the litres of soil that the hole's feed is worked into. */
export function forPlantingHole(feed: Feed, gPerL: number): { massG: Figure; volumeMl: Figure } {
  const massG = derive(
    'Feed in the planting hole',
    'g',
    'r * H',
    {
      r: given('Feed a litre of mix', gPerL, 'g/L', yours('the label, or your own')),
      H: given('Soil it is worked into', PLANTING_HOLE_L, 'L', practice('a hole two hands wide')),
    },
    ({ r, H }) => r * H,
  )
  return { massG, volumeMl: inSpoons(massG, feed) }
}

const inSpoons = (massG: Figure, feed: Feed) =>
  derive('By volume', 'mL', 'm / d', { m: massG, d: density(feed) }, ({ m, d }) => m / d)

/**
 * Days after the first dressing on which to top-dress, up to `untilDay`.
 *
 * @example topDressDays(60, 4) // [28, 56]
 */
export function topDressDays(untilDay: number, everyWeeks = TOP_DRESS_EVERY_WEEKS): number[] {
  const every = everyWeeks * 7
  return Array.from({ length: Math.max(0, Math.floor(untilDay / every)) }, (_, i) => (i + 1) * every)
}
