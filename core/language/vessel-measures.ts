import { cellVolume, type Container, type ContainerKind } from '../containers/container'

/** What is known of a container, to find it by any of its measures. */
export interface KnownVessel {
  readonly id: string
  readonly name: string
  readonly kind: ContainerKind
  readonly cells: number
  /** Of one cell, mL. */
  readonly volumeMl: number
  /** Across the top of one cell, mm. */
  readonly topMm: number
}

/** Containers as they are found in a sentence. */
export const vesselsOf = (containers: Iterable<Container>): KnownVessel[] =>
  [...containers].map((one) => ({
    id: one.id,
    name: one.name,
    kind: one.kind,
    cells: one.cells,
    volumeMl: cellVolume(one).value,
    topMm: one.shape.form === 'round' ? one.shape.topDiameterMm : one.shape.topWidthMm,
  }))
