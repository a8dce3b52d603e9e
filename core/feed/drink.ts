import { FLAT_M2 } from '../containers/flat'
import { cellCount, cellTopArea, cellVolume, type Container } from '../containers/container'
import type { ContainerPhysics } from '../media/container-physics'
import { derive, given, type Figure } from '../working/figure'
import { byDefault, practice, yours } from '../working/source'

/** Of the easily available water so much is gone when it is time to water again [default, reference: watering by weight]. */
export const GONE_WHEN_WATERED = 0.45
/** Left standing in the tray after a soak; 10–20 % [common practice]. */
export const LEFT_IN_TRAY = given('Left in the tray', 0.15, 'share', practice('10–20 %, poured off'))

/**
 * How much solution a set of containers drinks from below when it is time to water: what its mix has lost, and what is
 * left in the tray.
 *
 * @param count whole trays or pots
 */
export function solutionFor(
  container: Container,
  count: number,
  physics: Pick<ContainerPhysics, 'easilyAvailableWater'>,
): Figure {
  return derive(
    `Solution for ${count} × ${container.name}`,
    'L',
    'n * V / 1000 * e * p * (1 + t)',
    {
      n: cellCount(container, given(container.name, count, '', yours())),
      V: cellVolume(container),
      e: physics.easilyAvailableWater,
      p: given('Gone when it is watered', GONE_WHEN_WATERED, 'share', byDefault('the tray is light to lift')),
      t: LEFT_IN_TRAY,
    },
    ({ n, V, e, p, t }) => ((n * V) / 1000) * e * p * (1 + t),
  )
}

/** A soak from below stands this high on the cells, of their depth [common practice: a quarter]. */
export const SOAK_DEPTH = given(
  'Stands on the cells to',
  0.25,
  'share',
  practice('a quarter to a third of their depth'),
)

/**
 * Solution that has to stand in the solid trays for a soak from below, L: the trays' floor to a quarter of the cells'
 * depth. What is not drunk goes back to the can.
 *
 * @param count whole trays or pots
 */
export function soakIn(container: Container, count: number): Figure {
  const floor =
    container.kind === 'tray'
      ? given('Floor of a solid tray', FLAT_M2 * 10_000, 'cm²', practice('28 × 54 cm'))
      : cellTopArea(container)
  return derive(
    'In the tray for a soak',
    'L',
    'n * A * d * k / 10000',
    {
      n: given(container.name, count, '', yours()),
      A: floor,
      d: given('Depth of the cells', container.shape.depthMm, 'mm', container.sources.shape),
      k: SOAK_DEPTH,
    },
    ({ n, A, d, k }) => (n * A * d * k) / 10_000,
    'Trays that cover part of a flat stand in one together: take it as the most.',
  )
}
/**
 * Vessels to carry, whole ones.
 *
 * @example vesselsToCarry(given('Water', 20, 'L', yours()), given('Can', 9, 'L', yours())).value // 3
 */
export function vesselsToCarry(solutionL: Figure, vesselL: Figure): Figure {
  return derive('To carry', '', 'ceil(S / V)', { S: solutionL, V: vesselL }, ({ S, V }) =>
    Math.ceil(S / V - 1e-9),
  )
}
