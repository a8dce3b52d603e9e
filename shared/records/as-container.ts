import { sourcesOf } from '#core/catalogue'
import { BUILT_IN_CONTAINERS } from '#core/containers/catalogue'
import { CONTAINER_FIGURES, type Container } from '#core/containers/container'
import { yours } from '#core/working/source'
import type { ContainerRecord } from './container'

/** The household's own or corrected container as core knows it. Figures left as they were keep their source. */
export function asContainer(
  id: string,
  { basedOn: corrects, measuredVolumeMl, ...rest }: ContainerRecord,
): Container {
  const original = corrects === null ? undefined : BUILT_IN_CONTAINERS.get(corrects)
  const figures = { ...rest, measuredVolumeMl: measuredVolumeMl ?? undefined }
  return {
    id: original?.id ?? id,
    ...rest,
    ...(measuredVolumeMl === null ? {} : { measuredVolumeMl }),
    sources: sourcesOf(
      CONTAINER_FIGURES,
      figures,
      original && { ...original, measuredVolumeMl: original.measuredVolumeMl },
      yours('your own measures'),
    ),
  }
}

/** The record that would keep a container as it is. */
export const containerRecordOf = ({
  id,
  sources: _sources,
  measuredVolumeMl,
  ...rest
}: Container): ContainerRecord => ({
  ...rest,
  basedOn: BUILT_IN_CONTAINERS.has(id) ? id : null,
  measuredVolumeMl: measuredVolumeMl ?? null,
})
