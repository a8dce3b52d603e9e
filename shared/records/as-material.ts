import { sourcesOf } from '#core/catalogue'
import { MATERIAL_FIGURES, type Material, type MaterialFigures } from '#core/media/material'
import { BUILT_IN } from '#core/media/materials'
import { yours } from '#core/working/source'

import type { MaterialRecord } from './material'

/** Nothing said about its water: as the original has it, or so much. */
const MOISTURE = 0.3
export const wholeFigures = ({
  figures,
  basedOn,
}: {
  figures: Omit<MaterialFigures, 'moisture'> & { moisture?: number | undefined }
  basedOn: string | null
}): MaterialFigures => ({
  ...figures,
  moisture: figures.moisture ?? (basedOn === null ? undefined : BUILT_IN.get(basedOn)?.moisture) ?? MOISTURE,
})

const OURS = yours('your own figure')

/** The household's own or corrected material as core knows it. Figures left as they were keep their source. */
export function asMaterial(id: string, record: MaterialRecord): Material {
  const original = record.basedOn === null ? undefined : BUILT_IN.get(record.basedOn)
  return {
    ...(original ?? {
      kind: 'medium' as const,
      packs: [{ id: 'own', name: `${record.packL} L pack`, volumeL: record.packL }],
      hazards: ['dust', 'microbes'] as const,
    }),
    ...wholeFigures(record),
    id: original?.id ?? id,
    name: record.name,
    sustainability: record.sustainability || (original?.sustainability ?? ''),
    sources: sourcesOf(MATERIAL_FIGURES, wholeFigures(record), original, OURS),
  }
}
