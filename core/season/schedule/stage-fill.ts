import { cellVolume, type Container } from '../../containers/container'
import { COVER_IS_THE_MIX, type Fill } from '../../media/batch-request'
import type { Crop } from '../../sowing/crop'
import type { ScheduleStage } from './schedules'

/** Containers for so many places, and the cover where seed goes in. */
export function fillOf(stage: ScheduleStage, container: Container, places: number, crop: Crop): Fill {
  const sown = stage.kind === 'sow' || stage.kind === 'broadcast'
  const deepest = Math.floor(container.shape.depthMm / 2)
  return {
    container,
    count: Math.max(1, Math.ceil(places / container.cells)),
    coverMm: sown ? Math.min(crop.depthMm, deepest) : 0,
    coverMaterialId: sown && crop.light === 'wants light' ? 'vermiculite' : COVER_IS_THE_MIX,
  }
}

/** What a plant brings with it from the cell it is potted up out of; out of an open tray it comes with nearly nothing. */
export function ballOf(
  { kind, recipeId }: ScheduleStage,
  before: { container: Container; each: number } | undefined,
  into: Container,
  each: number,
): Pick<Fill, 'ballMl' | 'ballContainerId'> {
  if (!before || recipeId === null || kind === 'prick out' || before.container.kind === 'open tray') return {}
  const [ball, room] = [cellVolume(before.container).value / before.each, cellVolume(into).value]
  return ball * each < room * 0.8 ? { ballMl: ball, ballContainerId: before.container.id } : {}
}
