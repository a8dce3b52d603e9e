import type { Container } from './container'
import { planAreaMm2 } from './shape'

/** A flat, nominally 10 × 20 in, stands on so much shelf, mm [handbook: about 28 × 54 cm]. */
export const FLAT_MM = { long: 540, short: 280 } as const
/** The same, m². */
export const FLAT_M2 = (FLAT_MM.long * FLAT_MM.short) / 1e6

/** Webs and rims around a tray's cells [default]. */
const WEBS = 1.44

/** A tray that covers three quarters of a flat stands in a flat's place. */
const ALMOST = 0.75

/** Flats one container takes on the shelf, edge to edge; a round pot takes the square around it. */
export function flatsOf(container: Container): number {
  const { shape } = container
  const top = shape.form === 'round' ? shape.topDiameterMm ** 2 : planAreaMm2(shape, shape.depthMm)
  const flats = (top * container.cells) / 1e6 / FLAT_M2
  if (container.kind !== 'tray') return flats
  return flats * WEBS < ALMOST ? flats * WEBS : Math.max(1, flats)
}
